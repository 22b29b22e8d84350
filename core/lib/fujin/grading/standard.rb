# frozen_string_literal: true

require 'yaml'

module Fujin
  module Grading
    # A versioned tolerance set for one manoeuvre; it turns a number into a verdict (docs/reference/standards.md).
    class Standard
      FOLDER = File.expand_path('../../../data/standards', __dir__)
      STAGES = %w[early solo test instructor].freeze
      VERDICTS = %w[polished in marginal out].freeze

      attr_reader :version, :rules, :shown

      # @param path [String] of a file of rules; those that it includes, beside it or in core/data/standards, are part
      #   of it
      # @return [Standard]
      # @raise [ArgumentError] naming the measure and what is wrong with its rule
      def self.load(path)
        data = YAML.safe_load_file(path)
        own_shown = data.fetch('shown', {})
        parts = Array(data['includes']).map { |name| load(included(path, name)) }
        new(
          data.fetch('version'),
          parts.map(&:rules).reduce({}, :merge).except(*own_shown.keys).merge(data['measures'] || {}),
          parts.map(&:shown).reduce({}, :merge).merge(own_shown)
        )
      rescue KeyError, ArgumentError => e
        raise ArgumentError, "#{File.basename(path)}: #{e.message}"
      end

      def self.included(path, name)
        beside = File.join(File.dirname(path), "#{name}.yml")
        File.file?(beside) ? beside : File.join(FOLDER, "#{name}.yml")
      end
      private_class_method :included

      # @param rules [Hash{String => Hash}] by measure
      # @param shown [Hash{String => String}] measures that are never judged, with why
      def initialize(version, rules, shown = {})
        wrong = rules.filter_map { |id, rule| StandardRule.problem(rule)&.then { |text| "#{id}: #{text}" } }
        raise ArgumentError, wrong.join('; ') unless wrong.empty?

        @version = version
        @rules = rules.freeze
        @shown = shown.except(*rules.keys).freeze
        freeze
      end

      # Those of the measures that have a rule, or a reason why there is none; anything else was forgotten.
      # @param measures [Array<String>] that a manoeuvre declares
      # @return [Standard]
      # @raise [ArgumentError] naming what was forgotten
      def covering(measures)
        forgotten = measures.uniq - rules.keys - shown.keys
        return Standard.new(version, rules.slice(*measures), shown.slice(*measures)) if forgotten.empty?

        raise ArgumentError,
              "standard #{version}: no rule for #{forgotten.join(', ')}; give one, or why it is shown only"
      end

      # With other rules for some of its measures, as a school has them.
      # @param rules [Hash{String => Hash}] by measure
      # @return [Standard]
      # @raise [InvalidInput] for a measure that it has no rule for
      def with(version, rules)
        strange = rules.keys - @rules.keys
        unless strange.empty?
          raise(InvalidInput, strange.map { |id| { path: id, message: "standard #{@version} has no rule for it" } })
        end

        Standard.new(version, @rules.merge(rules), shown)
      rescue ArgumentError => e
        raise InvalidInput, [{ path: 'rules', message: e.message }]
      end

      # @param targets [#fetch] what the names in the rules stand for today
      # @param planned [Boolean] whether a plan of the sortie is attached
      # @return [Band, nil] nil when the measure is shown but not judged
      # @raise [KeyError] when the day does not give what the rule names
      def band(measure, stage, targets, planned: true)
        rule = rules[measure]
        return nil if rule.nil? || (rule['planned_only'] && !planned)

        place = STAGES.index(stage) || raise(UnknownName, "no stage #{stage.inspect}: use #{STAGES.join(', ')}")
        StandardRule.new(rule, place, targets).band
      end
    end
  end
end
