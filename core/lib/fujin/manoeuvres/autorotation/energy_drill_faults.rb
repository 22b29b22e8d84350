# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Faults of an energy drill: the rotor kept in its band by small checks while speed goes up and down.
      class EnergyDrillFaults
        include Grading::FaultFinding
        include BigCheck

        private

        def glide = @attempt.phases.first
        def one_big_check = big_check(glide.start_s, glide.end_s)

        def low_rotor_rpm =
          if surely_under?('glide_rotor_rpm_min_pct', @context.type.power_off_band[0])
            rotor('low_rotor_rpm', 'glide_rotor_rpm_min_pct')
          else
            nil
          end

        def high_rotor_rpm =
          if surely_over?('glide_rotor_rpm_max_pct', @context.type.power_off_band[1])
            rotor('high_rotor_rpm', 'glide_rotor_rpm_max_pct')
          else
            nil
          end

        def rotor(id, measure_id) =
          found(
            id,
            "#{in_words(measure(measure_id))}, the band is #{@context.type.power_off_band.join(' to ')} %",
            [measure_id]
          )
      end
    end
  end
end
