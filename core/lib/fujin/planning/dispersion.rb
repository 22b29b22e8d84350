# frozen_string_literal: true

module Fujin
  module Planning
    # Where landings end when a plan is flown again and again with a student's own spread: a reduced model. Entry and flare
    # are the plan's flown segments; the glide is steady at the speed and rotor rpm of each run; turns cost what their bank
    # costs. Runs are seeded, so the same question has the same answer.
    #
    # Across the line a pilot steers: only what is left of that at the end scatters. Along it the glide goes where it goes.
    #
    # Places are where the run ends, in feet along and across from the spot, if the entry is where it was planned; an entry
    # moved over the ground moves them all with it, which is what makes a field of answers possible (DispersionField).
    class Dispersion
      Q = Quantities
      OPTIONS = %w[glide slow stretch delay s_turn circle].freeze
      # Speeds and rotor rpm at which the sink is worked out; between them it is bilinear.
      SPEED_STEPS_KT = [-18.0, -9.0, 0.0, 9.0, 18.0].freeze
      ROTOR_STEPS_PCT = [-8.0, 0.0, 8.0].freeze

      # What one run does differently from the plan.
      Deviation = Value.define(:speed_kt, :rotor_pct, :delay_s, :flare_height_ft, :entry_ft, :across_ft, :bank_deg, :headwind_kt)

      # @param spread [Spread]
      def initialize(conditions, house, course_deg: nil, height_ft: 1000.0, spread: Spread.default)
        @conditions = conditions
        @house = house
        @spread = spread
        @plan = ->(option) { StraightInPlan.new(conditions, house, course_deg: course_deg, height_ft: height_ft, settings: { 'spot_option' => option }) }
        @base = @plan.call('none')
        @course_deg = course_deg || conditions.wind.from_deg
        @height_ft = height_ft
        @trim = conditions.trim
        @legs = {}
      end

      # Options that today's height has room for.
      def options = @options ||= OPTIONS.select { |option| leg(option) }

      # @return [Array<Array(Float, Float)>] `count` places of one option
      def places(option, count, seed: 1)
        random = Random.new((seed * 1000) + OPTIONS.index(option))
        Array.new(count) { place(option, deviation(random)) }
      end

      # One run's place.
      def place(option, deviation)
        flown = leg(option)
        speed = @conditions.atmosphere.true_speed((flown.speed_kt + deviation.speed_kt) * Q::KT)
        sink = flown.sink(deviation.speed_kt, deviation.rotor_pct)
        turn_m = flown.turn_height_m(deviation.bank_deg)
        glide_m = ((@height_ft - flare_ft) * Q::FT) - @entry_lost_m - turn_m - (deviation.flare_height_ft * Q::FT) - (entry_sink * deviation.delay_s * 0.25)
        seconds = [glide_m, 0.0].max / sink
        along = flown.fixed_m + flown.turn_ahead_m + (ground(speed, deviation) * seconds) + (deviation.flare_height_ft * Q::FT * FLOAT) +
                (entry_speed * deviation.delay_s * 0.15) - (deviation.headwind_kt * Q::KT * flown.other_s)
        [((along - planned_m) / Q::FT) - deviation.entry_ft, deviation.across_ft]
      end

      # Where the option's own entry lies from the planned one: how far it goes beyond (+) or short of the spot, ft.
      def offset_ft(option) = place(option, NONE)[0]

      NONE = Deviation.new(speed_kt: 0.0, rotor_pct: 0.0, delay_s: 0.0, flare_height_ft: 0.0, entry_ft: 0.0, across_ft: 0.0, bank_deg: 0.0, headwind_kt: 0.0)
      # A flare begun higher floats farther: metres over the ground for each metre of height.
      FLOAT = 1.9
      private_constant :FLOAT

      # What an option flies, worked out once.
      class Leg
        attr_reader :speed_kt, :fixed_m, :turn_ahead_m, :other_s

        def initialize(speed_kt:, sinks:, fixed_m:, turn_ahead_m: 0.0, turn_heights_m: nil, other_s: 0.0)
          @speed_kt = speed_kt
          @sinks = sinks
          @fixed_m = fixed_m
          @turn_ahead_m = turn_ahead_m
          @turn_heights_m = turn_heights_m
          @other_s = other_s
        end

        # Bilinear in the speed's and the rotor's deviation.
        def sink(speed_kt, rotor_pct)
          i, s = between(SPEED_STEPS_KT, speed_kt)
          j, r = between(ROTOR_STEPS_PCT, rotor_pct)
          low = @sinks[i][j] + ((@sinks[i][j + 1] - @sinks[i][j]) * r)
          high = @sinks[i + 1][j] + ((@sinks[i + 1][j + 1] - @sinks[i + 1][j]) * r)
          low + ((high - low) * s)
        end

        # Height the turns take with another bank: straight lines through eight degrees either way.
        def turn_height_m(bank_deg)
          return 0.0 unless @turn_heights_m

          low, middle, high = @turn_heights_m
          share = bank_deg.clamp(-8.0, 8.0) / 8.0
          middle + (share.negative? ? (middle - low) * share : (high - middle) * share)
        end

        private

        def between(steps, value)
          value = value.clamp(steps.first, steps.last)
          i = [steps.index { |step| step > value } || (steps.size - 1), steps.size - 1].min - 1
          [i, (value - steps[i]) / (steps[i + 1] - steps[i])]
        end
      end
      private_constant :Leg

      private

      def deviation(random)
        Deviation.new(speed_kt: normal(random) * @spread.speed_kt, rotor_pct: normal(random) * @spread.rotor_pct, delay_s: (normal(random) * @spread.delay_s).abs,
                      flare_height_ft: normal(random) * @spread.flare_height_ft, entry_ft: normal(random) * @spread.entry_ft, across_ft: normal(random) * @spread.across_ft,
                      bank_deg: normal(random) * @spread.bank_deg, headwind_kt: normal(random) * wind_kt)
      end

      # Box and Muller.
      def normal(random) = Math.sqrt(-2.0 * Math.log(1.0 - random.rand)) * Math.cos(2.0 * Math::PI * random.rand)

      # The mean wind's own uncertainty and what a gusty flight averages to.
      def wind_kt = @wind_kt ||= Math.hypot(@spread.wind_kt, @conditions.wind.gust_spread_kt / Flight::WindField::GUST_SIGMAS / 2.0)

      def flare_ft = @flare_ft ||= @base.targets['flare_height_ft']
      def entry_speed = @entry_speed ||= @base.targets['entry_speed_kt'] * Q::KT
      def entry_sink = @entry_sink ||= @base.targets['glide_sink_fpm'] * Q::FPM
      def planned_m = @planned_m ||= @base.entry_distance_m

      def ground(true_speed, deviation)
        across = @conditions.wind.crosswind_kt(@course_deg) * Q::KT
        ahead = true_speed > across.abs ? Math.sqrt((true_speed**2) - (across**2)) : 0.0
        ahead - ((@conditions.wind.headwind_kt(@course_deg) + deviation.headwind_kt) * Q::KT)
      end

      # @return [Leg, nil] nil when the height has no room for it
      def leg(option) = @legs.fetch(option) { @legs[option] = build(option) }

      def build(option)
        plan = @plan.call(%w[slow stretch].include?(option) ? option : 'none')
        targets = plan.targets
        @entry_lost_m ||= plan.entry_height_lost_m
        fixed, seconds = plan.entry_and_flare
        shift = option == 'delay' ? entry_ground * SpotOptions::DELAY_S : 0.0
        turned = turns(option, targets)
        return nil if turned && !room?(turned)

        Leg.new(speed_kt: targets['glide_speed_kt'], sinks: sinks(targets), fixed_m: fixed + shift, other_s: seconds + (turned ? turned[:seconds] : 0.0),
                turn_ahead_m: turned ? turned[:ahead] : 0.0, turn_heights_m: turned && turned[:heights])
      rescue OutsideModel
        nil
      end

      def entry_ground = @conditions.wind.groundspeed_kt(@course_deg, @conditions.atmosphere.true_speed(@base.targets['entry_speed_kt'])) * Q::KT

      def sinks(targets)
        SPEED_STEPS_KT.map do |kt|
          ROTOR_STEPS_PCT.map { |pct| @trim.autorotation_sink_m_s([targets['glide_speed_kt'] + kt, 20.0].max, rotor_pct: [targets['target_rotor_rpm_pct'] + pct, 84.0].max) }
        end
      end

      def turns(option, targets)
        degrees = { 's_turn' => [1.0, -2.0, 1.0].map { |n| n * SpotOptions::S_TURN_DEG }, 'circle' => [360.0] }[option] or return nil
        flown = [-8.0, 0.0, 8.0].map { |bank| degrees.map { |deg| turn(deg, SpotOptions::BANK_DEG + bank, targets) } }
        middle = flown[1]
        seconds = middle.sum(&:duration_s)
        { heights: flown.map { |all| all.sum(&:height_lost_m) }, seconds: seconds, ahead: ahead(middle) - (@conditions.wind.headwind_kt(@course_deg) * Q::KT * seconds) }
      end

      def turn(deg, bank, targets)
        Flight::AutorotationTurn.of(@trim, speed_kt: targets['glide_speed_kt'], turn_deg: deg, bank_deg: bank, rotor_pct: targets['target_rotor_rpm_pct']).fly
      end

      def ahead(turns)
        heading = 0.0
        turns.sum do |flown|
          last = flown.rows.last
          gained = (last[1] * Math.cos(heading)) - (last[2] * Math.sin(heading))
          heading += last[4]
          gained
        end
      end

      def room?(turned) = ((@height_ft - flare_ft) * Q::FT) - @entry_lost_m - turned[:heights].first > (@house.turn_out_ft - flare_ft) * Q::FT * 0.5
    end
  end
end
