# frozen_string_literal: true

module Fujin
  # A lesson's attempts as a person may see them, numbered in the order in which they came; their paths, and most often
  # their measures, are asked for one at a time.
  class AttemptViews
    ORDER = %i[created_at position].freeze
    # Everything that was given of an attempt, in its order, as it is told: one question less, and no row a grade.
    GRADES = <<~SQL.squish
      (SELECT json_agg(json_build_object('id', grades.id, 'phase', phase, 'kind', kind, 'grade', grade,
        'proposed', proposed, 'reason', reason, 'by', people.name, 'standard_version', standard_version,
        'created_at', to_char(grades.created_at, 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')) ORDER BY grades.position)
        FROM grades JOIN people ON people.id = grades.by_id WHERE grades.attempt_id = attempts.id) AS told_grades
    SQL
    # Nine tenths of a proposal is its measures; one that is held to less than the whole of it is judged by them.
    UNMEASURED = <<~SQL.squish
      CASE WHEN attempts.task = 'whole' AND NOT EXISTS (SELECT 1 FROM exercises
        WHERE exercises.id = attempts.exercise_id AND exercises.not_judged <> '[]')
      THEN attempts.proposal - 'measures' ELSE attempts.proposal END AS proposal
    SQL
    WHOLE = 'attempts.proposal'
    private_constant :GRADES, :UNMEASURED, :WHOLE

    # @param sortie [Sortie], @param viewer [Person]
    # @param measures [Boolean] whether every attempt of the list comes with its own
    def initialize(sortie, viewer, measures: false)
      @sortie = sortie
      @viewer = viewer
      @measures = measures
      @taps = HelpTaps.new(FlyEvent.of(sortie))
    end

    # @return [Array<Hash>]
    def to_a
      rows(:listed, @measures ? WHOLE : UNMEASURED).each_with_index.map { |row, i| view(row, i + 1, @measures) }
    end

    # @return [Hash] of one, with its measures
    def of(attempt) = view(rows(:one, WHOLE, attempt.id).first, numbers.fetch(attempt.id), true)

    # @return [Hash{String => Integer}] by attempt
    def numbers = AttemptRow.where(sortie_id: @sortie.id).order(*ORDER).ids.each.with_index(1).to_h

    private

    def rows(name, proposal, *only)
      found = AttemptRow.asked([name, proposal], @sortie.id, *only) do
        all = AttemptRow.light.select(proposal, GRADES).where('sortie_id = $1').order(*ORDER)
        only.empty? ? all : all.where('attempts.id = $2')
      end
      Sortie.take_exercises([@sortie])
      LightAttempts.take_exercises(found, [@sortie])
      AttemptRow.belonging(found, { grades: :by, fault_calls: :by }) if @sortie.teaching?
      found.each do |row|
        row.association(:sortie).target = @sortie
        row.given = LightAttempts.last_grades(grades(row).map { |one| one.values_at('kind', 'phase', 'grade') })
      end
    end

    def grades(row) = row['told_grades'] || []

    def view(row, number, measures)
      Serialisers::AttemptView.new(row, number, @taps, grades: grades(row), measures: measures,
                                                       held_back: HeldBack.from?(@viewer, row)).to_h
    end
  end
end
