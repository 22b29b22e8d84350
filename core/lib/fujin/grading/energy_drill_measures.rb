# frozen_string_literal: true

module Fujin
  module Grading
    # Measures of an energy drill: how far speed and rotor rpm were taken, and how much height went beyond what a steady glide
    # over the same time would have cost.
    class EnergyDrillMeasures
      include Measuring

      # @return [Hash{String => Measure}]
      def measures
        phase = attempt.phases.first
        from = phase.start_s
        to = phase.end_s
        seconds = to - from
        { 'glide_ias_mean_kt' => lambda { |v|
          mean(v)
        }, 'glide_ias_min_kt' => :min.to_proc, 'glide_ias_max_kt' => :max.to_proc }.each { |id, take| put(id, 'glide', over(:ias, from, to, &take), :ias) }
        put('glide_rotor_rpm_mean_pct', 'glide', over(:nr, from, to) { |v| mean(v) }, :nr)
        put('glide_rotor_rpm_min_pct', 'glide', over(:nr, from, to, &:min), :nr)
        put('glide_rotor_rpm_max_pct', 'glide', over(:nr, from, to, &:max), :nr)
        put('glide_sink_fpm', 'glide', height_lost(from, to) / seconds * 60.0, :agl, uncertainty: 240.0 / seconds)
        put('height_beyond_glide_ft', 'glide', height_lost(from, to) - (targets['glide_sink_fpm'] * seconds / 60.0), :agl, uncertainty: 10.0)
        @taken
      end

      def course_deg = nil
      def gate_s = nil
    end
  end
end
