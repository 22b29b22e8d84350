# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What gliding autorotations declare alike.
      module DeclaredAlike
        MEASURES = {
          'setup' => %w[setup_steady_s trim_deg],
          'entry' => %w[entry_height_ft entry_ias_kt collective_delay_s min_rotor_rpm_pct entry_yaw_deg],
          'turn' => %w[
            turn_delay_s turn_bank_max_deg turn_ias_max_off_kt turn_rotor_rpm_max_pct turn_height_ft
            roll_out_height_ft
          ],
          'glide' => %w[
            glide_ias_mean_kt glide_ias_min_kt glide_ias_max_kt glide_ias_in_band_pct glide_rotor_rpm_mean_pct
            glide_rotor_rpm_max_pct glide_rotor_rpm_in_band_pct glide_sink_fpm ground_glide_ratio gate_ias_kt
            gate_rotor_rpm_pct gate_sink_fpm gate_groundspeed_kt
          ],
          'flare' => %w[flare_height_ft flare_pitch_max_deg flare_rotor_rpm_max_pct balloon_ft recovery_groundspeed_kt],
          'recovery' => %w[
            recovery_min_height_ft recovery_yaw_deg hover_height_ft power_on_s power_peak_pct power_rise_pct_s
            lte_exposure_s miss_along_ft miss_across_ft miss_ft
          ],
          'cushion' => %w[cushion_yaw_deg cushion_balloon_ft],
          'touchdown' => %w[
            contact_sink_fpm contact_groundspeed_kt contact_drift_kt contact_pitch_deg contact_yaw_deg
            contact_rotor_rpm_pct slide_ft miss_along_ft miss_across_ft miss_ft
          ]
        }.freeze

        STRAIGHT = MEASURES.except('turn').freeze

        CHECKS = [
          'Area and spot clear, lookout complete', 'Wind looked at again', 'Height, speed, track steady',
          'Carburettor heat as the flight manual says', 'Governor and warning lights checked',
          'Who moves the throttle is agreed', 'Count-in agreed: three, two, one'
        ].freeze

        HOUSE = %w[entry glide_speed ending flare_shape flare_cue throttle_by throttle_position collective_hand].freeze

        # With the power back there is no touchdown, and without it no recovery.
        LEFT_OUT = {
          'touchdown' => %w[recovery],
          'power_recovery' => %w[cushion touchdown],
          'recovery_run' => %w[cushion touchdown]
        }.freeze

        # With a turn in it, or several.
        TURNING = {
          endings: %w[power_recovery recovery_run touchdown].freeze,
          phases: %w[entry turn glide flare recovery cushion touchdown].freeze,
          measures: MEASURES,
          faults: %w[
            rushed_setup entered_too_far entered_too_close late_collective raised_collective collective_not_down
            yaw_uncorrected nose_dropped late_turn slow_glide fast_glide low_rotor_rpm high_rotor_rpm one_big_check
            early_flare late_flare weak_flare hard_flare late_power not_level weak_cushion drift_at_contact
            exceeded_limit
          ].freeze,
          checks: CHECKS,
          settings: %w[glide_rotor_rpm_pct turn_deg turn_side bank_deg spot_option].freeze,
          power_off: true,
          heat_prompt: 'heat on before the throttle closes, as the flight manual says',
          standard: Grading::Standard.load("#{__dir__}/standards/turning.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults,
          knobs: Knobs::TURNING,
          told: Knobs::GLIDING_TOLD,
          flown_settings: FlownTurn.method(:settings),
          left_out: LEFT_OUT
        }.freeze
      end
    end
  end
end
