# frozen_string_literal: true

module Fujin
  module Grading
    # An attempt in which the student has one control while the instructor flies the others is judged on that control
    # alone (JOB.md section 4.4, 'Part-tasks').
    module PartTask
      TASKS = %w[whole cyclic collective pedals].freeze
      # How an attempt came about; a demonstration is the instructor's own.
      MANNERS = %w[announced surprise demonstration].freeze

      # What each control answers for.
      MEASURES = {
        'cyclic' => %w[
          entry_ias_kt glide_ias_mean_kt glide_ias_min_kt glide_ias_max_kt glide_ias_in_band_pct gate_ias_kt
          flare_height_ft flare_pitch_max_deg balloon_ft recovery_groundspeed_kt contact_groundspeed_kt
          contact_drift_kt contact_pitch_deg miss_along_ft miss_across_ft hover_drift_max_ft hover_drift_rms_ft
          hover_drift_95_ft turn_bank_max_deg turn_ias_max_off_kt closing_speed_off_kt groundspeed_at_50_ft_kt
        ],
        'collective' => %w[
          collective_delay_s min_rotor_rpm_pct glide_rotor_rpm_mean_pct glide_rotor_rpm_max_pct
          glide_rotor_rpm_in_band_pct gate_rotor_rpm_pct glide_sink_fpm gate_sink_fpm flare_rotor_rpm_max_pct
          recovery_min_height_ft hover_height_ft contact_sink_fpm power_on_s hover_height_mean_ft hover_height_sd_ft
          hover_height_max_off_ft sink_max_fpm sink_max_below_30_kt_fpm sink_over_allowed_fpm approach_angle_deg
          approach_angle_off_deg turn_rotor_rpm_max_pct power_peak_pct power_rise_pct_s lowering_rate_pct_s
        ],
        'pedals' => %w[
          trim_deg entry_yaw_deg recovery_yaw_deg contact_yaw_deg hover_heading_max_deg level_heading_max_deg
          turn_rate_mean_deg_s turn_rate_max_deg_s termination_heading_off_deg
        ]
      }.freeze

      # @param task [String] of TASKS
      # @return [Boolean] is this measure the student's to answer for?
      def self.judges?(task, measure_id) = task == 'whole' || MEASURES.fetch(task).include?(measure_id)
    end
  end
end
