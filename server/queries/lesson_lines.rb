# frozen_string_literal: true

module Fujin
  # Lessons as a list has them: who, when, in what and what, in one question, without the rest of their day.
  class LessonLines
    # Who is in it.
    Named = Value.define(:id, :name)
    Line = Value.define(:id, :starts_at, :on_at, :stage, :student, :instructor, :aircraft, :manoeuvres, :next_focus) do
      def student_id = student.id
      def instructor_id = instructor.id
      def title = Sortie.titled(manoeuvres)
    end

    OWN = %w[id starts_at off_at on_at stage next_focus student_id instructor_id aircraft_id training_device
             people_aboard].map { |name| "sorties.#{name}" }.freeze
    CREW = ['students.name AS student_name', 'instructors.name AS instructor_name'].freeze
    WITH_CREW = <<~SQL.squish
      JOIN people students ON students.id = sorties.student_id
      JOIN people instructors ON instructors.id = sorties.instructor_id
    SQL
    # @param lessons [ActiveRecord::Relation] of sorties
    # @param viewer [Person]
    # @return [ActiveRecord::Relation] of the same, with what a line and its flight time need
    def self.narrow(lessons, viewer)
      known = "AND #{Exercise::KNOWN}" if viewer.learner?
      lessons.joins(WITH_CREW).select(*OWN, *CREW, <<~SQL.squish)
        (SELECT json_agg(manoeuvre ORDER BY position) FROM exercises
          WHERE sortie_id = sorties.id #{known}) AS manoeuvres
      SQL
    end

    # @param rows [Enumerable<Sortie>] read as .narrow has them
    # @param aircraft [Enumerable<AircraftRow>] theirs among them
    # @return [Array<Line>]
    def self.of(rows, aircraft)
      by_id = aircraft.index_by(&:id)
      rows.map do |row|
        Line.new(**row.slice(:id, :starts_at, :on_at, :stage, :next_focus).symbolize_keys,
                 student: Named.new(id: row.student_id, name: row.student_name),
                 instructor: Named.new(id: row.instructor_id, name: row.instructor_name),
                 aircraft: by_id.fetch(row.aircraft_id), manoeuvres: (row['manoeuvres'] || []).uniq)
      end
    end
  end
end
