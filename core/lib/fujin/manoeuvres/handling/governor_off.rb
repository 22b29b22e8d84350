# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      GovernorOff = Catalogue.declare(
        __dir__,
        id: 'governor_off',
        title: 'Governor off',
        family: 'handling',
        summary: 'The throttle by hand: rotor rpm kept in its band, needles joined by hand, the governor taken back.',
        phases: %w[manual joining],
        measures: {
          'manual' => %w[
            rpm_in_band_pct min_rotor_rpm_pct manual_rotor_rpm_max_pct time_below_warning_s throttle_before_collective_s
          ],
          'joining' => %w[joining_s joining_rotor_rpm_max_pct governor_on_rpm_pct]
        },
        faults: %w[low_rotor_rpm high_rotor_rpm late_power exceeded_limit],
        checks: [
          *Catalogue::CHECKS, 'Height enough to lower the collective', 'Who moves the throttle is agreed',
          'Governor switch found without looking'
        ],
        planner: GovernorOffPlan,
        key_numbers: %w[
          rpm_low_pct rpm_high_pct low_warning_pct governor_from_pct rpm_rate_pct_s to_warning_s
        ],
        hovers: 'none',
        course_of: 'any',
        standard: Grading::Standard.load("#{__dir__}/standards/governor_off.yml"),
        finder: GovernorOffFinder,
        measurer: GovernorOffMeasures,
        fault_finder: GovernorOffFaults
      )
    end
  end
end
