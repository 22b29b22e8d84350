# frozen_string_literal: true

module Fujin
  module Grading
    # One rule of a standard as a table has it: what it says in words, and its four numbers by stage, which a school may
    # set otherwise.
    class StandardRow
      # Where the numbers that differ by stage are looked for, the first that is there.
      PLACES = [
        %w[width share], %w[width], %w[high limit], %w[limit larger_of 0 plus], %w[limit plus], %w[limit times],
        %w[limit share], %w[limit]
      ].freeze
      STEPS = { 'polished_step' => 'polished by %{amount}', 'polished_at' => 'polished at %{amount}',
                'marginal_step' => 'marginal by %{amount}', 'marginal_at' => 'marginal to %{amount}',
                'critical_below' => 'critical below %{amount}', 'critical_above' => 'critical above %{amount}',
                'critical_beyond' => 'critical beyond %{amount}' }.freeze
      SIGNS = { 'around' => '±', 'percent_of' => '±', 'at_most' => '≤', 'at_least' => '≥', 'within' => '≤' }.freeze

      # @param rule [Hash{String => Object}] of a standard's data
      def initialize(rule)
        @rule = rule
      end

      # @return [Array<Float>] early, solo, test, instructor
      def values
        found = dig(place)
        case found
        when Array then found.map(&:to_f)
        when Numeric then [found.to_f] * Standard::STAGES.size
        else [0.0] * Standard::STAGES.size
        end
      end

      # The rule with other numbers.
      # @param values [Array<Float>] by stage
      # @return [Hash{String => Object}]
      # @raise [InvalidInput] for numbers that are none, and for such that polished, in and marginal would not lie in
      #   one another or the limit would lie in what is critical
      def with(values)
        unless values.size == Standard::STAGES.size && values.all? { |v| v.is_a?(Numeric) && v.to_f.finite? }
          raise InvalidInput, [{ path: 'values', message: Text.of('expected %{stages} numbers, one a stage',
                                                                  stages: Standard::STAGES.size) }]
        end

        changed = place == %w[limit] && dig(place).is_a?(String) ? { 'of' => dig(place), 'plus' => values } : values
        rule = put(@rule, place, changed)
        problem = StandardRule.problem(rule) or return rule
        raise InvalidInput, [{ path: 'values', message: Text.of('%{problem}: nearer to what it was',
                                                                problem: problem) }]
      end

      # What a band lets pass with another number for its stage, from what it let pass.
      # @param was [Array(Float, Float)] nil where a side is free
      # @param target [Float] that a width is counted from
      # @return [Array(Float, Float), nil] nil where the day decides which of several amounts counts
      def moved(was, target, from:, to:)
        return nil if place.include?('larger_of') || (scaled? && from.zero?)

        new = ->(value, centre) { value && (scaled? ? centre + ((value - centre) * to / from) : value + to - from) }
        low, high = was
        case @rule['rule']
        when 'around', 'percent_of' then [new.call(low, target), new.call(high, target)]
        when 'at_least' then [new.call(low, 0.0), high]
        else [low, new.call(high, 0.0)]
        end
      end

      # What the four numbers are of: '± of the day's glide speed', '≥ the house's setup ×'.
      def sentence
        case @rule['rule']
        when 'around' then ['±', of_width, Text.of('of %{rule}', rule: words(@rule['target']))].compact.join(' ')
        when 'percent_of' then Text.of('± % of %{rule}', rule: words(@rule['target']))
        when 'within' then Text.of('from %{rule} to at most', rule: words(@rule.dig('low', 'limit')))
        else [Text.of(@rule['rule'].tr('_', ' ')), of_limit].compact.join(' ')
        end
      end

      # Where polished and marginal lie, and what is critical.
      # @return [Array<String>]
      def steps
        told = STEPS.filter_map { |key, text| Text.of(text, amount: words(@rule[key])) if @rule.key?(key) }
        told << Text.of('only too %{rule} counts', rule: @rule['side']) if @rule['side']
        told << "marginal outside the type's band" if @rule['band']
        told + conditions
      end

      # Where it is judged, if not always.
      # @return [Array<String>]
      def conditions
        [(only_where if @rule['only_if']), ("with the exercise's plan only" if @rule['planned_only'])].compact
      end

      # Each of the four as it stands in a table: '≤ 8', '+8' on what is planned, '× 1.3' of it.
      # @return [Array<String>]
      def told
        values.map do |value|
          text = value.abs.to_s.delete_suffix('.0')
          next "× #{text}" if multiple?
          next "#{value.negative? ? '−' : '+'}#{text}" if added?

          "#{SIGNS.fetch(@rule['rule'])} #{'−' if value.negative?}#{text}"
        end
      end

      private

      # Is what passes as many times as wide as the number is large?
      def scaled? = multiple? || place.first == 'width'

      # Do the four numbers multiply what they are of?
      def multiple? = %w[times share].include?(place.last)

      # Told by the stages, or by what the day gives.
      def only_where
        left, sign, right = @rule['only_if']
        unless left.is_a?(Array)
          return Text.of('only where %{left} %{sign} %{right}',
                         left: words(left), sign: sign.sub('>=', '≥').sub('<=', '≤'), right: words(right))
        end

        judged = Standard::STAGES.zip(left).select { |_, value| value.public_send(sign, right) }.map(&:first)
        Text.of('only at %{judged}', judged: judged.map { |stage| Text.of(stage) }.join(', '))
      end

      # Do they come on top of what the day gives?
      def added? = place.last == 'plus' || (place == %w[limit] && @rule['limit'].is_a?(String))
      def words(amount) = Amount.words(amount)
      def of_width = @rule['width'].is_a?(Hash) ? "× #{words(@rule['width']['of'])}" : nil

      def of_limit
        limit = @rule['limit']
        return "#{words(limit)} +" if limit.is_a?(String)
        return nil unless limit.is_a?(Hash)
        if limit.key?('larger_of')
          return Text.of('the larger of %{drop} and %{of_first}',
                         drop: limit['larger_of'].drop(1).map { |a| words(a) }.join(', '), of_first: of_first(limit))
        end

        "#{words(limit['of'])} #{limit.key?('plus') ? '+' : '×'}"
      end

      def of_first(limit) = "#{words(limit['larger_of'].first['of'])} +"

      def place = @place ||= PLACES.find { |path| dig(path) && !(dig(path).is_a?(Hash) && path.size == 1) }

      def dig(path)
        path.reduce(@rule) do |at, key|
          case at
          when Hash then at[key]
          when Array then at[key.to_i] if key.match?(/\A\d+\z/)
          end
        end
      end

      def put(at, path, value)
        return value if path.empty?

        key, *rest = path
        return at.each_with_index.map { |part, i| i == key.to_i ? put(part, rest, value) : part } if at.is_a?(Array)

        at.merge(key => put(at[key], rest, value))
      end
    end
  end
end
