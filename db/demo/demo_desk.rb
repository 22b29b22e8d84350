# frozen_string_literal: true

module Fujin
  # The office of the school at Quillmere: documents with dates, what the fleet is due for, bookings of the days ahead,
  # who waits, who is away, one solo authority.
  class DemoDesk
    # Days from today until a medical runs out, by sign-in name; everybody else's is good for most of a year.
    MEDICALS = { 'basil' => -3, 'emeric' => 19, 'rufus' => 40 }.freeze
    # Day, hour, length in minutes, student, instructor, aircraft, kind, note.
    BOOKINGS = [
      [0, 12, 60, 'anselm', 'rufus', 'Q-SORA', 'dual', 'stop and restart, ten times'],
      [0, 15, 60, 'lioba', 'rufus', 'Q-TANB', 'dual', nil],
      [1, 9, 60, 'lioba', 'petra', 'Q-TANB', 'dual', nil],
      [1, 11, 60, 'tove', 'petra', 'Q-TANB', 'check', nil],
      [1, 12.5, 75, 'junia', 'corwin', 'Q-TANB', 'dual', 'circuits and go-arounds'],
      [1, 13, 60, 'fenna', 'rufus', 'Q-SORA', 'dual', nil],
      [1, 14.5, 60, 'oda', 'corwin', 'Q-TANB', 'solo', 'circuits only'],
      [1, 15, 60, 'mirela', 'rufus', 'Q-TANA', 'dual', nil],
      [2, 9, 60, 'emeric', 'corwin', 'Q-BRAC', 'dual', nil],
      [2, 10.5, 60, 'sunniva', 'petra', 'Q-YARA', 'dual', nil],
      [3, 9, 60, 'lioba', 'petra', 'Q-TANB', 'dual', nil],
      [3, 10, 60, 'junia', 'corwin', 'Q-BRAC', 'dual', nil],
      [4, 9, 60, 'fenna', 'rufus', 'Q-SORA', 'dual', nil],
      [4, 13, 90, 'tove', 'petra', 'Q-YARA', 'dual', nil]
    ].freeze

    # @param people [Hash{String => Person}] by sign-in name, @param fleet [Hash{String => AircraftRow}] by mark
    def initialize(people, fleet, today)
      @people = people
      @fleet = fleet
      @today = today
      @chief = people.fetch('ismay')
      @now = today.to_time(:utc)
    end

    def create
      @people.each_value { |person| papers(person) }
      due
      planned
      BOOKINGS.each { |row| book(*row) if row.values_at(3, 4).all? { |name| @people.key?(name) } }
      Wait.create!(student: @people['mirela'], by: @people['petra'], from_on: @today, until_on: @today + 10,
                   note: 'any morning', created_at: @now)
      Absence.create!(person: @people['rufus'], from_at: @now + (3 * 86_400), to_at: @now + (4 * 86_400),
                      words: 'standards meeting')
      solo
    end

    private

    def papers(person)
      person.update!(email: "#{person.sign_in}@quillmere.invalid")
      document(person, 'medical', @today + MEDICALS.fetch(person.sign_in, 220 + (person.name.length * 5)))
      document(person, 'licence', nil) unless person.role == 'student'
      document(person, 'instructor_rating', @today + 400) if person.instructor?
      document(person, 'examiner_authority', @today + 300) if person.chief?
    end

    def document(person, kind, till)
      PersonDocument.create!(person: person, by: @chief, kind: kind, valid_until: till, valid_from: @today - 300,
                             created_at: @now)
    end

    def due
      @fleet.each_with_index do |(mark, row), i|
        # Reading its flights may have changed it.
        row.reload.update!(hours_before: 1180.0 + (i * 317.4), recorder: 'flight recorder, 10 Hz')
        MaintenanceItem.create!(aircraft: row, by: @chief, title: '50 hour check', created_at: @now,
                                at_hours: (row.hours + (mark == 'Q-TANA' ? 3.5 : 11 + (6 * i))).round(1))
        MaintenanceItem.create!(aircraft: row, by: @chief, title: 'Annual inspection', on_day: @today + 40 + (i * 30),
                                created_at: @now)
      end
      Defect.create!(aircraft: @fleet['Q-BRAD'], by: @people['corwin'], text: 'Left landing light intermittent',
                     created_at: @now)
    end

    # What is prepared already was booked before.
    def planned
      Sortie.where(starts_at: @now.., on_at: nil).find_each do |row|
        Booking.create!(kind: 'dual', from_at: row.starts_at, to_at: row.starts_at + 3600, student: row.student,
                        instructor: row.instructor, aircraft: row.aircraft, by: row.instructor, sortie: row)
      end
    end

    def book(day, hour, minutes, student, instructor, mark, kind, note)
      from = @now + (day * 86_400) + (hour * 3600)
      Booking.create!(kind: kind, from_at: from, to_at: from + (minutes * 60), student: @people[student],
                      instructor: @people[instructor], aircraft: @fleet.fetch(mark), by: @people[instructor],
                      note: note, examiner: (@chief if kind == 'check'))
    end

    def solo
      oda = @people.fetch('oda')
      SoloSigning.new(oda, @people.fetch('corwin')).give(
        { 'id' => SecureRandom.uuid, 'exercises' => %w[hover circuit normal_approach lift_off_and_set_down],
          'places' => ['Quillmere grass strip', 'Quillmere paved runway'],
          'aircraft_ids' => %w[Q-TANA Q-TANB].map { |mark| @fleet.fetch(mark).id }, 'wind_kt' => 12, 'gust_kt' => 16,
          'crosswind_kt' => 6, 'visibility_m' => 8000, 'cloud_base_ft' => 1500, 'daylight_only' => true,
          'from' => @today.iso8601, 'until' => (@today + 30).iso8601,
          'despite' => 'What the list still asks for was shown on the lesson sheets before Fujin kept them.' },
        now: @now
      )
    end
  end
end
