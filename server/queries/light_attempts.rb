# frozen_string_literal: true

module Fujin
  # Attempts as lists and records need them: without path and measures, with the last grades, in a fixed number of
  # queries.
  module LightAttempts
    module_function

    # @param student_ids [Array<String>]
    # @return [Array<AttemptRow>] with sortie, taps, exercise and grades, in order of time
    def of(student_ids)
      rows = AttemptRow.light.joins(:sortie).where(sorties: { student_id: student_ids })
        .order('sorties.starts_at', :created_at, :position)
        .preload(:exercise, sortie: %i[fly_events student]).to_a
      with_grades(rows)
    end

    # The attempts of these sorties, as their association.
    # @param sorties [Array<Sortie>]
    # @param rows [Array<AttemptRow>, nil] that are known already
    def preload(sorties, rows = nil)
      known = rows&.group_by(&:sortie_id)
      if known
        sorties.each { |sortie| sortie.association(:attempts).target = known.fetch(sortie.id, []) }
      else
        load(sorties, :attempts, AttemptRow.light)
        with_grades(sorties.flat_map { |sortie| sortie.attempts.to_a })
      end
      sorties
    end

    def with_grades(rows)
      load(rows, :exercise)
      given = last_grades(rows.map(&:id))
      rows.each { |row| row.given = given.fetch(row.id, {}) }
      # Few are held to less than the whole, and only of those the measures are asked.
      narrowed = rows.select(&:narrowed?)
      proposals = AttemptRow.where(id: narrowed.map(&:id)).pluck(:id, :proposal).to_h if narrowed.any?
      narrowed.each { |row| row.whole_proposal = proposals.fetch(row.id) }
      rows
    end

    # @return [Hash{String => Hash{String => Hash{String => Integer}}}] grade by attempt, kind and phase
    def last_grades(ids)
      grades = GradeRow.where(attempt_id: ids).order(:position).pluck(:attempt_id, :kind, :phase, :grade)
      grades.each_with_object({}) do |(attempt, kind, phase, grade), found|
        ((found[attempt] ||= {})[kind] ||= {})[phase] = grade
      end
    end

    def load(records, association, scope = nil)
      ActiveRecord::Associations::Preloader.new(records: records, associations: association, scope: scope).call
    end
  end
end
