# frozen_string_literal: true

require 'yaml'

module Fujin
  module Grading
    # A versioned tolerance set for one manoeuvre; it turns a number into a verdict (docs/reference/standards.md).
    class Standard
      FOLDER = File.expand_path('../../../data/standards', __dir__)
      STAGES = %w[early solo test instructor].freeze
      VERDICTS = %w[polished in marginal out].freeze

      # The limits one measure is held to. Bounds are nil where that side is free.
      # polished, in and marginal are [low, high] pairs, nested.
      Band =
        Value.define(:target, :polished, :in, :marginal, :worst_best, :critical_low, :critical_high) do
          # @return [String] one of VERDICTS
          def verdict(value)
            found =
              { 'polished' => polished, 'in' => self.in, 'marginal' => marginal }.find do |_, range|
                inside?(value, range)
              end
                &.first || 'out'
            worst_best && !inside?(value, worst_best) && %w[polished in].include?(found) ? 'marginal' : found
          end

          def critical?(value)
            (critical_low && value < critical_low) || (critical_high && value > critical_high) || false
          end

          # All that the standard lets pass: the width of the band, or from polished to marginal where one side is free.
          # @return [Float, nil]
          def room
            low, high = self.in
            return high - low if low && high

            [polished, marginal].transpose.filter_map { |a, b| (b - a).abs if a && b }.max
          end

          private

          # A hair of tolerance, so that a value on the limit is inside it.
          def inside?(value, range)
            low, high = range
            (low.nil? || value >= low - 1e-9) && (high.nil? || value <= high + 1e-9)
          end
        end

      attr_reader :version, :rules

      # @param path [String] of a file of rules; what it includes is part of it
      # @return [Standard]
      def self.load(path)
        data = YAML.safe_load_file(path)
        shared = data['includes'] ? load(File.join(FOLDER, "#{data['includes']}.yml")).rules : {}
        new(data.fetch('version'), data.fetch('measures').merge(shared))
      end

      # What is alike for every manoeuvre.
      # @return [Standard]
      def self.usual = @usual ||= load(File.join(FOLDER, 'usual.yml'))

      # @param rules [Hash{String => Hash}] by measure
      def initialize(version, rules)
        @version = version
        @rules = rules.freeze
        freeze
      end

      # @param targets [Hash{String => Float}] what the names in the rules stand for today
      # @param planned [Boolean] whether a plan of the sortie is attached
      # @return [Band, nil] nil when the measure is shown but not judged
      def band(measure, stage, targets, planned: true)
        rule = rules[measure]
        return nil if rule.nil? || (rule['planned_only'] && !planned)

        Rule.new(
          rule,
          STAGES.index(stage) || raise(UnknownName, "no stage #{stage.inspect}: use #{STAGES.join(', ')}"),
          targets
        ).band
      end

      # One line of the data file with the day's targets put in.
      class Rule
        def initialize(rule, stage, targets)
          @rule = rule
          @stage = stage
          @targets = targets
        end

        def band
          case @rule['rule']
          when 'around'
            around(width)
          when 'percent_of'
            around(target * width / 100.0)
          when 'at_most'
            at_most
          when 'at_least'
            at_least
          end
        end

        private

        def width = @rule['widths'][@stage].to_f
        def target = number(@rule['target'])
        def number(value) = value.is_a?(String) ? @targets.fetch(value).to_f : value.to_f
        def optional(key) = @rule.key?(key) ? number(@rule[key]) : nil

        def around(wide)
          centre = target
          marginal = optional('marginal_at') || (1.5 * wide)
          ranges = [0.5 * wide, wide, marginal].map { |w| one_sided([centre - w, centre + w]) }
          build(centre, *ranges)
        end

        # 'glide_ias_min_kt' can only be too low, its partner only too high.
        def one_sided(range)
          case @rule['side']
          when 'low'
            [range[0], nil]
          when 'high'
            [nil, range[1]]
          else
            range
          end
        end

        def at_most
          limit = stage_limit + (optional('in_step') || 0.0)
          polished = optional('polished_at') || (limit - @rule['polished_step'])
          marginal = optional('marginal_at') || (limit + @rule['marginal_step'])
          build(limit, [nil, polished], [nil, limit], [nil, marginal])
        end

        def at_least
          limit = stage_limit
          build(limit, [limit + @rule['polished_step'], nil], [limit, nil], [limit - @rule['marginal_step'], nil])
        end

        def stage_limit
          base = @rule['limits'] ? @rule['limits'][@stage].to_f : number(@rule['limit'])
          base + (@rule['offsets'] ? @rule['offsets'][@stage] : 0.0)
        end

        def build(centre, polished, inside, marginal)
          Band.new(
            target: centre,
            polished: polished.freeze,
            in: inside.freeze,
            marginal: marginal.freeze,
            worst_best:
              @rule['band'] ? [@targets.fetch('power_off_low_pct'), @targets.fetch('power_off_high_pct')] : nil,
            critical_low: optional('critical_below'),
            critical_high: optional('critical_above')
          )
        end
      end
      private_constant :Rule
    end
  end
end
