# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Takes every measure of an autorotation from the signals, as docs/reference/measures.md defines them.
      class Measures
        include Grading::Measuring
        include Grading::PowerPull
        include Grading::SetUp
        include Grading::Touchdown
        include TurnMeasures

        # @return [Hash{String => Measure}] in the order of the declaration
        def measures
          take_setup(closure, *setup_centre)
          take_entry
          take_turn if attempt.phase('turn')
          take_glide if attempt.phase('glide')
          take_gate
          take_flare if attempt.phase('flare')
          take_recovery if attempt.phase('recovery')
          take_cushion if attempt.phase('cushion')
          take_landing if attempt.phase('touchdown')
          take_miss(attempt.phase('touchdown') ? 'touchdown' : 'recovery', ended_s)
          @taken
        end

        # Final course: given, or the mean track over the 10 s before the gate.
        def course_deg
          @course_deg ||= context.course_deg || mean_track
        end

        # First downward pass of the gate height after closure.
        def gate_s
          return @gate_s if defined?(@gate_s)

          @gate_s = signals.signal?(:agl) ? downward_pass(context.gate_height_ft) : nil
        end

        private

        def own_targets =
          context.targets.merge(
            'lowest_rotor_rpm_pct' => PlannedEntry.new(context, manoeuvre).lowest_rotor_rpm_pct(entry_speed)
          )

        # An attempt cut by hand may begin after it.
        def closure = attempt.event(:closure_s) || attempt.start_s

        def entry_speed
          ias = signals.at(:ias, closure)
          ias.nan? || ias < 20.0 ? context.targets['entry_speed_kt'] : ias
        end

        # Where the plan has the entry, if there is one.
        def setup_centre =
          context.planned ? [[context.targets['entry_speed_kt'], context.targets['entry_height_ft']]] : []

        def take_entry
          put('entry_height_ft', 'entry', signals.at(:agl, closure))
          put('entry_ias_kt', 'entry', signals.at(:ias, closure))
          put('collective_delay_s', 'entry', collective_delay)
          stop = [closure + 8.0, attempt.phase('flare')&.start_s || attempt.end_s].min
          put('min_rotor_rpm_pct', 'entry', over(:nr, closure, stop, &:min))
          put('entry_yaw_deg', 'entry', yaw_after(closure, 3.0), reason: yaw_reason)
        end

        # Closure until the collective is at or under a quarter of its value at closure.
        def collective_delay
          values = signals[:collective]
          return Float::NAN unless values

          before = signals.window(:collective, closure - 0.5, closure)
          return Float::NAN if before.empty?

          quarter = 0.25 * Quantities.median(before)
          from = signals.index(closure)
          index = (from..signals.index(closure + 8.0)).find { |i| values[i] <= quarter }
          index.nil? ? Float::NAN : refine(values, index, quarter) - closure
        end

        def take_glide
          phase = attempt.phase('glide')
          from = phase.start_s
          to = phase.end_s
          put('glide_ias_mean_kt', 'glide', over(:ias, from, to) { |v| mean(v) })
          put('glide_ias_min_kt', 'glide', over(:ias, from, to, &:min))
          put('glide_ias_max_kt', 'glide', over(:ias, from, to, &:max))
          put('glide_rotor_rpm_mean_pct', 'glide', over(:nr, from, to) { |v| mean(v) })
          put('glide_rotor_rpm_max_pct', 'glide', over(:nr, from, to, &:max))
          put('glide_ias_in_band_pct', 'glide', in_band_pct(:ias, 'glide_ias_mean_kt', from, to))
          put('glide_rotor_rpm_in_band_pct', 'glide', in_band_pct(:nr, 'glide_rotor_rpm_mean_pct', from, to))
          put('glide_sink_fpm', 'glide', height_lost(from, to) / (to - from) * 60.0)
          put('ground_glide_ratio', 'glide', ground_ratio(from, to))
        end

        # Share of a stretch in which a signal lies where the standard wants its mean, percent.
        def in_band_pct(name, measure_id, from, to)
          low, high = standard.band(measure_id, context.stage, targets).in
          over(name, from, to) { |values| 100.0 * values.count { |v| v.between?(low, high) } / values.size }
        end

        # Straight distance over the ground against height lost.
        def ground_ratio(from, to)
          lost = height_lost(from, to)
          return Float::NAN if lost.nan? || lost < 50.0

          distance = position_change(from, to) || over(:gs, from, to) { |v| mean(v) * (to - from) * FT_PER_KT_S }
          distance / lost
        end

        # The gate is an event of the glide, even when it is passed while flaring.
        def take_gate
          return unless signals.signal?(:agl)

          unless gate_s
            # Broken off above the gate: there is nothing to take there, and nothing missing.
            return if attempt.result == :go_around

            return (
              %w[gate_ias_kt gate_rotor_rpm_pct gate_sink_fpm gate_groundspeed_kt].each do |id|
                put(id, 'glide', Float::NAN)
              end
            )
          end
          put('gate_ias_kt', 'glide', signals.at(:ias, gate_s))
          put('gate_rotor_rpm_pct', 'glide', signals.at(:nr, gate_s))
          put('gate_sink_fpm', 'glide', signals.at(:sink, gate_s))
          put('gate_groundspeed_kt', 'glide', signals.at(:gs, gate_s))
        end

        def take_flare
          phase = attempt.phase('flare')
          from = phase.start_s
          airborne = attempt.event(:contact_s) || attempt.end_s
          put('flare_height_ft', 'flare', signals.at(:agl, from) - zero)
          put('flare_pitch_max_deg', 'flare', over(:pitch, from, phase.end_s, &:max))
          put('flare_rotor_rpm_max_pct', 'flare', over(:nr, from, airborne, &:max))
          put('balloon_ft', 'flare', balloon(from, [phase.end_s + 3.0, airborne].min))
          put('recovery_groundspeed_kt', 'flare', signals.at(:gs, phase.end_s)) if attempt.phase('recovery')
        end

        # Rise above the lowest height so far.
        def balloon(from, to)
          return Float::NAN if to <= from || signals.coverage(:agl, from, to) < 0.8

          lowest = Float::INFINITY
          Recordings::Smoothing
            .mean(signals[:agl][(signals.index(from)..signals.index(to))], signals.samples(STEADY_S))
            .reject(&:nan?)
            .map do |height|
              lowest = [lowest, height].min
              height - lowest
            end
            .max
        end

        def take_recovery
          phase = attempt.phase('recovery')
          put('recovery_min_height_ft', 'recovery', lowest_ft(phase.start_s, attempt.end_s))
          seconds = [phase.end_s - phase.start_s, 8.0].min
          put('recovery_yaw_deg', 'recovery', yaw_after(phase.start_s, seconds), reason: yaw_reason)
          put('hover_height_ft', 'recovery', hover_height(phase.end_s)) unless phase.estimated
          # From where the engine winds up to the rotor, where that comes before levelling.
          take_power_pull('recovery', [attempt.event(:power_on_s), phase.start_s].compact.min, attempt.end_s)
          put('power_on_s', 'recovery', attempt.event(:power_on_s)&.-(attempt.event(:level_s) || phase.start_s))
        end

        def hover_height(from)
          over(:agl, from, attempt.end_s) { |v| mean(v) - zero }
        end

        # Heading held while the torque of the pull came in, and no rise away from the ground.
        def take_cushion
          phase = attempt.phase('cushion')
          put('cushion_yaw_deg', 'cushion', yaw_after(phase.start_s, phase.end_s - phase.start_s), reason: yaw_reason)
          put('cushion_balloon_ft', 'cushion', balloon(phase.start_s, phase.end_s))
        end

        def take_landing
          take_contact(course_deg)
          put('slide_ft', 'touchdown', slide(attempt.event(:contact_s)))
        end

        # At contact, otherwise where the hover is established: nil where neither is.
        def ended_s
          recovery = attempt.phase('recovery')
          attempt.event(:contact_s) || (recovery && !recovery.estimated ? recovery.end_s : nil)
        end

        def mean_track
          at = gate_s || attempt.phase('flare')&.start_s || attempt.end_s
          values = signals.window(:track, at - 10.0, at)
          values.empty? ? nil : mean(values) % 360.0
        end
      end
    end
  end
end
