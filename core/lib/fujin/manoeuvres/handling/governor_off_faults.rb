# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Faults of flying the throttle by hand: rotor rpm let go either way, needles joined late.
      class GovernorOffFaults
        include Grading::FaultFinding

        private

        def low_rotor_rpm =
          when_bad('low_rotor_rpm', 'min_rotor_rpm_pct') do |v|
            "rotor rpm fell to #{v.round(1)} %, the band begins at #{band[0]} %"
          end

        def high_rotor_rpm =
          when_bad('high_rotor_rpm', 'manual_rotor_rpm_max_pct') do |v|
            "rotor rpm rose to #{v.round(1)} %, the band ends at #{band[1]} %"
          end

        def late_power =
          when_bad('late_power', 'joining_s') { |v| "#{v.round(1)} s from the throttle's first move to joined needles" }

        def band = @context.type.power_on_band
      end
    end
  end
end
