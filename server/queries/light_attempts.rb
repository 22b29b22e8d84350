# frozen_string_literal: true

module Fujin
  # Attempts as lists and records need them: without path and measures, with the last grades, in a fixed number of
  # queries.
  module LightAttempts
    # Everything that was given of an attempt, in its order, with the attempt.
    GIVEN = '(SELECT json_agg(json_build_array(kind, phase, grade) ORDER BY position) FROM grades ' \
      'WHERE grades.attempt_id = attempts.id) AS all_given'
    private_constant :GIVEN

    module_function

    # Attempts as their sorties' association.
    # @param sorties [Array<Sortie>]
    def preload(sorties)
      rows = AttemptRow.asked(:light, sorties.map(&:id)) do
        AttemptRow.light.select(GIVEN).where('sortie_id = ANY($1)').order(:created_at, :position)
      end
      Sortie.take_exercises(sorties)
      take_exercises(rows, sorties)
      completed(rows)
      own = rows.group_by(&:sortie_id)
      sorties.each do |sortie|
        sortie.association(:attempts).target = own.fetch(sortie.id, [])
        sortie.attempts.each { |row| row.association(:sortie).target = sortie }
      end
    end

    # From those that their lessons know anyway.
    def take_exercises(rows, sorties)
      known = sorties.flat_map { |sortie| sortie.exercises.to_a }.index_by(&:id)
      rows.each do |row|
        exercise = known[row.exercise_id]
        row.association(:exercise).target = exercise if exercise
      end
    end

    # With exercise and grades, and with the proposal of the few that are held to less than the whole of it.
    def completed(rows)
      AttemptRow.belonging(rows.select { |row| row.exercise_id && !row.association(:exercise).loaded? }, :exercise)
      rows.each { |row| row.given = last_grades(row['all_given'] || []) }
      take_proposals(rows.select(&:narrowed?))
      rows
    end

    def take_proposals(rows)
      return if rows.empty?

      proposals = AttemptRow.where(id: rows.map(&:id)).pluck(:id, :proposal).to_h
      rows.each { |row| row.whole_proposal = proposals.fetch(row.id) }
    end

    # @return [Hash{String => Hash{String => Integer}}] grade by kind and phase
    def last_grades(all)
      all.each_with_object({}) { |(kind, phase, grade), found| (found[kind] ||= {})[phase] = grade }
    end
  end
end
