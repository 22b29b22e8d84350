# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # What of today's limits an approach breaks.
      class ApproachLimits
        # Within what is read off the drawn path, m.
        SHORT_M = 0.5

        # @param approach [FlownApproach]
        def initialize(approach)
          @approach = approach
          @day = approach.day
        end

        # @return [Array<Reason>] the angle first, then wind, sink, power
        def breaches
          return [breach('angle_needed_deg', @approach.angle_needed.high, @day.clearances.steepest_deg)] if no_angle?
          return [] unless @day.wind

          [tailwind, off_the_nose, from_the_lee, crosswind, gust, bend, *flown, power].compact
        end

        private

        def no_angle? = @approach.angle_deg.value.nil?
        def breach(number, value, limit) = Reason.new(number: number, value: value, limit: limit)

        def tailwind
          little = @approach.kind == 'steep' || (@day.margin_pct || -1.0) < FlownApproach::LITTLE_PCT
          limit = little ? 0.0 : FlownApproach::TAILWIND_KT
          behind = -@day.headwind_kt(@approach.course_deg)
          breach('tailwind_kt', behind, limit) if behind > limit + 1e-9
        end

        # Onto a pinnacle from the windward side, never from the lee.
        def off_the_nose
          return nil unless @day.site.surroundings_ft&.negative? && @day.wind.speed_kt >= SiteCautions::LIGHT_KT

          off = Quantities.wrap_deg(@day.wind.from_deg - @approach.course_deg).abs
          breach('wind_off_nose_deg', off, SiteCautions::OFF_NOSE_DEG) if off > SiteCautions::OFF_NOSE_DEG
        end

        def from_the_lee
          return nil unless @day.site.surroundings_ft&.negative?

          region = @approach.lee
          breach('from_the_lee', region.obstacle.id, nil) if region&.obstacle&.ground?
        end

        def crosswind
          across = @day.crosswind_kt(@approach.course_deg).abs
          limit = @day.stage_limits.crosswind
          breach('crosswind_kt', across, limit) if across > limit
        end

        def gust
          spread = @day.wind.gust_spread_kt
          limit = @day.stage_limits.gust_spread
          breach('gust_spread_kt', spread, limit) if spread > limit
        end

        def bend
          @approach.bent_wrong && breach('bend_deg', @approach.bends.max, FlownApproach::BEND_DEG)
        rescue OutsideModel
          nil
        end

        # Margin from vortex ring, and the sink allowed at each speed.
        def flown
          ring = @approach.plan.value('vortex_ring_margin_fpm')
          sink = @approach.plan.value('sink_margin_fpm')
          [(breach('vortex_ring_margin_fpm', ring, 0.0) if ring && ring <= 0.0),
           (breach('sink_margin_fpm', sink, 0.0) if sink && sink < -1.0),
           over_the_tops]
        rescue OutsideModel => e
          [breach('plan', nil, e.message)]
        end

        # Where the sink allowed flattens the line, it may pass lower over a top than the house keeps.
        def over_the_tops
          short = @approach.shortest_over
          if short && short[0] < short[1] - SHORT_M
            breach('least_clearance_ft', short[0] / Quantities::FT,
                   short[1] / Quantities::FT)
          end
        end

        def power
          margin = @day.margin_ige_pct
          limit = FlownApproach::LITTLE_PCT
          breach('power_margin_ige_pct', margin, limit) if margin.nil? || margin < limit
        end
      end
    end
  end
end
