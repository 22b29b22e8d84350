# frozen_string_literal: true

module Fujin
  # A student's attempts in the core's words, and what follows from them.
  class StudentProgress
    attr_reader :student

    # From the rows themselves, nothing kept: what a sign-off rests on.
    def self.afresh(student)
      outcomes = LessonOutcome.of(Sortie.where(student_id: student.id))
      new(student, attempts: outcomes.flat_map(&:attempts))
    end

    # @param attempts [Array<KeptAttempt>, nil] in order of time; those that are kept otherwise
    # @param school [School, nil] read here otherwise
    def initialize(student, attempts: nil, school: nil)
      @student = student
      @school = school
      @attempts = attempts || KeptProgress.attempts(student)
    end

    # @return [Array<KeptAttempt>] of recordings, in order of time
    def flown = @flown ||= @attempts.select(&:recorded?)

    def standing(manoeuvre_id)
      mine = by_manoeuvre.fetch(manoeuvre_id, [])
      waits = blocks.select { |count| count.block.needed_for.include?(manoeuvre_id) }
      rule = school.readiness_rule(manoeuvre_id)
      [Progress::Standing.new(mine),
       Progress::Readiness.new(mine, rule, stage: @student.stage, blocks: waits), mine.size]
    end

    # How far the student has come in each of the school's counted blocks.
    # @return [Array<Progress::BlockCount>]
    def blocks
      @blocks ||= school.counted_blocks.map { |block| Progress::BlockCount.of(block, @attempts.map(&:graded)) }
    end

    # What was flown, in teaching order.
    def manoeuvres = Catalogue.all.map(&:id) & by_manoeuvre.keys

    # The rows a sign-off of this manoeuvre would cite.
    def evidence(manoeuvre_id)
      wanted = standing(manoeuvre_id)[1].evidence
      cited = flown.select { |one| wanted.include?(one.graded) }
      whole = AttemptRow.where(id: cited.map(&:id)).index_by(&:id)
      cited.map { |one| [whole.fetch(one.id), one.graded] }
    end

    private

    def school = @school ||= School.current
    def by_manoeuvre = @by_manoeuvre ||= flown.map(&:graded).group_by(&:manoeuvre)
  end
end
