# frozen_string_literal: true

module Fujin
  # The cockpit's taps as somebody sees them: a learner no grade among them before the own word on every attempt.
  class ShownTaps
    # @param sortie [Sortie], @param viewer [Person]
    def initialize(sortie, viewer)
      @sortie = sortie
      @viewer = viewer
    end

    # @return [Array<Hash>] the API's FlyEvents
    def to_a
      events = @sortie.fly_events.preload(:by).to_a
      taps = HelpTaps.new(events)
      events = events.reject { |event| event.kind == 'grade' } if hidden?
      events.map { |event| Serialisers.fly_event(event, taps) }
    end

    private

    def hidden?
      return false unless @viewer.learner?

      LightAttempts.preload([@sortie])
      asked = @sortie.attempts.select(&:asked?)
      asked.empty? || asked.any? { |attempt| HeldBack.from?(@viewer, attempt) }
    end
  end
end
