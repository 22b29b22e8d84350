# frozen_string_literal: true

module Fujin
  # A student's progress as somebody sees it: staff all of it, the student what rests on attempts that they have said
  # their own word on (HeldBack). Counted blocks count what was flown, graded or not, for everybody.
  class ShownProgress
    extend Forwardable

    # @return [KeptStanding] as it is kept, or worked out here of what may be seen
    attr_reader :shown

    def_delegators :shown, :advice, :reactions, :manoeuvres

    # @param student [Person], @param viewer [Person]
    def initialize(student, viewer)
      @kept = KeptProgress.standing(student)
      @shown = @kept.unanswered && viewer.learner? ? answered(student) : @kept
    end

    # @param signed [Array<String>] manoeuvres that the student is signed off for
    # @return [Array<Hash>] the API's standings
    def standings(signed) = shown.with_sign_offs(signed)

    # @return [Array<Progress::BlockCount>]
    def blocks = @kept.counts

    private

    def answered(student)
      progress = StudentProgress.new(student, attempts: KeptProgress.attempts(student).select(&:answered))
      KeptStanding.new(KeptProgress.as_kept(Keeping.standing(progress)))
    end
  end
end
