# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Measures of a powered approach to a hover or the surface: the set-up, the angle and how well it was held, the
      # closing speed against the curve of constant apparent closure, sink against what is allowed and against the
      # vortex-ring region, the decision, the power that stops it, where it ended.
      class Measures
        include Grading::Measuring
        include Grading::PowerPull
        include Grading::SetUp
        include Grading::Touchdown

        SLOW_KT = 30.0
        # The last seconds of an approach, in which the power that stops it comes in.
        LAST_S = 6.0
        # Angle and closing speed are held to the line between these heights.
        LINE_FT = (40.0..200.0)

        # @return [Hash{String => Measure}] those that the manoeuvre declares
        def measures
          take_setup(attempt.start_s)
          take_descent if descent
          take_end
          @taken.slice(*manoeuvre.measure_ids)
        end

        def course_deg = @course_deg ||= landing_course_deg(ended_s || attempt.end_s)

        def gate_s = nil

        # Eased off to this share of what it had been, the sink has been stopped.
        BROKEN_OFF_SHARE = 0.8
        BEFORE_S = 10.0

        private

        def own_targets =
          { 'decision_sink_allowed_fpm' => context.house.sink_allowed_fpm(context.house['decision_speed_kt']) }

        def descent = attempt.phase('descent')
        def range = signals.index(descent.start_s)..signals.index(descent.end_s)
        def height(index) = signals[:agl][index] - zero
        def ended_s = attempt.event(:contact_s) || attempt.event(:stopped_s)

        def take_descent
          from = descent.start_s
          to = descent.end_s
          put('approach_angle_deg', 'descent', -> { Grading::ApproachAngle.of(signals, from, to) })
          put(
            'approach_angle_off_deg',
            'descent',
            -> { angle_off },
            reason: 'it was broken off, so there is no point that it led to'
          )
          put(
            'closing_speed_off_kt',
            'descent',
            -> { closing_speed_off },
            reason: 'it was broken off, so there is no point that it led to'
          )
          put(
            'groundspeed_at_50_ft_kt',
            'descent',
            -> { range.find { |i| height(i) <= 50.0 }&.then { |i| signals[:gs][i] } }
          )
          take_sink
          take_decision
          put('avoid_area_s', 'descent', -> { avoid_area_s })
        end

        def take_sink
          put('sink_max_fpm', 'descent', over(:sink, descent.start_s, descent.end_s, &:max))
          put(
            'sink_max_below_30_kt_fpm',
            'descent',
            with_airspeed { |kt, sink| sink if kt < SLOW_KT }.max,
            reason: 'it was never slower than 30 kt there'
          )
          put(
            'sink_over_allowed_fpm',
            'descent',
            with_airspeed { |kt, sink| sink - context.house.sink_allowed_fpm(kt) }.max
          )
          put('vortex_ring_index_max', 'descent', with_airspeed { |kt, sink| ring_index(kt, sink) }.max)
          put(
            'vortex_ring_margin_fpm',
            'descent',
            with_airspeed { |kt, sink| ring_margin(kt, sink) }.min,
            reason: 'it stayed faster than the vortex-ring region'
          )
        end

        # What the block makes of airspeed and sink, sample by sample, where both were recorded.
        def with_airspeed
          return [] unless signals.signal?(:airspeed) && signals.signal?(:sink)

          range.filter_map do |i|
            kt = signals[:airspeed][i]
            yield(kt, signals[:sink][i]) unless kt.nan? || signals[:sink][i].nan?
          end
        end

        def trim = @trim ||= context.conditions.trim
        def hover_m_s = @hover_m_s ||= trim.rotor.hover_induced_velocity(context.conditions.mass_kg * Quantities::G)

        # Strength of the vortex-ring state, 0 outside its region to 1 at its heart.
        def ring_index(kt, sink)
          trim.rotor.ring_strength(
            -sink * Quantities::FPM / hover_m_s,
            context.conditions.atmosphere.true_speed(kt * Quantities::KT) / hover_m_s
          )
        end

        # Sink that was left to the edge of the region at that airspeed.
        def ring_margin(kt, sink) = trim.vortex_ring_sinks_m_s(kt)&.then { |onset, _| (onset / Quantities::FPM) - sink }

        # The moment at which the airspeed falls to the house's decision speed for good.
        def decision_index
          return nil unless signals.signal?(:ias)

          last = range.to_a.reverse.find { |i| signals[:ias][i] > context.house['decision_speed_kt'] }
          last && last < range.last ? last + 1 : nil
        end

        def take_decision
          at = decision_index
          reason = Text.of('the airspeed did not fall to %{house} kt in the descent',
                           house: context.house['decision_speed_kt'].round)
          put('decision_height_ft', 'descent', -> { at && height(at) }, reason: reason)
          put('decision_sink_fpm', 'descent', -> { at && signals[:sink][at] }, reason: reason)
          put('break_off_height_ft', 'descent', -> { broken_off_ft }) if attempt.result == :go_around
        end

        # Height at which the descent that was broken off began to be stopped.
        def broken_off_ft
          to = descent.end_s
          usual = signals.window(:sink, [to - BEFORE_S, descent.start_s].max, to)
          return nil if usual.empty?

          level = BROKEN_OFF_SHARE * Quantities.median(usual)
          last = range.to_a.reverse.find { |i| signals[:sink][i] >= level }
          last && height(last)
        end

        def avoid_area_s
          area = Planning::HeightVelocity.new(context.type)
          return nil unless area.known?

          range.count { |i| area.inside?(height(i), signals[:airspeed][i]) } * signals.step_s
        end

        # Distance still to go from each sample of the descent to where it ended, ft: ground speed summed from the end.
        def to_go
          @to_go ||= begin
            finish = signals.index(ended_s)
            sum = (range.last...finish).sum { |i| signals[:gs][i] } * signals.step_s * FT_PER_KT_S
            range.to_a.reverse.to_h { |i| [i, sum += signals[:gs][i] * signals.step_s * FT_PER_KT_S] }
          end
        end

        # Samples on the line, between its heights.
        def on_line =
          if attempt.result == :completed && ended_s
            range.select { |i| LINE_FT.cover?(height(i)) && !to_go[i].nan? }
          else
            []
          end

        # Largest departure of the sight line to where it ended from the house's angle.
        def angle_off
          finish = signals.at(:agl, ended_s || attempt.end_s) - zero
          return nil if finish.nan?

          finish = 0.0 if finish.negative?
          on_line.map { |i| ((Math.atan2(height(i) - finish, to_go[i]) / Quantities::DEG) - wanted_deg).abs }.max
        end

        def wanted_deg = context.approach_angle_deg(manoeuvre)

        # Largest departure from the speed whose apparent closing rate stays the same, V ∝ √(distance to go), through
        # its own speed at the top of the line.
        def closing_speed_off
          top = on_line.first or return nil
          on_line.map { |i| (signals[:gs][i] - (signals[:gs][top] * Math.sqrt(to_go[i] / to_go[top]))).abs }.max
        end

        def take_end
          phase = attempt.phase('termination') or return
          take_power_pull('termination', [phase.start_s - LAST_S, attempt.start_s].max, phase.end_s)
          put('hover_height_ft', 'termination', over(:agl, phase.end_s - 4.0, phase.end_s) { |v| mean(v) - zero })
          put(
            'termination_heading_off_deg',
            'termination',
            course_deg && Quantities.wrap_deg(signals.at(:heading, phase.start_s) - course_deg)
          )
          take_contact(course_deg, phase_id: 'termination') if attempt.event(:contact)
          take_miss('termination', attempt.event(:stopped_s))
        end
      end
    end
  end
end
