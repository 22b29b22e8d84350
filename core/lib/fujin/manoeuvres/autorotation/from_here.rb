# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What reaches the spot from a height and a distance before it, straight towards it: each way with how much of it
      # is the least that does, and how likely it is that the spot lies within what that way can reach, the glide being
      # as uncertain as the plan's entry distance.
      class FromHere
        # Turned to either side of an S-turn, degrees: less is no turn, more turns the spot out of sight. Chosen.
        S_TURNS_DEG = (10.0..60.0)
        TRIED_DEG = 10.0
        # Less likely than this, a way is none; none more likely than that, it is another spot. Chosen.
        LEAST_CHANCE = 0.05
        WANTED_CHANCE = 0.5
        CIRCLE_DEG = [360.0].freeze
        # One after another.
        S_TURNS = { 1 => 'An S-turn', 2 => 'Two S-turns', 3 => 'Three S-turns' }.freeze
        # Nobody counts less. Chosen.
        LEAST_DELAY_S = 1.0
        # Less of another speed is not said in parts. Chosen.
        LEAST_SHARE_PCT = 5.0
        FEET = Quantities::FT

        # @!attribute id [String], amount [Float, nil] of `unit`, chance [Float] 0..1, text [String] what to do
        Way = Value.define(:id, :text, :amount, :unit, :chance)
        # What a way can reach: nearest and farthest, metres, and what does it there.
        Span = Value.define(:id, :near_m, :far_m, :told)

        # @param options [SpotOptions] of the usual glide from that height, the course straight to the spot
        # @param distance_ft [Float] to the spot, @param allowed_ft [Float] beside it and still at it
        # @param spread_ft [Float] one standard deviation of where a glide ends
        def initialize(options, distance_ft:, allowed_ft:, spread_ft:)
          @options = options
          @distance_m = distance_ft * FEET
          @allowed_m = allowed_ft * FEET
          @spread_m = spread_ft * FEET
        end

        # @return [Array<Way>] the likeliest first; empty where another spot is the answer
        def ways
          return [] if chance_of_any < WANTED_CHANCE

          spans.filter_map { |span| way(span) }.sort_by { |one| -one.chance }
        end

        # That one way or another reaches it.
        # @return [Float]
        def chance_of_any
          reached = spans.map { |span| [span.near_m - @allowed_m, span.far_m + @allowed_m] }.sort
          together = reached.each_with_object([]) do |(near, far), all|
            all.any? && near <= all.last[1] ? all.last[1] = [all.last[1], far].max : all << [near, far]
          end
          together.sum { |near, far| between(near, far) }
        end

        private

        def usual_m = @usual_m ||= @options.ahead_m

        def spans
          @spans ||= [glide, delay, stretch, slow, *s_turns, slow_s_turn, circle, circle_s_turn].compact
        end

        def span(id, near_m, far_m, &told) = Span.new(id: id, near_m: near_m, far_m: far_m, told: told)

        # Of an option outside the model, nothing.
        def reached(...)
          @options.ahead_m(...)
        rescue OutsideModel
          nil
        end

        def glide = span('glide', usual_m, usual_m) { [nil, 's', 'The house glide, as it is.'] }

        def delay
          span('delay', usual_m, Float::INFINITY) do
            seconds = (@distance_m - usual_m) / @options.level_m_s
            if seconds >= LEAST_DELAY_S
              [seconds, 's', Text.of('Level for %{seconds} s more before the power comes off.', seconds: seconds.round)]
            end
          end
        end

        def stretch
          far = reached('stretch')
          far && span('stretch', usual_m, far) { shared('Stretched', usual_m, far) }
        end

        def slow
          near = reached('slow')
          near && span('slow', near, usual_m) { shared('Slow', usual_m, near) }
        end

        # So much of the glide at the other speed, the rest at the house's.
        def shared(word, from_m, to_m)
          share = 100.0 * ((@distance_m - from_m) / (to_m - from_m)).clamp(0.0, 1.0)
          return [0.0, 'pct', Text.of('%{word} as needed on the way.', word: word)] if share < LEAST_SHARE_PCT

          [share, 'pct', Text.of("%{word} for %{share} % of the glide, then at the house's speed.",
                                 word: word, share: share.round(-1))]
        end

        def s_turns
          S_TURNS.map { |count, words| turned("s_turn_#{count}", 'glide', words) { |deg| s_of(deg) * count } }
        end

        def slow_s_turn = turned('slow_s_turn', 'slow', 'Slow, and an S-turn') { |deg| s_of(deg) }

        def circle_s_turn =
          turned('circle_s_turn', 'glide', 'A full circle, then an S-turn') { |deg| CIRCLE_DEG + s_of(deg) }

        def circle
          near, middle, far = %w[slow glide stretch].map { |option| reached(option, turns_deg: CIRCLE_DEG) }
          middle && span('circle', near || middle, far || middle) do
            [nil, 'deg', 'A full circle, then straight on, slow or stretched as needed.']
          end
        end

        def s_of(deg) = [deg, -2.0 * deg, deg]

        # From the smallest S-turn to the largest that there is height for: the least that ends at the spot.
        # @yield [deg] the turns for so many degrees to each side
        def turned(id, option, words, &turns)
          far, *others = S_TURNS_DEG.step(TRIED_DEG).map { |deg| [deg, reached(option, turns_deg: yield(deg))] }
          most, near = others.reverse.find { |_, metres| metres }
          return nil unless far.last && near

          span(id, near, far.last) do
            deg = least_turn(option, most, &turns)
            [deg, 'deg', Text.of('%{words} of %{deg}° to each side.', words: words, deg: deg.round)] if deg
          end
        end

        def least_turn(option, most_deg)
          Roots.find(S_TURNS_DEG.begin, most_deg, tolerance: 0.5, what: 'least S-turn') do |deg|
            (@options.ahead_m(option, turns_deg: yield(deg)) - @distance_m) / 100.0
          end
        rescue OutsideModel
          nil
        end

        def way(span)
          likely = chance(span)
          return nil if likely < LEAST_CHANCE

          amount, unit, text = span.told.call
          text && Way.new(id: span.id, text: text, amount: amount, unit: unit, chance: likely)
        end

        # That the glide, being what it is, lets this way end within what is allowed of the spot.
        def chance(span) = between(span.near_m - @allowed_m, span.far_m + @allowed_m)
        def between(near_m, far_m) = below(far_m - @distance_m) - below(near_m - @distance_m)

        # Normal distribution function.
        def below(metres)
          return 1.0 if metres.infinite?

          0.5 * (1.0 + Math.erf(metres / (@spread_m * Math.sqrt(2.0))))
        end
      end
    end
  end
end
