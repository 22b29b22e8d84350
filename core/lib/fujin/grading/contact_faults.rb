# frozen_string_literal: true

module Fujin
  module Grading
    # Faults at contact, alike for everything that lands. For fault finders that include FaultFinding.
    module ContactFaults
      BEFORE_S = 1.5

      private

      def not_level = at_contact('not_level', 'contact_pitch_deg') do |pitch|
        Text.of('pitch %{pitch}° at contact', pitch: pitch.round(1))
      end

      def weak_cushion =
        at_contact('weak_cushion', 'contact_sink_fpm') do |sink|
          Text.of('sink %{sink} ft/min at contact', sink: sink.round)
        end

      def drift_at_contact =
        at_contact('drift_at_contact', 'contact_drift_kt') do |kt|
          Text.of('%{kt} kt to the %{side} at contact', kt: kt.abs.round(1), side: kt.positive? ? 'right' : 'left')
        end

      def at_contact(fault, id)
        at = @attempt.event(:contact_s)
        return nil unless at && bad?(id)

        found(fault, yield(value(id)), [id], from: [at - BEFORE_S, @attempt.start_s].max, to: at + 0.5)
      end
    end
  end
end
