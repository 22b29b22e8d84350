# frozen_string_literal: true

require 'csv'

module Fujin
  # One person's log: each flight once, added up, with when it was last current. A student's flights are theirs; an
  # instructor's are those they gave.
  class FlightLog
    HEADINGS = ['day', 'off (UTC)', 'on (UTC)', 'aircraft', 'type', 'kind', 'with', 'minutes', 'night minutes',
                'exercises'].freeze

    # @param person [Person]
    def initialize(person)
      @person = person
      @school = School.current
    end

    # @return [Hash] the API's FlightLog
    def to_h
      totals = Logbook::Totals.new(rows.map { |row| line(row) })
      {
        'person' => Serialisers.person_name(@person),
        'total_minutes' => totals.minutes, 'night_minutes' => totals.night_minutes,
        'device_minutes' => totals.device_minutes, 'by_kind' => totals.by_kind,
        'by_type' => totals.by_type, 'by_month' => totals.by_month,
        'within' => totals.within(@school.today).transform_keys(&:to_s),
        'last_by_type' => totals.last_by_type.transform_values(&:iso8601),
        'entries' => rows.map { |row| entry(row) }
      }
    end

    # @return [String] CSV (RFC 4180), oldest first
    def csv
      CSV.generate do |out|
        out << HEADINGS
        rows.reverse_each do |row|
          line = line(row)
          times = [row.off_at, row.on_at].map { |time| time.utc.strftime('%H:%M') }
          out << [line.on_day.iso8601, *times, row.aircraft.mark, line.type_name, line.kind,
                  TableCell.plain(other(row).name), line.minutes, line.night_minutes,
                  row.exercises.map(&:manoeuvre).uniq.join(' ')]
        end
      end
    end

    private

    # Newest first.
    def rows
      @rows ||= Sortie.where('student_id = :id OR instructor_id = :id', id: @person.id)
        .where.not(off_at: nil).where.not(on_at: nil)
        .order(starts_at: :desc).with_crew.preload(:exercises)
        .reject { |row| row.instructor_id == @person.id && row.people_aboard == 'solo' }
    end

    def line(row)
      @lines ||= {}
      @lines[row.id] ||= Logbook::FlightTime.new(
        on_day: @school.day_of(row.off_at), minutes: row.flight_minutes, kind: kind(row),
        night_minutes: Logbook::Night.minutes(row.off_at, row.on_at, *place(row)), type_name: row.aircraft.type.name
      )
    end

    def kind(row)
      return 'device' if row.training_device
      return 'solo' if row.people_aboard == 'solo'

      row.student.candidate? ? 'candidate' : 'dual'
    end

    def place(row) = row.exercises.first&.spot || @school.station_at
    def other(row) = row.student_id == @person.id ? row.instructor : row.student

    def entry(row)
      line = line(row)
      { 'sortie_id' => row.id, 'on_day' => line.on_day.iso8601, 'off_at' => Serialisers.time(row.off_at),
        'on_at' => Serialisers.time(row.on_at), 'minutes' => line.minutes, 'night_minutes' => line.night_minutes,
        'kind' => line.kind, 'aircraft' => row.aircraft.mark, 'type_name' => line.type_name,
        'with' => Serialisers.person_name(other(row)), 'changed' => changed.include?(row.id) }
    end

    # Lessons of which something was corrected afterwards.
    def changed
      @changed ||= AuditEntry.where(subject_kind: 'sortie', subject_id: rows.map(&:id)).distinct.pluck(:subject_id)
    end
  end
end
