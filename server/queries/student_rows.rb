# frozen_string_literal: true

module Fujin
  # Students with where they stand, read in a fixed number of queries.
  class StudentRows
    def initialize(people)
      @people = people
    end

    def to_a
      ids = @people.map(&:id)
      attempts = LightAttempts.of(ids).group_by { |a| a.sortie.student_id }
      tapped = TappedAttempts.of(ids)
      signed = SignOff.in_force.where(student_id: ids).group_by(&:student_id)
      upcoming =
        Sortie
          .where(student_id: ids)
          .where(starts_at: Time.now.utc.., on_at: nil)
          .group(:student_id)
          .minimum(:starts_at)
      school = School.current
      @people.map do |person|
        progress = StudentProgress.new(person, rows: attempts.fetch(person.id, []), tapped: tapped.fetch(person.id, []),
                                               school: school)
        row(progress, signed.fetch(person.id, []), upcoming[person.id])
      end
    end

    private

    def row(progress, signed, upcoming)
      person = progress.student
      {
        'id' => person.id,
        'name' => person.name,
        'stage' => person.stage,
        'next_sortie' => Serialisers.time(upcoming),
        'standings' =>
          progress.manoeuvres.map do |id|
            Serialisers.standing(progress, id, signed_off: signed.any? { |s| s.manoeuvre == id })
          end
      }
    end
  end
end
