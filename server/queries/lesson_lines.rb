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

    # What a line is made of, by its names.
    ASKED = { 'id' => 'sorties.id', 'starts_at' => 'sorties.starts_at', 'on_at' => 'sorties.on_at',
              'stage' => 'sorties.stage', 'next_focus' => 'sorties.next_focus', 'aircraft_id' => 'sorties.aircraft_id',
              'student_id' => 'sorties.student_id', 'student_name' => 'students.name',
              'instructor_id' => 'sorties.instructor_id', 'instructor_name' => 'instructors.name' }.freeze
    MANOEUVRES = '(SELECT json_agg(manoeuvre ORDER BY position) FROM exercises WHERE sortie_id = sorties.id %s)'
    # Whose flight time is told beside it.
    FLOWN = %w[sorties.off_at sorties.training_device sorties.people_aboard].freeze
    WITH_CREW = <<~SQL.squish
      JOIN people students ON students.id = sorties.student_id
      JOIN people instructors ON instructors.id = sorties.instructor_id
    SQL
    private_constant :ASKED, :MANOEUVRES, :FLOWN, :WITH_CREW

    class << self
      # @param lessons [ActiveRecord::Relation] of sorties
      # @param viewer [Person]
      # @return [ActiveRecord::Relation] of the same, with what a line and its flight time need
      def narrow(lessons, viewer)
        lessons.joins(WITH_CREW).select(*asked(viewer).map { |name, sql| "#{sql} AS #{name}" }, *FLOWN)
      end

      # @param rows [Enumerable<Sortie>] read as .narrow has them
      # @param aircraft [Enumerable<AircraftRow>] theirs among them
      # @return [Array<Line>]
      def of(rows, aircraft)
        lines(rows.map { |row| [*ASKED.keys, 'manoeuvres'].map { |name| row[name] } }, aircraft)
      end

      # The same where only lines are asked for.
      # @param lessons [ActiveRecord::Relation] of sorties
      def read(lessons, viewer, aircraft)
        lines(lessons.joins(WITH_CREW).pluck(*asked(viewer).values.map { |sql| Arel.sql(sql) }), aircraft)
      end

      private

      def asked(viewer)
        ASKED.merge('manoeuvres' => format(MANOEUVRES, ("AND #{Exercise::KNOWN}" if viewer.learner?)))
      end

      def lines(rows, aircraft)
        by_id = aircraft.index_by(&:id)
        rows.map do |id, starts_at, on_at, stage, focus, craft, student, student_name, instructor, name, manoeuvres|
          Line.new(id: id, starts_at: starts_at, on_at: on_at, stage: stage, next_focus: focus,
                   aircraft: by_id.fetch(craft), student: Named.new(id: student, name: student_name),
                   instructor: Named.new(id: instructor, name: name), manoeuvres: (manoeuvres || []).uniq)
        end
      end
    end
  end
end
