# frozen_string_literal: true

require 'json'

module Fujin
  module Planning
    # What each condition of a day may be (core/data/ranges.json, which the web client's fields read too).
    module Ranges
      ALL = JSON.parse(File.read(File.expand_path('../../../data/ranges.json', __dir__))).freeze

      # @return [Array(Numeric, Numeric)] lowest and highest
      # @raise [KeyError] for a name that has none
      def self.of(name) = ALL.fetch(name)
    end
  end
end
