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
          bad?('glide_rotor_rpm_min_pct') ? rotor('low_rotor_rpm', 'glide_rotor_rpm_min_pct') : nil

        def high_rotor_rpm =
          bad?('glide_rotor_rpm_max_pct') ? rotor('high_rotor_rpm', 'glide_rotor_rpm_max_pct') : nil

        def rotor(id, measure_id) =
          found(
            id,
            Text.of('%{measure_id}, the band is %{power_off_band} %',
                    measure_id: in_words(measure(measure_id)),
                    power_off_band: @context.type.power_off_band.join(' to ')),
            [measure_id]
          )
      end
    end
  end
end
