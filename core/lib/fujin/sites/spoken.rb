# frozen_string_literal: true

module Fujin
  module Sites
    # An id of a site's file as it is said: a question of the survey by what it asks, anything else without its hyphens.
    module Spoken
      QUESTIONS = YAML.safe_load_file("#{__dir__}/questions.yml").freeze
      # 'obstructions-wire', 'obstructions.wire', and with the pass that answered it 'obstructions-wire-low'.
      ASKED = /\A(?<group>#{QUESTIONS.keys.join('|')})[-.](?<about>[a-z_]+?)(?:-(?:#{Survey::PASSES.join('|')}))?\z/

      module_function

      # @param id [String]
      # @return [String]
      def of(id)
        asked = ASKED.match(id)
        (asked && QUESTIONS.dig(asked[:group], asked[:about])) || id.tr('-_.', '   ')
      end

      # @param ids [Array<String>]
      # @return [String] 'wires', 'wires and wire south', 'wires, wire south and edge'
      def list(ids)
        *most, last = ids.map { |id| of(id) }.uniq
        most.empty? ? last.to_s : Text.of('%{most} and %{last}', most: most.join(', '), last: last)
      end
    end
  end
end
