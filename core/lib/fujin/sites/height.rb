# frozen_string_literal: true

module Fujin
  module Sites
    # A height above the site's datum, metres, with what it may be at least and at most.
    Height =
      Value.define(:value, :low, :high) do
        def self.about(value, by) = new(value: value, low: value - by, high: value + by)
      end
  end
end
