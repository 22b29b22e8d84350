# frozen_string_literal: true

module Fujin
  # Students with where they stand, read in a fixed number of queries.
  class StudentRows
    def initialize(people)
      @people = people
    end

    def to_a
      ids = @people.map(&:id)
      kept = KeptProgress.standings(@people)
      signed = SignOff.in_force.where('sign_offs.student_id IN (?)', ids).pluck(:student_id, :manoeuvre)
        .group_by(&:first)
      upcoming =
        Sortie
          .where('student_id IN (?)', ids)
          .where(starts_at: Time.now.utc.., on_at: nil)
          .group(:student_id)
          .minimum(:starts_at)
      @people.map do |person|
        own = signed.fetch(person.id, []).map(&:last)
        row(person, upcoming[person.id], kept.fetch(person.id).with_sign_offs(own))
      end
    end

    private

    def row(person, upcoming, standings)
      {
        'id' => person.id,
        'name' => person.name,
        'stage' => person.stage,
        'next_sortie' => Serialisers.time(upcoming),
        'standings' => standings
      }
    end
  end
end
