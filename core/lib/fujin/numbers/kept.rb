# frozen_string_literal: true

module Fujin
  # The last few results of dear work, by key; the oldest used goes first. Safe for several threads. There are sentences
  # in results, so that each is kept for the language it was worked out in.
  class Kept
    def initialize(limit)
      @limit = limit
      @found = {}
      @lock = Mutex.new
    end

    # What was kept under the key, or the block's result, kept from now on. Two threads may both work; one result stays.
    def fetch(key)
      key = [Text.language, key]
      known = @lock.synchronize { @found.key?(key) ? [@found[key] = @found.delete(key)] : nil }
      return known.first if known

      made = yield
      @lock.synchronize do
        @found[key] = made
        @found.shift if @found.size > @limit
      end
      made
    end
  end
end
