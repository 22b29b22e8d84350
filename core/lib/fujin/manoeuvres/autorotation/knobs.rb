# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What of an autorotation one change can be tried on, and the measures that it is told in.
      module Knobs
        # How far before the spot the entry began, feet.
        ENTRY_OFFSET_FT = ->(flown) do
          along = flown.about_spot&.along(flown.signals.index(flown.attempt.start_s))
          along.nil? || along.nan? ? nil : -along
        end

        DELAY =
          Grading::Knob.new(
            id: :delay,
            more: 'late_collective',
            measure: 'collective_delay_s',
            range: (0.0..4.0),
            least: 0.2,
            words: ->(v) { Text.of('collective down %{value} s sooner', value: v.round(1)) }
          )
        SPEED =
          Grading::Knob.new(
            id: :speed,
            more: 'fast_glide',
            less: 'slow_glide',
            measure: 'glide_ias_mean_kt',
            range: (-25.0..40.0),
            least: 2.0,
            words: ->(v) {
              Text.of('%{value} kt %{way} in the glide', value: v.abs.round, way: v.positive? ? 'slower' : 'faster')
            }
          )
        ROTOR =
          Grading::Knob.new(
            id: :rotor,
            more: 'high_rotor_rpm',
            less: 'low_rotor_rpm',
            measure: 'glide_rotor_rpm_mean_pct',
            range: (-10.0..15.0),
            least: 1.5,
            words: ->(v) {
              Text.of('rotor rpm %{value} % %{way} in the glide',
                      value: v.abs.round, way: v.positive? ? 'lower' : 'higher')
            }
          )
        FLARE_HEIGHT =
          Grading::Knob.new(
            id: :flare_height,
            more: 'early_flare',
            less: 'late_flare',
            measure: 'flare_height_ft',
            range: (-40.0..120.0),
            least: 8.0,
            untold: %w[contact_sink_fpm].freeze,
            words: ->(v) {
              Text.of('the flare %{value} ft %{way}', value: v.abs.round, way: v.positive? ? 'lower' : 'higher')
            }
          )
        FLARE =
          Grading::Knob.new(
            id: :flare,
            more: 'hard_flare',
            less: 'weak_flare',
            last: true,
            measure: 'flare_pitch_max_deg',
            gain: 0.055,
            range: (-0.8..1.0),
            least: 0.08,
            words: ->(v) {
              Text.of('a flare %{way} by %{value} %',
                      way: v.positive? ? 'gentler' : 'stronger', value: (v.abs * 100).round)
            }
          )
        PLACE =
          Grading::Knob.new(
            id: :place,
            more: 'entered_too_far',
            less: 'entered_too_close',
            measure: ENTRY_OFFSET_FT,
            range: (-1500.0..5000.0),
            least: 60.0,
            words: ->(v) {
              Text.of('the entry %{value} ft %{way}', value: v.abs.round, way: v.positive? ? 'nearer' : 'farther out')
            }
          )
        TURN =
          Grading::Knob.new(
            id: :turn,
            more: 'late_turn',
            measure: 'turn_delay_s',
            range: (0.0..20.0),
            least: 1.0,
            words: ->(v) { Text.of('the turn begun %{value} s sooner', value: v.round(1)) }
          )

        GLIDING = [
          DELAY,
          SPEED,
          ROTOR,
          FLARE_HEIGHT,
          FLARE,
          Grading::ContactKnobs::CUSHION,
          Grading::ContactKnobs::DRIFT,
          PLACE
        ].freeze
        TURNING = [*GLIDING, TURN].freeze
        LOW_SPEED = [DELAY, SPEED, ROTOR].freeze

        GLIDING_TOLD = %w[
          min_rotor_rpm_pct gate_ias_kt glide_sink_fpm roll_out_height_ft recovery_groundspeed_kt contact_sink_fpm
          contact_groundspeed_kt miss_along_ft
        ].freeze
        LOW_SPEED_TOLD = %w[
          min_rotor_rpm_pct low_ias_min_kt height_to_glide_ft time_to_glide_s glide_ias_mean_kt glide_sink_fpm
          glide_rotor_rpm_mean_pct
        ].freeze
      end
    end
  end
end
