# frozen_string_literal: true

module Fujin
  # Attempts as lists and records need them: without path and measures, with the last grades, in a fixed number of
  # queries.
  module LightAttempts
    module_function

    # Attempts as their sorties' association.
    # @param sorties [Array<Sortie>]
    def preload(sorties)
      rows = completed(AttemptRow.light.where(sortie_id: sorties).order(:created_at, :position).to_a)
      own = rows.group_by(&:sortie_id)
      sorties.each do |sortie|
        sortie.association(:attempts).target = own.fetch(sortie.id, [])
        sortie.attempts.each { |row| row.association(:sortie).target = sortie }
      end
    end

    # With exercise and grades, and with the proposal of the few that are held to less than the whole of it.
    def completed(rows)
      ActiveRecord::Associations::Preloader.new(records: rows, associations: :exercise).call
      given = last_grades(rows.map(&:id))
      rows.each { |row| row.given = given.fetch(row.id, {}) }
      narrowed = rows.select(&:narrowed?)
      proposals = AttemptRow.where(id: narrowed.map(&:id)).pluck(:id, :proposal).to_h
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
  end
end
