# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Where landings end when a plan is flown again and again with a student's own spread: a reduced model
      # (OptionRoute). Runs are seeded, so the same question has the same answer.
      #
      # Along the final course the glide goes where it goes. Across it a pilot steers: what a turn leaves beside the
      # line is closed on the final glide, which costs some of the way, and only what is left scatters.
      #
      # Places are where the run ends, in feet along and across from the spot, if the entry is where it was planned; an
      # entry moved over the ground moves them all with it, which is what makes a field of answers possible
      # (DispersionField).
      class Dispersion
        Q = Quantities
        OPTIONS = %w[glide slow stretch delay s_turn circle].freeze
        # What one run does differently from the plan.
        Deviation =
          Value.define(
            :speed_kt, :rotor_pct, :delay_s, :flare_height_ft, :entry_ft, :across_ft, :bank_deg, :headwind_kt
          )

        NONE =
          Deviation.new(
            speed_kt: 0.0,
            rotor_pct: 0.0,
            delay_s: 0.0,
            flare_height_ft: 0.0,
            entry_ft: 0.0,
            across_ft: 0.0,
            bank_deg: 0.0,
            headwind_kt: 0.0
          )
        # Of what a late collective flies on at the entry's speed and sink, so much stays: the rest is won back as rotor
        # rpm and speed. Fitted to full flights.
        LATE_ALONG = 0.15
        LATE_DOWN = 0.25
        # An offset that is left when the flare begins is closed on for so long yet, until the ground is near; banked
        # and slipping, the flare ends sooner by so much for each m². Fitted to full flights.
        FLARE_CLOSES_S = 1.3
        FLARED_BESIDE = 0.004
        # Runs that say how far the plan scatters when its entry does not.
        EXPLAINING_RUNS = 400
        private_constant :LATE_ALONG, :LATE_DOWN, :FLARE_CLOSES_S, :FLARED_BESIDE, :EXPLAINING_RUNS

        # @param planner [Class] of the autorotation family
        # @param settings [Hash] the exercise's own
        # @param spread [Spread]
        def initialize(
          conditions,
          house,
          planner: StraightInPlan,
          course_deg: nil,
          height_ft: nil,
          settings: {},
          spread: Spread.default
        )
          @conditions = conditions
          @house = house
          @spread = spread
          @course_deg = course_deg || conditions.wind.from_deg
          @plan =
            ->(option, height) do
              planner.new(
                conditions,
                house,
                course_deg: @course_deg,
                height_ft: height,
                settings: settings.merge('spot_option' => { 'glide' => 'none' }.fetch(option, option))
              ).chosen
            end
          @base = @plan.call('glide', height_ft)
          @height_ft = @base.targets['entry_height_ft']
          @routes = {}
        end

        # Options that today's height has room for.
        def options = @options ||= OPTIONS.select { |option| route(option) }

        # @return [Array<Array(Float, Float)>] `count` places of one option
        def places(option, count, seed: 1)
          random = Random.new((seed * 1000) + OPTIONS.index(option))
          Array.new(count) { place(option, deviation(random)) }
        end

        # One run's place.
        def place(option, deviation)
          flown = route(option)
          begun = flown.begun(deviation.speed_kt, deviation.rotor_pct, deviation.bank_deg, deviation.headwind_kt)
          flared = flown.flared(deviation.speed_kt, deviation.rotor_pct, deviation.flare_height_ft)
          final_m =
            flown.final_glide_m(height_left_m(begun, deviation), deviation.speed_kt, deviation.rotor_pct) do |kt|
              ground(@conditions.atmosphere.true_speed(kt * Q::KT), deviation)
            end
          before = flown.level_m - (deviation.entry_ft * Q::FT) + (entry_speed * deviation.delay_s * LATE_ALONG)
          beside = entry_m[1] + (before * Math.sin(flown.track)) + begun.across_m
          speed = final_speed(flown, deviation)
          seconds = [begun.lined_up_s + (final_m / speed), 0.0].max
          within = LineClosing.closable_m(beside, seconds * speed)
          left = beside - within + (within * LineClosing.left_after(seconds))
          along =
            entry_m[0] + (before * Math.cos(flown.track)) + begun.along_m + final_m + flared.along_m -
            (deviation.headwind_kt * Q::KT * (begun.seconds + flared.seconds)) -
            LineClosing.cost_m(within, seconds, true_speed(flown, deviation)) - (FLARED_BESIDE * (left**2))
          [along / Q::FT, (left * LineClosing.left_after(FLARE_CLOSES_S) / Q::FT) + deviation.across_ft]
        end

        def final_speed(flown, deviation) =
          [ground(true_speed(flown, deviation), deviation), 1.0].max

        def true_speed(flown, deviation) =
          @conditions.atmosphere.true_speed([flown.speed_kt + deviation.speed_kt, 1.0].max * Q::KT)

        # Where the option's own entry lies from the planned one: how far it goes beyond (+) or short of the spot, ft.
        def offset_ft(option) = place(option, NONE)[0]

        # One standard deviation of where the entry is. A student's own misses hold all their scatter: the entry has
        # what the rest of the spread does not explain, so that nothing counts twice.
        def entry_ft
          @entry_ft ||= if @spread.miss_along_ft
                          Math.sqrt([(@spread.miss_along_ft**2) - explained_variance, 0.0].max)
                        else
                          @spread.entry_ft
                        end
        end

        # One run's deviations, drawn.
        # @param entry [Float] one standard deviation of where the entry is, feet
        def deviation(random, entry = entry_ft)
          Deviation.new(
            speed_kt: NormalRandom.draw(random) * @spread.speed_kt,
            rotor_pct: NormalRandom.draw(random) * @spread.rotor_pct,
            delay_s: (NormalRandom.draw(random) * @spread.delay_s).abs,
            flare_height_ft: NormalRandom.draw(random) * @spread.flare_height_ft,
            entry_ft: NormalRandom.draw(random) * entry,
            across_ft: NormalRandom.draw(random) * @spread.across_ft,
            bank_deg: NormalRandom.draw(random) * @spread.bank_deg,
            headwind_kt: NormalRandom.draw(random) * wind_kt
          )
        end

        private

        def explained_variance
          random = Random.new(0)
          ends = Array.new(EXPLAINING_RUNS) { place('glide', deviation(random, 0.0))[0] }
          ends.sum { |along| along * along } / ends.size
        end

        # The mean wind's own uncertainty and what a gusty flight averages to.
        def wind_kt =
          @wind_kt ||=
            Math.hypot(@spread.wind_kt, @conditions.wind.gust_spread_kt / Flight::WindField::GUST_SIGMAS / 2.0)

        def targets = @targets ||= @base.targets
        def entry_m = @entry_m ||= @base.parts.entry_m
        def entry_speed = targets['entry_speed_kt'] * Q::KT
        def entry_sink = targets['glide_sink_fpm'] * Q::FPM
        def to_glide_m = (@height_ft - targets['flare_height_ft']) * Q::FT

        # Height left for the final glide, metres; under none, the flare comes before the glide has settled.
        def height_left_m(begun, deviation) =
          to_glide_m - begun.height_m - (deviation.flare_height_ft * Q::FT) -
            (entry_sink * deviation.delay_s * LATE_DOWN)

        def ground(true_speed, deviation)
          across = @conditions.wind.crosswind_kt(@course_deg) * Q::KT
          ahead = true_speed > across.abs ? Math.sqrt((true_speed**2) - (across**2)) : 0.0
          ahead - ((@conditions.wind.headwind_kt(@course_deg) + deviation.headwind_kt) * Q::KT)
        end

        # @return [OptionRoute, nil] nil when the height has no room for it
        def route(option) = @routes.fetch(option) { @routes[option] = build(option) }

        def build(option)
          route =
            OptionRoute.new(
              @plan.call(option, @height_ft),
              @conditions,
              course_deg: @course_deg,
              delay_s: option == 'delay' ? SpotOptions::DELAY_S : 0.0
            )
          SpotOptions::TURNS_DEG.key?(option) && !room?(route) ? nil : route
        rescue OutsideModel, InvalidInput
          nil
        end

        # Out of the turns with at least half of the house's height over the flare left, the shallowest bank included.
        def room?(route)
          least = (@house.turn_out_ft - targets['flare_height_ft']) * Q::FT * 0.5
          to_glide_m - route.begun(0.0, 0.0, -OptionRoute::FLOWN_STEPS.fetch(:bank_deg), 0.0).height_m > least
        end
      end
    end
  end
end
