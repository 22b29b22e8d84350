# frozen_string_literal: true

module Fujin
  module Grading
    # Faults at contact, alike for what has no standard of its own yet: held to what is usual. For fault
    # finders that include FaultFinding.
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
        return nil unless at && value(id) && out_at_contact?(id)

        found(fault, yield(value(id)), [id], from: [at - BEFORE_S, @attempt.start_s].max, to: at + 0.5)
      end

      # A value that its uncertainty could clear accuses nobody.
      def out_at_contact?(id)
        taken = measure(id)
        band = taken.band || standard_for_faults.band(id, @context.stage, @context.targets)
        [taken.least, taken.value, taken.most].none? do |v|
          %w[polished in].include?(band.verdict(v))
        end
      end
    end
  end
end
