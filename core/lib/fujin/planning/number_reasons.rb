# frozen_string_literal: true

require 'yaml'

module Fujin
  module Planning
    # What each planned number is called, and why it is what it is: where it comes from, what moves it.
    module NumberReasons
      FILE = File.expand_path('../../../data/number_reasons.yml', __dir__)
      TEXTS = YAML.safe_load_file(FILE).freeze

      module_function

      # @return [String]
      # @raise [KeyError] for a number that has no entry
      def label(name) = TEXTS.fetch(name)['label']
      def why(name) = TEXTS.fetch(name)['why']
    end
  end
end
