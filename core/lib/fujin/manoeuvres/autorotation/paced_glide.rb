# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The glide between entry and flare at one pace. A pace that is not the house's, stretched or slow, ends above the
      # gate: house speed and rotor rpm are won back first, and what that costs or gives in height is part of the reach.
      class PacedGlide
        Q = Quantities

        # Chosen: speed and rotor rpm are changed in this time and held steady for this long before the gate, seconds.
        RESTORING_S = 6.0
        STEADY_S = 3.0

        # One steady stretch: `height_m` lost at `sink_m_s`, the airspeed equivalent, knots.
        Leg = Value.define(:speed_kt, :rotor_pct, :sink_m_s, :height_m) do
          def seconds = height_m / sink_m_s
        end

        # @param pace [SpotOptions::Pace] of this glide, @param usual [SpotOptions::Pace] of the house's
        # @param gate_above_flare_m [Float] how far the gate lies over the flare's beginning
        def initialize(conditions, trim:, pace:, usual:, gate_above_flare_m:)
          @conditions = conditions
          @trim = trim
          @pace = pace
          @usual = usual
          @gate_above_flare_m = gate_above_flare_m
        end

        def restored? = @pace != @usual

        # Least height over the flare's beginning from which this glide can still be flown, metres.
        def least_height_m = restored.sum(&:height_m)

        # @param height_m [Float] from the entry's end to the flare's beginning
        # @return [Array<Leg>]
        # @raise [OutsideModel] without the height to win speed and rotor rpm back before the gate
        def legs(height_m)
          left = height_m - least_height_m
          if restored? && left.negative?
            raise OutsideModel,
                  Text.of('no height is left to have %{speed_kt} kt and %{target_pct} % back before the gate: ' \
                    '%{left} ft too low',
                          speed_kt: @usual.speed_kt.round, target_pct: @usual.target_pct.round,
                          left: (-left / Q::FT).ceil)
          end

          [leg(@pace, [left, 0.0].max), *restored]
        end

        # The legs that win speed and rotor rpm back; none for the house's own pace.
        # @return [Array<Leg>]
        def restored
          @restored ||= restored? ? [restoring, leg(@usual, @gate_above_flare_m + (sink(@usual) * STEADY_S))] : []
        end

        private

        def sink(pace) = @trim.autorotation_sink_m_s(pace.speed_kt, rotor_pct: pace.target_pct)

        def leg(pace, height_m) =
          Leg.new(speed_kt: pace.speed_kt, rotor_pct: pace.target_pct, sink_m_s: sink(pace), height_m: height_m)

        # What the mean sink takes in that time, and the difference of speed's and rotor's energy as height.
        def restoring
          height = (RESTORING_S * (sink(@pace) + sink(@usual)) / 2.0) + energy_m(@usual) - energy_m(@pace)
          height = [height, 0.1].max
          Leg.new(
            speed_kt: (@pace.speed_kt + @usual.speed_kt) / 2.0,
            rotor_pct: (@pace.target_pct + @usual.target_pct) / 2.0,
            sink_m_s: height / RESTORING_S,
            height_m: height
          )
        end

        # Speed's and rotor's energy as a height, metres.
        def energy_m(pace)
          ledger = Planning::EnergyLedger
          (ledger.speed_ft(pace.speed_kt, @conditions) + ledger.rotor_ft(pace.target_pct, @conditions)) * Q::FT
        end
      end
    end
  end
end
