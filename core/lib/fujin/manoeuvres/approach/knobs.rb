# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # What of an approach one change can be tried on, and the measures that it is told in.
      module Knobs
        # The line of an approach is looked at between these heights, ft.
        LINE_FT = (60.0..200.0)

        # Most sink below 30 kt over what is allowed there; a clean approach has none.
        SUNK_OVER_FPM = ->(flown) do
          taken = flown.value('sink_max_below_30_kt_fpm') && flown.signals.signal?(:ias)
          taken ? [flown.value('sink_over_allowed_fpm').to_f, 0.0].max : nil
        end

        # Beside the line of the final course, ft, right +, in the middle of the descent.
        BESIDE_LINE_FT =
          ->(flown) do
            descent = flown.attempt.phase('descent')
            about = descent && flown.about_spot or next nil
            signals = flown.signals
            offs =
              (signals.index(descent.start_s)..signals.index(descent.end_s))
                .select { |i| LINE_FT.cover?(signals[:agl][i] - signals.agl_zero_ft) }
                .map { |i| about.across(i) }
                .reject(&:nan?)
            offs.empty? ? nil : Quantities.median(offs)
          end

        # How long a descent went on that was turned away from.
        DESCENT_S = ->(flown) do
          flown.attempt.result == :go_around ? flown.attempt.end_s - flown.attempt.start_s : nil
        end

        ANGLE =
          Grading::Knob.new(
            id: :angle,
            more: 'too_steep',
            less: 'too_shallow',
            measure: 'approach_angle_deg',
            range: (-6.0..6.0),
            least: 0.5,
            words: ->(v) {
              Text.of('the line %{value}° %{way}', value: v.abs.round(1), way: v.positive? ? 'shallower' : 'steeper')
            }
          )
        SANK =
          Grading::Knob.new(
            id: :sank,
            more: 'sank_at_low_speed',
            measure: SUNK_OVER_FPM,
            range: (0.0..900.0),
            least: 50.0,
            words: ->(v) { Text.of('%{value} ft/min less sink as the speed goes', value: v.round) }
          )
        TRACK =
          Grading::Knob.new(
            id: :track,
            more: 'drifted_off_track',
            measure: BESIDE_LINE_FT,
            range: (-600.0..600.0),
            least: 25.0,
            words: ->(v) {
              Text.of('on the line, %{value} ft %{side}', value: v.abs.round, side: v.positive? ? 'left' : 'right')
            }
          )
        DECISION =
          Grading::Knob.new(
            id: :decision,
            more: 'late_decision',
            measure: DESCENT_S,
            range: (0.0..30.0),
            least: 2.0,
            words: ->(v) { Text.of('turned away %{value} s sooner', value: v.round) },
            untold: %w[approach_angle_deg sink_over_allowed_fpm].freeze
          )
        CAP =
          Grading::Knob.new(
            id: :cap,
            more: 'power_cap_broken',
            measure: 'contact_groundspeed_kt',
            gain: -1.0,
            range: (0.0..20.0),
            least: 1.0,
            words: ->(v) { Text.of('%{value} kt more kept until contact', value: v.round) }
          )

        APPROACH = [ANGLE, SANK, TRACK, DECISION].freeze
        RUN_ON = [ANGLE, CAP, Grading::ContactKnobs::LEVEL, Grading::ContactKnobs::DRIFT].freeze
        APPROACH_TOLD = %w[
          approach_angle_deg sink_max_below_30_kt_fpm sink_over_allowed_fpm vortex_ring_margin_fpm
          groundspeed_at_50_ft_kt decision_height_ft contact_sink_fpm contact_groundspeed_kt contact_pitch_deg
          contact_drift_kt power_peak_pct slide_ft miss_along_ft miss_across_ft
        ].freeze
      end
    end
  end
end
