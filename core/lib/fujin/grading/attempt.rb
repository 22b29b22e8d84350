# frozen_string_literal: true

module Fujin
  module Grading
    # One execution of a manoeuvre as found in a recording.
    # `events` are named moments in recording time; `result` is :completed or :go_around.
    Attempt = Value.define(:manoeuvre, :start_s, :end_s, :phases, :events, :result, :estimated,
                           defaults: { result: :completed, estimated: false }) do
      def phase(id) = phases.find { |phase| phase.id == id }
      def event(id) = events[id]
      def phase_ids = phases.map(&:id)
    end
  end
end
