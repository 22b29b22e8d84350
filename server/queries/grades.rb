# frozen_string_literal: true

module Fujin
  # Adds grades to an attempt, keeping every earlier one. Rules: students grade themselves and only themselves; an
  # instructor's change from the proposal wants a reason; the same id twice is one grade.
  class Grades
    # @param view [Hash] the attempt as the grader sees it
    def initialize(attempt, person, view)
      @attempt = attempt
      @person = person
      @proposed = view['phases'].to_h { |phase| [phase['id'], phase['proposed']] }
      @known = attempt.proposal['phases'].map { |phase| phase['id'] }
    end

    # @param entries [Array<Hash>] NewGrade
    # @raise [NotAllowed, InvalidInput]
    def add(entries)
      fresh = entries.reject { |entry| GradeRow.exists?(id: entry['id']) }
      problems = fresh.each_with_index.filter_map { |entry, i| problem(entry, i) }
      raise InvalidInput, problems unless problems.empty?

      GradeRow.transaction { fresh.each { |entry| create(entry) } }
    end

    private

    def problem(entry, index)
      if entry['kind'] == 'self' && @person.id != @attempt.sortie.student_id
        raise NotAllowed, 'Only the student gives the own grade.'
      end
      if entry['kind'] == 'self' && @attempt.self_graded?
        raise Conflict, 'You graded this attempt already, and have seen what your instructor gave: what was ' \
          'said first stays.'
      end
      raise NotAllowed, 'Only an instructor gives this grade.' if entry['kind'] != 'self' && !@person.instructor?
      if %w[instructor teaching].include?(entry['kind']) && !@attempt.sortie.taught_by?(@person)
        raise NotAllowed, Text.of('This is a lesson of %{instructor}: your grade is a second opinion, given without ' \
          'sight of the first.',
                                  instructor: @attempt.sortie.instructor.name)
      end
      if entry['kind'] == 'second' && first_opinion?
        raise NotAllowed, 'A second opinion is a colleague\'s: you graded this attempt yourself.'
      end

      known = entry['kind'] == 'teaching' ? taught : @known
      unless known.include?(entry['phase'])
        return { path: "grades.#{index}.phase", message: Text.of('expected one of %{known}', known: known.join(', ')) }
      end

      if unexplained?(entry)
        { path: "grades.#{index}.reason", message: 'a grade that differs from the proposal wants a reason' }
      end
    end

    # What a candidate's teaching is graded in; nothing in a flight that taught nobody to teach.
    def taught = @attempt.sortie.teaching? ? Progress::Teaching::ITEMS.keys : []

    def first_opinion? = @attempt.grades.exists?(kind: 'instructor', by_id: @person.id)

    def unexplained?(entry)
      return false unless entry['kind'] == 'instructor'

      proposed = @proposed[entry['phase']]
      !proposed.nil? && proposed != entry['grade'] && entry['reason'].to_s.strip.empty?
    end

    def create(entry)
      GradeRow.create!(
        id: entry['id'],
        attempt: @attempt,
        phase: entry['phase'],
        kind: entry['kind'],
        grade: entry['grade'],
        reason: entry['reason'],
        proposed: entry['kind'] == 'instructor' ? @proposed[entry['phase']] : nil,
        by: @person,
        standard_version: @attempt.proposal['standard_version'],
        created_at: Time.now.utc
      )
    end
  end
end
