# frozen_string_literal: true

module Fujin
  module Grading
    # A fault that the recording shows: what was seen, when, in numbers.
    FoundFault = Value.define(:id, :evidence, :from_s, :to_s, :measures)

    # Names the faults of an autorotation, in causal order. A fault is named when its evidence is marginal or out.
    class AutorotationFaults
      NAMED = %w[marginal out].freeze
      UNIT_WORDS = { 'pct' => '%', 'deg' => '°', 'fpm' => 'ft/min' }.freeze

      # @param taker [AutorotationMeasures] after its measures were taken
      # @param measures [Hash{String => Measure}]
      def initialize(taker, measures)
        @signals = taker.signals
        @attempt = taker.attempt
        @context = taker.context
        @course_deg = taker.course_deg
        @gate_s = taker.gate_s
        @measures = measures
      end

      # @return [Array<FoundFault>] in the order in which the causes act
      def faults
        found = [rushed_setup, entry_position, late_collective, raised_collective, collective_not_down, yaw, nose_dropped,
                 *glide_speed, *rotor, *flare_height, *flare_strength, late_power, not_level, weak_cushion, drift, exceeded].compact
        order = Manoeuvres.find(@attempt.manoeuvre).faults.map(&:id)
        found.uniq(&:id).select { |fault| order.include?(fault.id) }.sort_by { |fault| order.index(fault.id) }
      end

      private

      def closure = @attempt.event(:closure_s)
      def measure(id) = @measures[id]
      def value(id) = measure(id)&.value

      # Marginal or out; a marginal one that its uncertainty could clear accuses nobody. At the gate only while gliding.
      def bad?(id)
        found = measure(id)
        return false unless found && NAMED.include?(found.verdict)
        return false if found.verdict == 'marginal' && found.could_be_in?
        return false if id.start_with?('gate_') && flaring_at_gate?

        true
      end

      def flaring_at_gate? = @gate_s && @attempt.phase('flare') && @gate_s > @attempt.phase('flare').start_s
      # `min_rotor_rpm_pct` as a person says it: 'min rotor rpm'.
      def plain(id) = id.sub(/_(ft|deg|pct|kt|fpm|s)\z/, '').tr('_', ' ')

      def bad_low?(id) = bad?(id) && measure(id).under?
      def bad_high?(id) = bad?(id) && !measure(id).under?
      def collective_down? = lowest_collective && lowest_collective <= 5.0

      def found(id, evidence, measures, from: nil, to: nil)
        FoundFault.new(id: id, evidence: evidence, measures: measures, from_s: from || closure, to_s: to || @attempt.end_s)
      end

      def phase_span(id)
        phase = @attempt.phase(id)
        phase ? { from: phase.start_s, to: phase.end_s } : {}
      end

      def rushed_setup
        steady = value('setup_steady_s')
        return nil unless @context.planned && steady && steady < 3.0 && closure - @signals.start_s > 8.0

        found('rushed_setup', "steady for #{steady.round(1)} s before the entry, #{@context.house['setup_s']} s wanted", ['setup_steady_s'],
              from: closure - 8.0, to: closure)
      end

      # Where the entry began against where this wind and height ask for it, when the spot was missed that way.
      def entry_position
        return nil unless bad?('miss_along_ft') && @course_deg && @signals.wind

        offset = entry_offset_ft
        return nil unless offset

        width = measure('miss_along_ft').band.in[1]
        return nil if offset.abs < width || (offset.positive? != value('miss_along_ft').negative?)

        id = offset.positive? ? 'entered_too_far' : 'entered_too_close'
        found(id, "the entry began #{offset.abs.round} ft #{offset.positive? ? 'farther from' : 'nearer'} the spot than planned for this wind and height",
              ['miss_along_ft'], to: closure + 1.0)
      end

      # Positive when the entry began too far out.
      def entry_offset_ft
        north, east = LocalMap.new(*@context.spot).north_east(@signals.at(:lat, closure), @signals.at(:lon, closure))
        along, = LocalMap.along_across(north, east, @course_deg)
        planned = @context.entry_distance_m(@signals.at(:agl, closure), @course_deg, @signals.wind)
        planned && !along.nan? ? (-along - planned) / Quantities::FT : nil
      end

      def late_collective
        return nil unless bad?('collective_delay_s')

        delay = value('collective_delay_s')
        found('late_collective', "collective down #{delay.round(1)} s after the power went, #{measure('collective_delay_s').band.in[1].round(1)} s allowed#{lowest_rpm_text}",
              %w[collective_delay_s min_rotor_rpm_pct], to: closure + delay)
      end

      def lowest_rpm_text
        lowest = value('min_rotor_rpm_pct')
        lowest ? "; rotor rpm fell to #{lowest.round(1)} %" : ''
      end

      # +3 before lowering.
      def raised_collective
        before = @signals.window(:collective, closure - 1.5, closure)
        return nil if before.empty?

        level = Quantities.median(before)
        after = @signals.window(:collective, closure, closure + 3.0)
        down = after.index { |v| v < level - 3.0 } || after.size
        peak = after.first(down).max
        return nil unless peak && peak > level + 3.0

        found('raised_collective', "collective went up by #{(peak - level).round} points before it came down", [], to: closure + 3.0)
      end

      def lowest_collective
        @lowest_collective ||= @signals.window(:collective, closure, closure + 4.0).min
      end

      # Lowest collective of the first 4 s over 5 % with rotor rpm under target.
      def collective_not_down
        return nil unless lowest_collective && lowest_collective > 5.0

        rpm = @signals.window(:nr, closure + 2.0, closure + 6.0)
        return nil if rpm.empty? || (rpm.sum / rpm.size) >= @context.target_rotor_rpm_pct

        found('collective_not_down', "lowest collective #{lowest_collective.round} % in the first 4 s, with rotor rpm under #{@context.target_rotor_rpm_pct.round} %",
              ['min_rotor_rpm_pct'], to: closure + 6.0)
      end

      def yaw
        return nil unless bad?('entry_yaw_deg')

        found('yaw_uncorrected', "the nose swung #{value('entry_yaw_deg').round}° within 3 s of the closure", ['entry_yaw_deg'], to: closure + 3.0)
      end

      def nose_dropped
        before = @signals.window(:pitch, closure - 2.0, closure)
        after = @signals.window(:pitch, closure, closure + 4.0)
        return nil if before.empty? || after.empty? || !bad_high?('glide_ias_max_kt')

        drop = Quantities.median(before) - after.min
        return nil unless drop > 6.0

        found('nose_dropped', "pitch fell #{drop.round}° in the entry and the speed ran to #{value('glide_ias_max_kt').round} kt", ['glide_ias_max_kt'], to: closure + 4.0)
      end

      def glide_speed
        slow = %w[glide_ias_mean_kt gate_ias_kt].select { |id| bad_low?(id) }
        fast = %w[glide_ias_mean_kt gate_ias_kt].select { |id| bad_high?(id) }
        [slow.any? ? found('slow_glide', speed_text(slow), slow, **phase_span('glide')) : nil,
         fast.any? ? found('fast_glide', speed_text(fast), fast, **phase_span('glide')) : nil]
      end

      def speed_text(ids)
        ids.map { |id| "#{id.start_with?('gate') ? 'at the gate' : 'mean in the glide'} #{value(id).round} kt against #{measure(id).band.target.round} kt" }.join('; ')
      end

      def rotor
        low = %w[glide_rotor_rpm_mean_pct gate_rotor_rpm_pct].select { |id| bad_low?(id) }
        high = %w[glide_rotor_rpm_mean_pct gate_rotor_rpm_pct].select { |id| bad_high?(id) }
        high << 'glide_rotor_rpm_max_pct' if bad?('glide_rotor_rpm_max_pct')
        [low.any? && !collective_held_down? ? found('low_rotor_rpm', rpm_text(low), low, **phase_span('glide')) : nil,
         high.any? ? found('high_rotor_rpm', rpm_text(high), high, **phase_span('glide')) : nil]
      end

      # With the collective on its stop all through the glide there is nothing left to lower.
      def collective_held_down?
        phase = @attempt.phase('glide')
        values = phase ? @signals.window(:collective, phase.start_s, phase.end_s) : []
        values.any? && Quantities.median(values) <= 5.0
      end

      def rpm_text(ids) = ids.map { |id| "#{plain(id)} #{value(id).round(1)} %, target #{@context.target_rotor_rpm_pct.round(1)} %" }.join('; ')

      def flare_height
        text = -> { "flare began at #{value('flare_height_ft').round} ft, #{measure('flare_height_ft').band.target.round} ft planned" }
        [bad_high?('flare_height_ft') ? found('early_flare', text.call, ['flare_height_ft'], **phase_span('flare')) : nil,
         bad_low?('flare_height_ft') ? found('late_flare', text.call, ['flare_height_ft'], **phase_span('flare')) : nil]
      end

      def flare_strength
        weak = bad_low?('flare_pitch_max_deg')
        hard = [('flare_pitch_max_deg' if bad_high?('flare_pitch_max_deg')), ('flare_rotor_rpm_max_pct' if bad?('flare_rotor_rpm_max_pct')),
                ('balloon_ft' if bad?('balloon_ft'))].compact
        [weak ? found('weak_flare', "highest pitch #{value('flare_pitch_max_deg').round(1)}°#{ground_speed_left}", ['flare_pitch_max_deg'], **phase_span('flare')) : nil,
         hard.any? && !weak ? found('hard_flare', hard_text(hard), hard, **phase_span('flare')) : nil]
      end

      def ground_speed_left
        left = value('recovery_groundspeed_kt') || value('contact_groundspeed_kt')
        left ? "; #{left.round} kt over the ground left" : ''
      end

      def hard_text(ids)
        ids.map { |id| "#{plain(id)} #{value(id).round(1)} #{UNIT_WORDS.fetch(measure(id).unit, measure(id).unit)}" }.join('; ')
      end

      def late_power
        on = value('power_on_s')
        level = @attempt.event(:level_s)
        return nil unless on && level && on - level > 1.5

        found('late_power', "throttle joined #{(on - level).round(1)} s after levelling", ['power_on_s'], from: level, to: on)
      end

      def at_contact(fault, id, text)
        at = @attempt.event(:contact_s)
        bad?(id) ? found(fault, text.call(value(id)), [id], from: at - 1.5, to: at + 0.5) : nil
      end

      def not_level = at_contact('not_level', 'contact_pitch_deg', ->(v) { "pitch #{v.round(1)}° at contact" })
      def weak_cushion = at_contact('weak_cushion', 'contact_sink_fpm', ->(v) { "sink #{v.round} ft/min at contact" })
      def drift = at_contact('drift_at_contact', 'contact_drift_kt', ->(v) { "#{v.abs.round(1)} kt to the #{v.positive? ? 'right' : 'left'} at contact" })

      def exceeded
        passed = @measures.values.select { |m| m.band&.critical?(m.value) }
        return nil if passed.empty?

        found('exceeded_limit', passed.map { |m| "#{plain(m.id)} #{m.value.round(1)} #{UNIT_WORDS.fetch(m.unit, m.unit)}" }.join('; '), passed.map(&:id))
      end
    end
  end
end
