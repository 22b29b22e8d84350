# frozen_string_literal: true

module Fujin
  module Grading
    # Faults that a recording shows of what is flown under power, held to the plan's angle, the sink allowed at each speed
    # and the type's limits. In causal order, as the manoeuvre declares them.
    class PoweredFaults
      # Off the angle by more than this is another approach, degrees.
      ANGLE_ROOM_DEG = 2.5
      DRIFT_KT = 3.5
      # Of the planned radius of a turn about a point: lost in a full turn, or missed anywhere.
      SPIRAL_SHARE = 0.12
      OFF_FIGURE_SHARE = 0.3
      AIRBORNE_FT = 2.0
      SLOW_KT = 30.0

      def initialize(taker, measures)
        @signals = taker.signals
        @attempt = taker.attempt
        @context = taker.context
        @measures = measures
      end

      # @return [Array<FoundFault>]
      def faults
        declared = Manoeuvres.find(@attempt.manoeuvre).faults.map(&:id)
        [*angle, sank, drift, spiral, off_figure, exceeded].compact.select { |fault| declared.include?(fault.id) }.sort_by { |fault| declared.index(fault.id) }
      end

      private

      # In the air, where a rotor must not turn slowly; a cushion from the hover spends just that.
      def airborne?(index)
        @attempt.manoeuvre != 'hovering_autorotation' && @signals.signal?(:agl) && @signals[:agl][index] - @signals.agl_zero_ft > AIRBORNE_FT
      end

      def value(id) = @measures[id]&.value

      def found(id, evidence, measures, from: @attempt.start_s, to: @attempt.end_s)
        FoundFault.new(id: id, evidence: evidence, measures: measures, from_s: from, to_s: to)
      end

      def wanted_deg
        { 'normal_approach' => 'normal_angle_deg', 'steep_approach' => 'steep_angle_deg', 'run_on_landing' => 'run_on_angle_deg' }[@attempt.manoeuvre]&.then do |name|
          @context.house[name]
        end
      end

      def angle
        flown = value('approach_angle_deg')
        wanted = wanted_deg
        return [] unless flown && wanted && (flown - wanted).abs > ANGLE_ROOM_DEG

        [found(flown > wanted ? 'too_steep' : 'too_shallow', "#{flown.round(1)}° over the ground, #{wanted}° is the house's angle", ['approach_angle_deg'])]
      end

      # Sink over what is allowed at that airspeed, below 30 kt, for a second or more.
      def sank
        return nil unless @signals.signal?(:ias) && @signals.signal?(:sink) && @attempt.phase('descent')

        descent = @attempt.phase('descent')
        range = @signals.index(descent.start_s)..@signals.index(descent.end_s)
        over = range.select { |i| @signals[:ias][i] < SLOW_KT && @signals[:sink][i] > @context.house.sink_allowed_fpm(@signals[:ias][i]) + 50.0 }
        run = over.slice_when { |a, b| b != a + 1 }.max_by(&:size) || []
        return nil if run.size * @signals.step_s < 1.0

        worst = run.max_by { |i| @signals[:sink][i] }
        sink = @signals[:sink][worst]
        speed = @signals[:ias][worst]
        found('sank_at_low_speed', "#{sink.round} ft/min at #{speed.round} kt, #{@context.house.sink_allowed_fpm(speed).round} allowed",
              ['sink_max_below_30_kt_fpm'], from: @signals.time(run.first), to: @signals.time(run.last))
      end

      def drift
        drift = value('contact_drift_kt')
        return unless drift && drift.abs > DRIFT_KT

        found('drift_at_contact', "#{drift.abs.round(1)} kt to the #{drift.positive? ? 'right' : 'left'} at contact", ['contact_drift_kt'])
      end

      def spiral
        lost = value('spiral_ft') or return nil
        return nil unless lost < -SPIRAL_SHARE * @context.figure.value('turn_radius_ft')

        found('spirals_in', "the radius shrank by #{-lost.round} ft a turn", ['spiral_ft'])
      end

      def off_figure
        off = value('turn_radius_max_off_ft') or return nil
        planned = @context.figure.value('turn_radius_ft')
        return nil unless off > OFF_FIGURE_SHARE * planned

        found('drifted_off_track', "up to #{off.round} ft from the planned radius of #{planned.round} ft", ['turn_radius_max_off_ft'])
      end

      # Rotor rpm past what the type allows at all: too fast anywhere, too slow only in the air.
      def exceeded
        low, high = @context.type.absolute_rotor_rpm
        return nil unless @signals.signal?(:nr)

        range = @signals.index(@attempt.start_s)..@signals.index(@attempt.end_s)
        values = range.filter_map { |i| @signals[:nr][i] if !@signals[:nr][i].nan? && (@signals[:nr][i] > high || airborne?(i)) }
        return nil if values.empty? || (values.min >= low && values.max <= high)

        off = values.max > high ? values.max : values.min
        found('exceeded_limit', "rotor rpm #{off.round(1)} %, #{low} to #{high} % at any time", [])
      end
    end
  end
end
