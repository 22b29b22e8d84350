# frozen_string_literal: true

module Fujin
  module Grading
    # Faults at contact, alike for everything that lands. For fault finders that include FaultFinding.
    module ContactFaults
      BEFORE_S = 1.5

      private

      def not_level = at_contact('not_level', 'contact_pitch_deg') { |pitch| "pitch #{pitch.round(1)}° at contact" }

      def weak_cushion =
        at_contact('weak_cushion', 'contact_sink_fpm') { |sink| "sink #{sink.round} ft/min at contact" }

      def drift_at_contact =
        at_contact('drift_at_contact', 'contact_drift_kt') do |kt|
          "#{kt.abs.round(1)} kt to the #{kt.positive? ? 'right' : 'left'} at contact"
        end

      def at_contact(fault, id)
        at = @attempt.event(:contact_s)
        return nil unless at && bad?(id)

        found(fault, yield(value(id)), [id], from: [at - BEFORE_S, @attempt.start_s].max, to: at + 0.5)
      end
    end
  end
end
