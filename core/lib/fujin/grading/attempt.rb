# frozen_string_literal: true

module Fujin
  module Grading
    # One execution of a manoeuvre as found in a recording.
    # `events` are named moments in recording time; `result` is :completed, :go_around or :abandoned.
    Attempt = Value.define(:manoeuvre, :start_s, :end_s, :phases, :events, :result, :estimated,
                           defaults: { result: :completed, estimated: false }) do
      def phase(id) = phases.find { |phase| phase.id == id }
      def event(id) = events[id]

      # Did it meet the ground where power was to bring it to a hover? A barometer's height cannot tell.
      # @param signals [Recordings::Signals]
      def touched_in_recovery?(signals) =
        !phase('recovery').nil? && !event(:contact_s).nil? && !signals.estimated?(:agl)

      def phase_ids = phases.map(&:id)
    end
  end
end
