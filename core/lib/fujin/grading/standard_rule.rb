# frozen_string_literal: true

module Fujin
  module Grading
    # One line of a standard's data with the day's amounts put in (docs/reference/standards.md). Its kinds:
    #
    #   around      within `width` of `target`: polished within half of it, marginal within one and a half
    #   percent_of  the same, the width being a percentage of the target
    #   at_most     up to `limit`; at_least: down to it. Polished and marginal lie half as far again from what the limit
    #               is counted from, or where `polished_at`, `polished_step`, `marginal_at`, `marginal_step` say
    #   within      at_least `low` and at_most `high`
    class StandardRule
      KINDS = %w[around percent_of at_most at_least within].freeze
      KEYS = %w[
        rule target width side limit low high polished_at polished_step marginal_at marginal_step critical_below
        critical_above critical_beyond band planned_only only_if
      ].freeze
      # A percentage of a target smaller than this, in its unit, is chance.
      SMALL = 10.0

      # What is no amount in a rule.
      WORDS = { 'side' => %w[low high], 'band' => %w[power_off], 'planned_only' => [true, false] }.freeze
      NEEDED = { 'around' => %w[target width], 'percent_of' => %w[target width], 'at_most' => %w[limit],
                 'at_least' => %w[limit], 'within' => %w[low high] }.freeze
      SIGNS = %w[> >= < <= ==].freeze

      # @param fields [Object] that claim to be a rule
      # @return [String, nil] what is wrong with them
      def self.problem(fields)
        return Text.of('expected a rule, got %{fields}', fields: fields.inspect) unless fields.is_a?(Hash)
        unless KINDS.include?(fields['rule'])
          return Text.of('no rule %{fields}: use %{kinds}',
                         fields: fields['rule'].inspect, kinds: KINDS.join(', '))
        end

        unknown = fields.keys - KEYS
        unless unknown.empty?
          return Text.of('%{unknown} is no part of a rule: use %{keys}',
                         unknown: unknown.join(', '), keys: KEYS.join(', '))
        end

        missing = NEEDED.fetch(fields['rule']) - fields.keys
        return Text.of('%{missing} missing', missing: missing.join(', ')) unless missing.empty?

        fields.except('rule').filter_map { |key, value| part_problem(key, value) }.first || crossing(fields)
      end

      # What names stand for does not matter to how the steps lie: the same for all of them.
      ANY_DAY = Class.new { def fetch(_name) = 100.0 }.new
      private_constant :ANY_DAY

      # Where polished, in and marginal do not lie in one another, or, as far as it is all numbers, what is critical in
      # what is in.
      def self.crossing(fields)
        named = fields.except('rule', *WORDS.keys).values.any? { |part| Amount.names(part).any? }
        stage = Standard::STAGES.each_index.find do |i|
          band = new(fields.except('only_if'), i, ANY_DAY).band
          band && !(band.nested? && (named || !band.critical_inside?))
        end
        stage && Text.of('at stage %{stages} polished, in, marginal and critical do not follow one another',
                         stages: Standard::STAGES[stage])
      end

      def self.part_problem(key, value)
        case key
        when *WORDS.keys then unless WORDS[key].include?(value)
                                Text.of('%{key} is one of %{words}',
                                        key: key, words: WORDS[key].join(', '))
                              end
        when 'only_if' then condition_problem(value)
        when 'low' then problem_of_side(value, 'at_least')
        when 'high' then problem_of_side(value, 'at_most')
        else Amount.problem(value)
        end
      end

      def self.condition_problem(value)
        unless value.is_a?(Array) && value.size == 3 && SIGNS.include?(value[1])
          return Text.of('only_if is [amount, %{signs}, amount]', signs: SIGNS.join(' or '))
        end

        Amount.problem(value[0]) || Amount.problem(value[2])
      end

      def self.problem_of_side(value, rule)
        if value.is_a?(Hash)
          problem(value.merge('rule' => rule))
        else
          Text.of('expected a limit, got %{value}',
                  value: value.inspect)
        end
      end
      private_class_method :crossing, :part_problem, :condition_problem, :problem_of_side

      # @param fields [Hash{String => Object}] of the data file
      # @param stage [Integer], @param targets [#fetch]
      def initialize(fields, stage, targets)
        @fields = fields
        @targets = targets
        @amount = Amount.new(stage, targets)
      end

      # @return [Band, nil] nil where the day leaves it unjudged
      # @raise [KeyError] when the day does not give what the rule names
      def band
        return nil unless applies?

        case @fields['rule']
        when 'around' then around(amount('width'))
        when 'percent_of' then percent_of
        when 'at_most' then at_most
        when 'at_least' then at_least
        when 'within' then within
        end
      end

      private

      def amount(key) = @amount.of(@fields.fetch(key))
      def optional(key) = @fields.key?(key) ? amount(key) : nil

      # A limit of the aircraft, where its type has one.
      def critical(key)
        optional(key)
      rescue KeyError
        nil
      end

      # `only_if: [amount, '>=', amount]`
      def applies?
        left, sign, right = @fields['only_if']
        return true unless sign

        @amount.of(left).public_send(sign, @amount.of(right))
      end

      def percent_of
        target = amount('target')
        target.abs < SMALL ? nil : around(target.abs * amount('width') / 100.0)
      end

      def around(wide)
        centre = amount('target')
        widths = [optional('polished_at') || (0.5 * wide), wide, optional('marginal_at') || (1.5 * wide)]
        build(centre, *widths.map { |w| one_sided([centre - w, centre + w]) })
      end

      # 'glide_ias_min_kt' can only be too low, its partner only too high.
      def one_sided(range)
        case @fields['side']
        when 'low' then [range[0], nil]
        when 'high' then [nil, range[1]]
        else range
        end
      end

      def at_most = build(amount('limit'), *steps.map { |at| [nil, at] })
      def at_least = build(amount('limit'), *steps.map { |at| [at, nil] })

      # Polished, in, marginal.
      def steps
        limit = amount('limit')
        slack = (limit - @amount.base(@fields['limit'])).abs
        side = @fields['rule'] == 'at_most' ? 1.0 : -1.0
        [
          optional('polished_at') || (limit - (side * (optional('polished_step') || (0.5 * slack)))),
          limit,
          optional('marginal_at') || (limit + (side * (optional('marginal_step') || (0.5 * slack))))
        ]
      end

      def within
        least, most = %w[low high].map { |side| part(side) }
        Band.new(
          target: least.target + ((most.target - least.target) / 2.0),
          polished: [least.polished[0], most.polished[1]].freeze,
          in: [least.in[0], most.in[1]].freeze,
          marginal: [least.marginal[0], most.marginal[1]].freeze,
          critical_low: least.critical_low,
          critical_high: most.critical_high
        )
      end

      def part(side)
        rule = side == 'low' ? 'at_least' : 'at_most'
        StandardRule.new(@fields.fetch(side).merge('rule' => rule), @amount.stage, @targets).band
      end

      def build(centre, polished, inside, marginal)
        beyond = critical('critical_beyond')
        Band.new(
          target: centre,
          polished: polished.freeze,
          in: inside.freeze,
          marginal: marginal.freeze,
          worst_best: @fields['band'] && [@targets.fetch('power_off_low_pct'), @targets.fetch('power_off_high_pct')],
          critical_low: beyond ? centre - beyond : critical('critical_below'),
          critical_high: beyond ? centre + beyond : critical('critical_above')
        )
      end
    end
  end
end
