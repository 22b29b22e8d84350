# frozen_string_literal: true

module Fujin
  # The last few results of dear work, by key; the oldest used goes first. Safe for several threads. There are sentences
  # in results, so that each is kept for the language it was worked out in.
  class Kept
    # What a result hangs on, hashed once: a whole type file or a site's ground is in it, and it is looked up for every
    # sample of a recording.
    class Key
      attr_reader :hash

      def initialize(*parts)
        @parts = parts.freeze
        @hash = parts.hash
        freeze
      end

      def eql?(other) = other.is_a?(Key) && parts.eql?(other.parts)

      protected

      attr_reader :parts
    end

    def initialize(limit)
      @limit = limit
      @found = {}
      @lock = Mutex.new
    end

    # What was kept under the key, or the block's result, kept from now on. Two threads may both work; one result stays.
    def fetch(key)
      key = Key.new(Text.language, key)
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
