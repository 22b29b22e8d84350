# frozen_string_literal: true

module Fujin
  module Grading
    # An amount in a standard's data, by stage and day (docs/reference/standards.md):
    #
    #   12                                      the same for all
    #   [15, 12, 10, 8]                         early, solo, test, instructor
    #   flare_height_ft                         what the day's plan, the house method or the type gives
    #   {of: hover_height_ft, plus: [3, 2, 2, 1]}   that and so much more; `times` for a multiple, `share` for a part
    #   {larger_of: [20, low_speed_kt]}         the larger, or `smaller_of` for the smaller
    class Amount
      # A sum, a multiple, the larger or smaller of several.
      KEYS = %w[of plus times share larger_of smaller_of].freeze

      attr_reader :stage

      # @param stage [Integer] its place in Standard::STAGES
      # @param targets [#fetch] what the names stand for today
      def initialize(stage, targets)
        @stage = stage
        @targets = targets
      end

      # @return [Float]
      # @raise [KeyError] when the day does not give what is named
      def of(amount)
        case amount
        when String then @targets.fetch(amount).to_f
        when Array then amount.fetch(@stage).to_f
        when Hash then worked_out(amount)
        else amount.to_f
        end
      end

      # What an amount is counted from: what it adds to or multiplies, otherwise nothing.
      def base(amount) = amount.is_a?(Hash) && (amount.key?('plus') || amount.key?('times')) ? of(amount['of']) : 0.0

      # @return [String, nil] what is wrong with it
      def self.problem(amount)
        case amount
        when Numeric then nil
        when String then Text.of('nothing gives %{amount}', amount: amount) unless Planning::Targets.name?(amount)
        when Array then by_stage_problem(amount)
        when Hash then sum_problem(amount)
        else Text.of('expected an amount, got %{amount}', amount: amount.inspect)
        end
      end

      def self.by_stage_problem(amount)
        return nil if amount.size == Standard::STAGES.size && amount.all?(Numeric)

        Text.of('expected %{stages} numbers, one a stage, got %{amount}',
                stages: Standard::STAGES.size, amount: amount.inspect)
      end

      def self.sum_problem(amount)
        unknown = amount.keys - KEYS
        unless unknown.empty?
          return Text.of('%{unknown} is no part of an amount: use %{keys}',
                         unknown: unknown.join(', '), keys: KEYS.join(', '))
        end

        several = amount.values_at('larger_of', 'smaller_of').compact
        return 'expected one of of, larger_of, smaller_of' unless [amount['of'], *several].compact.size == 1
        return Text.of('expected a list, got %{several}', several: several.first.inspect) unless several.all?(Array)

        [*amount.slice('of', 'plus', 'times', 'share').values, *several.flatten(1)].filter_map do |part|
          problem(part)
        end.first
      end
      private_class_method :by_stage_problem, :sum_problem

      # @return [Array<String>] every name in it
      def self.names(amount)
        case amount
        when String then [amount]
        when Hash then amount.values.flatten.flat_map { |part| names(part) }
        when Array then amount.flat_map { |part| names(part) }
        else []
        end
      end

      # @return [String] as a person reads it, one stage after the other where they differ
      def self.words(amount)
        case amount
        when String then name_words(amount)
        when Array then amount.uniq.size == 1 ? words(amount.first) : amount.map { |part| words(part) }.join(' / ')
        when Hash then sum_words(amount)
        else amount.to_s.delete_suffix('.0')
        end
      end

      def self.name_words(name) = Planning::Targets.label(name)

      def self.sum_words(amount)
        %w[larger smaller].each do |which|
          parts = amount["#{which}_of"] or next
          return Text.of('the %{which} of %{parts}',
                         which: which, parts: parts.map { |part| words(part) }.join(Text.of(' and ')))
        end
        factor = amount['times'] || amount['share']
        text = [words(amount['of']), ("× #{words(factor)}" if factor)].compact.join(' ')
        amount['plus'] ? "#{text} #{signed(amount['plus'])}" : text
      end

      def self.signed(plus)
        first = Array(plus).first
        return "+ #{words(plus)}" unless first.is_a?(Numeric) && first.negative?

        "− #{words(plus.is_a?(Array) ? plus.map(&:abs) : plus.abs)}"
      end
      private_class_method :name_words, :sum_words, :signed

      private

      def worked_out(amount)
        return amount['larger_of'].map { |part| of(part) }.max if amount.key?('larger_of')
        return amount['smaller_of'].map { |part| of(part) }.min if amount.key?('smaller_of')

        (of(amount['of']) * of(amount['times'] || amount['share'] || 1.0)) + of(amount['plus'] || 0.0)
      end
    end
  end
end
