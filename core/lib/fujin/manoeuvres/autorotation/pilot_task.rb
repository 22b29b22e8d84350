# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What a pilot means to do in an autorotation, faults included. SI and radians inside; see PilotTask.build.
      PilotTask =
        Value.define(
          :course_rad, :entry_speed_kt, :entry_height_m, :glide_speed_kt, :target_rotor_pct, :closure_s,
          :collective_delay_s, :collective_floor_rad, :flare_height_m, :flare_gain, :cushion_gain, :ending,
          :drift_m_s, :pedal_lag_s, :turns_rad, :bank_rad, :turn_after_s, :slow_kt, :hover_height_m,
          :restore_below_m, :restored_speed_kt, :restored_rotor_pct,
          defaults: {
            turns_rad: [].freeze,
            bank_rad: 0.0,
            turn_after_s: 0.0,
            slow_kt: nil,
            restore_below_m: nil,
            restored_speed_kt: nil,
            restored_rotor_pct: nil
          }
        ) do
          # Hover after a power recovery, where nobody says another.
          self::HOVER_HEIGHT_FT = 4.0

          # Faults a simulated pilot can have, with the unit of each value (docs/reference/file-formats.md, simulated
          # faults).
          self::FAULTS = {
            'late_collective' => 's',
            'collective_not_down' => 'deg',
            'slow_glide' => 'kt',
            'fast_glide' => 'kt',
            'low_rotor_rpm' => 'points',
            'high_rotor_rpm' => 'points',
            'early_flare' => 'ft',
            'late_flare' => 'ft',
            'entered_too_far' => 'ft',
            'entered_too_close' => 'ft',
            'weak_flare' => 'gain',
            'hard_flare' => 'gain',
            'weak_cushion' => 'gain',
            'drift_at_contact' => 'kt',
            'yaw_uncorrected' => 's',
            'late_turn' => 's'
          }.freeze

          # @param ending [Symbol] :power_recovery or :touchdown
          # @param faults [Hash{String => Numeric}] by PilotTask::FAULTS
          # @param turns_deg [Array<Float>] track changes from the entry's track to the final course, right +
          # @param turn_after_s [Float] from power loss to the first turn, or to the speed coming off
          # @param slow_kt [Float, nil] airspeed that is let fall to and held for a while before the glide
          # @param hover_height_ft [Float] of the skids, after a power recovery
          # @param restored [Hash, nil] `below_ft`, `speed_kt`, `rotor_pct`: what is won back from a stretched or slow
          #   glide, and at what height
          # @raise [InvalidInput] for an unknown fault or value
          def self.build(
            type:,
            course_deg:,
            entry_speed_kt:,
            entry_height_ft:,
            glide_speed_kt:,
            target_rotor_pct:,
            flare_height_ft:,
            ending: :power_recovery,
            closure_s: 12.0,
            faults: {},
            turns_deg: [],
            bank_deg: 0.0,
            turn_after_s: 0.0,
            slow_kt: nil,
            hover_height_ft: PilotTask::HOVER_HEIGHT_FT,
            restored: nil
          )
            Flight::PilotFaults.check(faults, PilotTask::FAULTS)
            fault = ->(name) { faults.fetch(name, 0).to_f }
            change = fault['fast_glide'] - fault['slow_glide']
            new(
              course_rad: course_deg * Quantities::DEG,
              entry_speed_kt: entry_speed_kt,
              closure_s: closure_s,
              entry_height_m: entry_height_ft * Quantities::FT,
              glide_speed_kt: glide_speed_kt + change,
              target_rotor_pct: target_rotor_pct - fault['low_rotor_rpm'] + fault['high_rotor_rpm'],
              collective_delay_s: 0.3 + fault['late_collective'],
              collective_floor_rad:
                (type.fetch('rotor.collective_min_deg') + fault['collective_not_down']) * Quantities::DEG,
              flare_height_m: (flare_height_ft + fault['early_flare'] - fault['late_flare']) * Quantities::FT,
              flare_gain: 1.0 - fault['weak_flare'] + fault['hard_flare'],
              cushion_gain: 1.0 - fault['weak_cushion'],
              ending: ending,
              drift_m_s: fault['drift_at_contact'] * Quantities::KT,
              pedal_lag_s: Flight::Piloting::PEDAL_LAG_S + fault['yaw_uncorrected'],
              turns_rad: turns_deg.map { |deg| deg * Quantities::DEG }.freeze,
              bank_rad: bank_deg * Quantities::DEG,
              turn_after_s: turn_after_s + fault['late_turn'],
              slow_kt: slow_kt,
              hover_height_m: hover_height_ft * Quantities::FT,
              restore_below_m: restored && (restored[:below_ft] * Quantities::FT),
              restored_speed_kt: restored && (restored[:speed_kt] + change),
              restored_rotor_pct: restored && restored[:rotor_pct]
            )
          end
        end
    end
  end
end
