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
            Text.of('rotor rpm fell to %{value} %, the band begins at %{band} %', value: v.round(1), band: band[0])
          end

        def high_rotor_rpm =
          when_bad('high_rotor_rpm', 'manual_rotor_rpm_max_pct') do |v|
            Text.of('rotor rpm rose to %{value} %, the band ends at %{band} %', value: v.round(1), band: band[1])
          end

        def late_power =
          when_bad('late_power', 'joining_s') do |v|
            Text.of("%{value} s from the throttle's first move to joined " \
              'needles',
                    value: v.round(1))
          end

        def band = @context.type.power_on_band
      end
    end
  end
end
