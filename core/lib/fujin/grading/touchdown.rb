# frozen_string_literal: true

module Fujin
  module Grading
    # What the ground feels, and how far from the spot: alike for everything that lands. For takers that include
    # Measuring.
    module Touchdown
      private

      # @param nose_deg [Float, nil] where the nose is to point
      def take_contact(nose_deg, phase_id: 'touchdown')
        at = attempt.event(:contact_s)
        contact = attempt.event(:contact)
        put('contact_sink_fpm', phase_id, contact.sink_fpm, sources: contact.sources, reason: contact.reason)
        put('contact_groundspeed_kt', phase_id, signals.up_to(:gs, at))
        put('contact_drift_kt', phase_id, drift_up_to(at))
        put('contact_pitch_deg', phase_id, signals.up_to(:pitch, at))
        put(
          'contact_yaw_deg',
          phase_id,
          nose_deg ? Quantities.wrap_deg(signals.up_to(:heading, at) - nose_deg) : Float::NAN
        )
        put('contact_rotor_rpm_pct', phase_id, signals.up_to(:nr, at))
      end

      # Across the nose.
      def drift_up_to(at)
        off = signals.up_to(:track, at) - signals.up_to(:heading, at)
        signals.up_to(:gs, at) * Math.sin(off * Quantities::DEG)
      end

      # Given, or the mean track over the last ten seconds of moving.
      def landing_course_deg(at)
        return context.course_deg if context.course_deg

        values = signals.window(:track, at - 12.0, at - 2.0)
        values.empty? ? nil : mean(values) % 360.0
      end

      # From the spot, where there is one.
      def take_miss(phase_id, at)
        return unless context.spot && at

        along, across = position_from_spot(at)
        put('miss_along_ft', phase_id, along)
        put('miss_across_ft', phase_id, across)
        put('miss_ft', phase_id, Math.hypot(along, across))
      end

      # Feet that the skids or wheels came off the ground again.
      def bounce_ft(at, within_s)
        over(:agl, at, [at + within_s, signals.end_s].min) { |v| [v.max - zero, 0.0].max }
      end
    end
  end
end
