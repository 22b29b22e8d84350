# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Measures of an energy drill: how far speed and rotor rpm were taken, and how much height went beyond what a
      # steady glide over the same time would have cost.
      class EnergyDrillMeasures
        include Grading::Measuring

        # A hand that moved by this much from where it stood before the drill; looked for so long about its start.
        MOVED = { pitch: 3.0, collective: 4.0 }.freeze
        BEFORE_S = 4.0
        AFTER_S = 8.0

        # @return [Hash{String => Measure}]
        def measures
          phase = attempt.phases.first
          from = phase.start_s
          to = phase.end_s
          seconds = to - from
          {
            'glide_ias_mean_kt' => ->(v) { mean(v) },
            'glide_ias_min_kt' => :min.to_proc,
            'glide_ias_max_kt' => :max.to_proc
          }.each { |id, take| put(id, 'glide', over(:ias, from, to, &take)) }
          put('glide_rotor_rpm_mean_pct', 'glide', over(:nr, from, to) { |v| mean(v) })
          put('glide_rotor_rpm_min_pct', 'glide', over(:nr, from, to, &:min))
          put('glide_rotor_rpm_max_pct', 'glide', over(:nr, from, to, &:max))
          put('glide_sink_fpm', 'glide', height_lost(from, to) / seconds * 60.0)
          put('height_beyond_glide_ft', 'glide', height_lost(from, to) - (targets['glide_sink_fpm'] * seconds / 60.0))
          take_order(from)
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        # Seconds by which the nose moved before the collective, - after it.
        def take_order(start)
          pitch, collective = %i[pitch collective].map { |name| moved_s(name, start) }
          put(
            'pitch_before_collective_s',
            'glide',
            pitch && collective && (collective - pitch),
            reason: 'only one of the two was moved'
          )
        end

        def moved_s(name, start)
          return nil unless signals.signal?(name)

          before = signals.window(name, start - (2.0 * BEFORE_S), start - BEFORE_S)
          return nil if before.empty?

          usual = Quantities.median(before)
          index =
            (signals.index(start - BEFORE_S)..signals.index(start + AFTER_S)).find do |i|
              (signals[name][i] - usual).abs > MOVED.fetch(name)
            end
          index && signals.time(index)
        end
      end
    end
  end
end
