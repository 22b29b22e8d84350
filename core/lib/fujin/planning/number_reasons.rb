# frozen_string_literal: true

require 'yaml'

module Fujin
  module Planning
    # Why each planned number is what it is, in a sentence: where it comes from, what moves it.
    module NumberReasons
      FILE = File.expand_path('../../../data/number_reasons.yml', __dir__)
      TEXTS = YAML.safe_load_file(FILE).freeze

      module_function

      # @return [String, nil]
      def why(name) = TEXTS[name]
    end
  end
end
