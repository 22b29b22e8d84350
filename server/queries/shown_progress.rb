# frozen_string_literal: true

module Fujin
  # A student's progress as somebody sees it: staff all of it, the student what rests on attempts that they have said
  # their own word on (HeldBack). Counted blocks count what was flown, graded or not, for everybody.
  class ShownProgress
    attr_reader :lessons, :attempts, :progress

    # @param student [Person], @param viewer [Person]
    def initialize(student, viewer)
      @student = student
      @lessons = KeptProgress.lessons(student)
      flown = @lessons.flat_map(&:flown)
      @attempts = viewer.learner? ? flown.select(&:answered) : flown
      @progress = StudentProgress.new(student, attempts: @attempts)
      @whole = @attempts.size == flown.size ? @progress : StudentProgress.new(student, attempts: flown)
    end

    def blocks = @whole.blocks

    # @param signed [Array<String>] manoeuvres that the student is signed off for
    # @return [Array<Hash>] the API's standings
    def standings(signed)
      kept = KeptStanding.find(@student.id)
      unless @whole.equal?(@progress)
        kept = KeptStanding.new(standings: KeptProgress.as_kept(Keeping.standings(@progress)))
      end
      kept.with_sign_offs(signed)
    end
  end
end
