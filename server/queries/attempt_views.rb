# frozen_string_literal: true

module Fujin
  # A lesson's attempts as a person may see them, numbered in the order in which they came; their paths are asked for
  # one at a time.
  class AttemptViews
    ORDER = %i[created_at position].freeze
    # Everything that was given of an attempt, in its order, as it is told: one question less, and no row a grade.
    GRADES = <<~SQL.squish
      (SELECT json_agg(json_build_object('id', grades.id, 'phase', phase, 'kind', kind, 'grade', grade,
        'proposed', proposed, 'reason', reason, 'by', people.name, 'standard_version', standard_version,
        'created_at', to_char(grades.created_at, 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')) ORDER BY grades.position)
        FROM grades JOIN people ON people.id = grades.by_id WHERE grades.attempt_id = attempts.id) AS told_grades
    SQL
    private_constant :GRADES

    # @param sortie [Sortie], @param viewer [Person]
    def initialize(sortie, viewer)
      @sortie = sortie
      @viewer = viewer
      @taps = HelpTaps.new(sortie.fly_events.preload(:by).to_a)
    end

    # @return [Array<Hash>]
    def to_a = rows.each_with_index.map { |row, i| view(row, i + 1) }

    # @return [Hash] of one
    def of(attempt) = view(rows(id: attempt.id).first, numbers.fetch(attempt.id))

    # @return [Hash{String => Integer}] by attempt
    def numbers = AttemptRow.where(sortie_id: @sortie.id).order(*ORDER).ids.each.with_index(1).to_h

    private

    def rows(**only)
      teaching = @sortie.teaching? ? [{ grades: :by, fault_calls: :by }] : []
      AttemptRow.pathless.select(GRADES).where(sortie_id: @sortie.id, **only).order(*ORDER)
        .preload(:exercise, *teaching).each do |row|
          row.association(:sortie).target = @sortie
          row.given = LightAttempts.last_grades(grades(row).map { |one| one.values_at('kind', 'phase', 'grade') })
        end
    end

    def grades(row) = row['told_grades'] || []

    def view(row, number)
      Serialisers::AttemptView.new(row, number, @taps, grades: grades(row),
                                                       held_back: HeldBack.from?(@viewer, row)).to_h
    end
  end
end
