# frozen_string_literal: true

module Fujin
  module Grading
    # Measures of what is flown under power: approaches, run-on landings, take-offs, hovers, low rotor rpm; and of the
    # hovering autorotation. Shown, not judged, until the school sets a standard (MEASURES.md section 4), except where a rule
    # stands there.
    class PoweredMeasures
      include Measuring
      include PowerPull

      SLOW_KT = 30.0
      # A control reverses when it comes back by this share of its travel, percent.
      REVERSAL_PCT = 2.0
      BEST_CUSHION_ROOM_FPM = 100.0
      # The last seconds of an approach, in which the power that stops it comes in.
      LAST_S = 6.0

      # @return [Hash{String => Measure}] those that the manoeuvre declares
      def measures
        attempt.phases.each { |phase| send(:"take_#{phase.id}", phase) if respond_to?(:"take_#{phase.id}", true) }
        take_miss
        @taken.slice(*Manoeuvres.find(attempt.manoeuvre).measure_ids)
      end

      # Given, or the mean track over the last ten seconds of moving.
      def course_deg
        @course_deg ||= context.course_deg || begin
          at = attempt.event(:contact_s) || attempt.event(:stopped_s) || attempt.end_s
          values = signals.window(:track, at - 12.0, at - 2.0)
          values.empty? ? nil : mean(values) % 360.0
        end
      end

      def gate_s = nil

      private

      def take_descent(phase)
        from = phase.start_s
        to = phase.end_s
        put('approach_angle_deg', 'descent', ApproachAngle.of(signals, from, to), %i[agl gs], uncertainty: 0.5)
        put('sink_max_fpm', 'descent', over(:sink, from, to, &:max), :sink)
        put('sink_max_below_30_kt_fpm', 'descent', slow_sink(from, to), %i[sink ias], reason: 'it was never slower than 30 kt there')
        put('vortex_ring_index_max', 'descent', ring_index(from, to), %i[sink ias], uncertainty: 0.1)
        pass = (signals.index(from)..signals.index(to)).find { |i| signals[:agl][i] - zero <= 50.0 }
        put('groundspeed_at_50_ft_kt', 'descent', pass && signals[:gs][pass], %i[gs agl])
      end

      def slow_sink(from, to)
        range = signals.signal?(:ias) ? (signals.index(from)..signals.index(to)) : []
        range.filter_map { |i| signals[:sink][i] if signals[:ias][i] < SLOW_KT }.reject(&:nan?).max
      end

      # Strength of the vortex-ring state along the way, 0 outside its region to 1 at its heart.
      def ring_index(from, to)
        return nil unless signals.signal?(:ias)

        rotor = context.conditions.trim.rotor
        hover = rotor.hover_induced_velocity(context.conditions.mass_kg * Quantities::G)
        (signals.index(from)..signals.index(to)).filter_map do |i|
          speed = signals[:ias][i]
          sink = signals[:sink][i]
          next if speed.nan? || sink.nan?

          rotor.ring_strength(-sink * Quantities::FPM / hover, context.conditions.atmosphere.true_speed(speed * Quantities::KT) / hover)
        end.max
      end

      def take_termination(phase)
        take_power_pull('termination', [phase.start_s - LAST_S, attempt.start_s].max, phase.end_s)
        put('hover_height_ft', 'termination', over(:agl, phase.end_s - 4.0, phase.end_s) { |v| mean(v) - zero }, :agl, uncertainty: 1.0)
      end

      def take_touchdown(_phase)
        at = attempt.event(:contact_s)
        contact = attempt.event(:contact)
        put('contact_sink_fpm', 'touchdown', contact.sink_fpm, contact.sources, uncertainty: 100.0, reason: contact.reason, limit: cushion_band)
        put('contact_groundspeed_kt', 'touchdown', signals.at(:gs, at), :gs)
        put('contact_drift_kt', 'touchdown', drift(at), %i[gs track heading], uncertainty: 0.7)
        put('contact_pitch_deg', 'touchdown', signals.at(:pitch, at), :pitch)
        put('contact_yaw_deg', 'touchdown', yaw_at(at), :heading)
        put('contact_rotor_rpm_pct', 'touchdown', signals.at(:nr, at), :nr)
      end

      # Nose against the course, or, from a hover, against where it pointed when the engine went.
      def yaw_at(time)
        from = attempt.event(:closure_s) ? signals.at(:heading, attempt.event(:closure_s)) : course_deg
        from ? Quantities.wrap_deg(signals.at(:heading, time) - from) : Float::NAN
      end

      # In: no more than the model's best cushion from that height and 100 ft/min.
      def cushion_band
        hovered = attempt.event(:hovered_ft) or return nil
        best = Flight::HoveringAutorotation.new(context.conditions, height_m: hovered * Quantities::FT).best_cushion.sink_m_s / Quantities::FPM
        most = best + BEST_CUSHION_ROOM_FPM
        Standard::Band.new(target: best, polished: [nil, best], in: [nil, most], marginal: [nil, most + 100.0], worst_best: nil, critical_low: nil, critical_high: nil)
      rescue OutsideModel
        nil
      end

      def take_slide(_phase) = put('slide_ft', 'slide', slide(attempt.event(:contact_s)), :gs, uncertainty: 5.0)

      def take_entry(phase)
        put('entry_yaw_deg', 'entry', yaw_after(phase.start_s, 3.0), :heading)
      end

      # The rotor against the airspeed all through the roll.
      def take_roll(phase)
        to = attempt.event(:lift_off_s) || phase.end_s
        range = signals.index(phase.start_s)..signals.index(to)
        put('roll_advance_ratio_max', 'roll', range.filter_map { |i| advance_ratio(i) }.max, %i[nr ias], uncertainty: 0.02)
        put('flap_max_deg', 'roll', range.filter_map { |i| flap_deg(i) }.max, %i[nr ias], uncertainty: 1.0)
        put('roll_rotor_rpm_min_pct', 'roll', over(:nr, phase.start_s, to, &:min), :nr)
        put('lift_off_ias_kt', attempt.phase('balance') ? 'balance' : 'roll', signals.at(:ias, to), :ias)
        put('lift_off_rotor_rpm_pct', attempt.phase('balance') ? 'balance' : 'roll', signals.at(:nr, to), :nr)
      end

      def true_speed(index) = context.conditions.atmosphere.true_speed(signals[:ias][index] * Quantities::KT)
      def tip_speed(index) = context.type.fetch('rotor.normal_speed_rad_s') * signals[:nr][index] / 100.0 * context.type.fetch('rotor.radius_m')

      def advance_ratio(index)
        ratio = true_speed(index) * Math.cos(aft) / tip_speed(index)
        ratio.nan? ? nil : ratio
      end

      # Flapping a₁ = 2μ(4θ/3 − λ)/(1 − μ²/2) (PHYSICS.md section 1) with the disc held aft as in the roll; the small
      # induced part of the inflow is left out.
      def flap_deg(index)
        mu = advance_ratio(index) or return nil
        inflow = -true_speed(index) * Math.sin(aft) / tip_speed(index)
        2.0 * mu * ((4.0 * context.type.fetch('rotor.collective_min_deg') * Quantities::DEG / 3.0) - inflow) / (1.0 - (mu * mu / 2.0)) / Quantities::DEG
      end

      def aft = Flight::GyroTakeOff::DISC_AFT_DEG * Quantities::DEG

      def take_glide(phase)
        put('glide_ias_mean_kt', 'glide', over(:ias, phase.start_s, phase.end_s) { |v| mean(v) }, :ias)
        put('glide_sink_fpm', 'glide', height_lost(phase.start_s, phase.end_s) / (phase.end_s - phase.start_s) * 60.0, :agl, uncertainty: 240.0 / [phase.end_s - phase.start_s, 1.0].max)
      end

      def take_flare(phase) = put('flare_height_ft', 'flare', signals.at(:agl, phase.start_s) - zero, :agl, uncertainty: 6.0)
      def take_roll_out(_phase) = put('slide_ft', 'roll_out', slide(attempt.event(:contact_s)), :gs, uncertainty: 5.0)

      # Height lost on the way through translational lift, and the time spent where an engine failure has no good answer.
      def take_take_off(phase)
        from = phase.start_s
        to = attempt.end_s
        lowest = over(:agl, from, phase.end_s, &:min)
        put('transition_sink_ft', 'take_off', [signals.at(:agl, from) - lowest, 0.0].max, :agl, uncertainty: 1.0) unless lowest.nan?
        area = Planning::HeightVelocity.new(context.type)
        return unless area.known?

        inside = (signals.index(from)..signals.index(to)).count { |i| area.inside?(signals[:agl][i] - zero, signals[:ias][i]) }
        put('avoid_area_s', 'take_off', inside * signals.step_s, %i[agl ias], uncertainty: 1.0)
      end

      def take_climb(phase) = put('climb_speed_height_ft', 'climb', signals.at(:agl, phase.end_s) - zero, :agl)

      def take_decay(phase)
        nr = signals[:nr]
        range = signals.index(phase.start_s)..signals.index(attempt.end_s)
        left = range.find { |i| nr[i] < context.type.fetch('rotor_rpm_pct.power_on')[0] }
        put('min_rotor_rpm_pct', 'decay', over(:nr, phase.start_s, attempt.end_s, &:min), :nr)
        put('time_below_warning_s', 'decay', range.count { |i| nr[i] < context.type.low_warning_pct } * signals.step_s, :nr, uncertainty: signals.step_s)
        put('reaction_s', 'decay', left ? [attempt.event(:corrected_s) - signals.time(left), 0.0].max : nil, :nr, uncertainty: 2 * signals.step_s,
                                                                                                                  reason: 'rotor rpm never left the power-on band')
      end

      def take_hover(phase)
        from = phase.start_s
        to = phase.end_s
        radii = drift_radii(from, to)
        put('hover_drift_max_ft', 'hover', radii&.max, %i[lat lon], uncertainty: 2.0)
        put('hover_drift_rms_ft', 'hover', radii && Math.sqrt(radii.sum { |r| r * r } / radii.size), %i[lat lon], uncertainty: 1.0)
        heights = over(:agl, from, to) { |v| v.map { |h| h - zero } }
        put('hover_height_mean_ft', 'hover', heights.is_a?(Array) ? mean(heights) : nil, :agl, uncertainty: 0.5)
        put('hover_height_sd_ft', 'hover', heights.is_a?(Array) ? deviation(heights) : nil, :agl, uncertainty: 0.3)
        put('hover_heading_max_deg', 'hover', over(:heading, from, to) { |v| Quantities.median(v).then { |m| v.map { |h| (h - m).abs }.max } }, :heading)
        take_power_pull('hover', from, to)
        put('control_reversals_per_min', 'hover', reversals(from, to), :collective, uncertainty: 2.0)
      end

      # Distances from the middle of where it hovered, feet, satellite tremble smoothed off.
      def drift_radii(from, to)
        return nil unless signals.signal?(:lat) && signals.coverage(:lat, from, to) > 0.8

        range = signals.index(from)..signals.index(to)
        map = LocalMap.new(signals[:lat][range.first], signals[:lon][range.first])
        places = range.map { |i| map.north_east(signals[:lat][i], signals[:lon][i]) }
        north, east = places.transpose.map { |values| Recordings::Smoothing.mean(values, signals.samples(0.5)) }
        middle = [Quantities.median(north), Quantities.median(east)]
        north.zip(east).map { |n, e| Math.hypot(n - middle[0], e - middle[1]) / Quantities::FT }.reject(&:nan?)
      end

      def deviation(values)
        m = mean(values)
        Math.sqrt(values.sum { |v| (v - m)**2 } / values.size)
      end

      # How often the hands went back on themselves: collective and pedals together, the recorder's tremble smoothed off.
      def reversals(from, to)
        minutes = (to - from) / 60.0
        %i[collective pedal].select { |name| signals.signal?(name) }.sum { |name| turns_back(smoothed(name, from, to)) } / minutes
      end

      def smoothed(name, from, to)
        Recordings::Smoothing.mean(signals[name][signals.index(from)..signals.index(to)], signals.samples(0.3)).reject(&:nan?)
      end

      def turns_back(values)
        count = 0
        direction = 0
        extreme = values.first
        values.each do |value|
          move = value - extreme
          if direction.zero?
            next if move.abs <= REVERSAL_PCT

            direction = move <=> 0
            extreme = value
          elsif (move * direction).positive?
            extreme = value
          elsif move.abs > REVERSAL_PCT
            count += 1
            direction = -direction
            extreme = value
          end
        end
        count
      end

      def take_miss
        last = { 'termination' => :stopped_s, 'slide' => :contact_s, 'roll_out' => :contact_s }[attempt.phases.last.id]
        return unless context.spot && last && course_deg

        along, across = position_from_spot(attempt.event(last))
        phase = last == :contact_s ? 'touchdown' : 'termination'
        put('miss_along_ft', phase, along, %i[lat lon], uncertainty: 12.0)
        put('miss_across_ft', phase, across, %i[lat lon], uncertainty: 12.0)
        put('miss_ft', phase, Math.hypot(along, across), %i[lat lon], uncertainty: 12.0)
      end
    end
  end
end
