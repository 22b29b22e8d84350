# frozen_string_literal: true

module Fujin
  # How far a sortie has come through its four stages, and what to do next.
  class SortieProgress
    # @param ready [Boolean, nil] has it a recording that was read? asked here otherwise
    def initialize(sortie, ready: nil)
      @sortie = sortie
      @ready = ready
      @attempts = sortie.attempts.select(&:asked?)
      @graded = @attempts.count { |attempt| fully_graded?(attempt) }
    end

    # Those that the lesson asked for.
    def attempts = @attempts.size
    def stages = { 'prepare' => prepare, 'fly' => fly, 'review' => review, 'record' => record }

    def next_step
      return 'Decide go or no-go' if prepare != 'done'
      return 'Not flown: no-go' if @sortie.go_decision == 'no_go'
      return 'Fly' if fly == 'open'
      return 'Load the recording' unless read?
      return 'Nothing of this exercise was found' if @attempts.empty?
      if review != 'done'
        return Text.count(@attempts.size, one: 'Grade %{left} of %{count} attempt',
                                          other: 'Grade %{left} of %{count} attempts', left: @attempts.size - @graded)
      end
      return 'Enter the flight time' if record != 'done'

      'Complete'
    end

    private

    # What was read has left attempts, or else there is a recording in which nothing was found.
    def read? = @sortie.attempts.any? || ready?
    def ready? = @ready.nil? ? RecordingRow.exists?(sortie_id: @sortie.id, status: 'ready') : @ready

    def prepare = @sortie.go_decision ? 'done' : 'open'

    def fly
      return 'done' if @sortie.on_at || @sortie.attempts.any?

      @sortie.fly_events.any? ? 'begun' : 'open'
    end

    def review
      return 'open' if @attempts.empty?

      @graded == @attempts.size ? 'done' : 'begun'
    end

    def record
      return 'done' if @sortie.flight_minutes && review == 'done'

      @sortie.flight_minutes || @sortie.next_focus ? 'begun' : 'open'
    end

    def fully_graded?(attempt)
      return true unless attempt.counts
      # Of a candidate's flight it is the teaching that is graded.
      return attempt.given('teaching').any? if @sortie.teaching?

      graded = attempt.given('instructor').keys
      # Without a standard nothing is proposed: one grade by hand is a decision.
      attempt.proposed_phases.empty? ? graded.any? : (attempt.proposed_phases - graded).empty?
    end
  end
end
