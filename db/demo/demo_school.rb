# frozen_string_literal: true

require 'yaml'
require_relative 'demo_desk'
require_relative 'demo_flights'
require_relative 'demo_sites'

module Fujin
  # Fills an empty database with the school at Quillmere: people, fleet, eight weeks of lessons, and recordings that the
  # flight model flew and the ordinary import measured.
  class DemoSchool
    FOLDER = __dir__
    PASSWORD = 'quillmere'
    FLEET = {
      'Q-TANA' => 'tansy-2',
      'Q-TANB' => 'tansy-2',
      'Q-BRAC' => 'bracken-2',
      'Q-BRAD' => 'bracken-2',
      'Q-YARA' => 'yarrow-4',
      'Q-SORA' => 'sorrel-g'
    }.freeze
    HEATH = 'Heath, south mark'
    TO_STANDARD = 3

    # One of the demo's that is planned and not flown, to be followed live; nil in a school of another's.
    # @return [Sortie, nil]
    def self.lesson_to_follow
      planned = Sortie.where(instructor: Person.where(sign_in: 'corwin')).where.missing(:recordings)
      planned.order(:starts_at).find { |sortie| sortie.exercises.size > 1 }
    end

    # @param today [Date], @param say [#call] progress for the terminal
    def initialize(today:, say: ->(_) {})
      @today = today
      @say = say
    end

    # @param students [Array<String>, nil] whose sorties are flown, everybody's if none are named
    def load(students: nil)
      @say.call('loading the demo school (once, about two minutes)')
      Founding.of(name: 'Quillmere Flying School', station: 'XQLM', demo: true, lat_deg: 47.2031,
                  lon_deg: -14.3198)
      @people =
        YAML.load_file(File.join(FOLDER, 'people.yml')).to_h { |fields| [fields['sign_in'], create_person(fields)] }
      create_places
      DemoSites.new(@people, @today).create
      @fleet = FLEET.to_h { |mark, type_id| [mark, AircraftRow.create!(mark: mark, type_id: type_id)] }
      lessons = YAML.load_file(File.join(FOLDER, 'sorties.yml'))
        .select { |fields| students.nil? || students.include?(fields['student']) }
        .sort_by { |fields| fields.values_at('day', 'hour') }
        .map { |fields| [create_sortie(fields), fields] }
      flown = lessons.reject { |_, fields| fields['planned'] }
      recordings = DemoFlights.new(flown).recordings
      flown.zip(recordings).each { |(sortie, fields), bytes| fly(sortie, fields, bytes) }
      DemoDesk.new(@people, @fleet, @today).create
    end

    private

    def create_places = YAML.load_file(File.join(FOLDER, 'places.yml')).each { |fields| Place.create!(fields) }

    def create_person(fields) = Person.create!(**fields.transform_keys(&:to_sym), password: PASSWORD)

    def create_sortie(fields)
      aircraft = @fleet.fetch(fields['aircraft'])
      student = @people.fetch(fields['student'])
      sortie =
        Sortie.plan!(
          student: student,
          instructor: @people.fetch(fields['instructor']),
          aircraft: aircraft,
          starts_at: @today.to_time(:utc) + (fields['day'] * 86_400) + (fields['hour'] * 3600),
          manoeuvre: fields['manoeuvre'] || 'straight_in_autorotation',
          settings: fields['settings'] || {},
          stage: fields['stage'] || student.stage,
          fuel_kg: fuel(aircraft, student, fields),
          qnh_hpa: 1016.0,
          height_ft: fields['manoeuvre'] ? fields['height_ft'] : 1000.0,
          house: {
            'ending' => fields['ending'] || 'power_recovery'
          },
          **weather(fields),
          **place(fields)
        )
      sortie.exercises.first.update!(planned_count: fields['count'], **today(fields))
      lead_to(sortie.exercises.first, fields) if fields['site']
      more(fields).each_with_index { |one, i| add_exercise(sortie, one, i + 2) }
      sortie.reload
    end

    # To a site, along the line that is named.
    def lead_to(exercise, fields)
      site = SiteRow.find_by!(name: fields['site'])
      exercise.update!(SiteTaken.new(exercise, site, fields['line']).changes)
    end

    def weather(fields)
      wind = Wind.parse(fields['wind'])
      { wind_from_deg: wind.from_deg, wind_kt: wind.speed_kt, gust_kt: fields['gust'], oat_c: fields['oat_c'],
        dew_point_c: fields['dew_point_c'] }
    end

    # On the heath unless another place is named, along its usual course.
    def place(fields)
      row = Place.find_by!(name: fields['place'] || HEATH)
      { spot_name: row.name, spot_lat_deg: row.lat_deg, spot_lon_deg: row.lon_deg, elevation_ft: row.elevation_ft,
        course_deg: row.courses.first }
    end

    # What counts of an exercise today.
    def today(fields) =
      { objective: fields['objective'], not_judged: fields['not_judged'] || [],
        first_tries: fields['first_tries'] || false, task: fields['task'] || 'whole', surprise: fields['surprise'] }

    # What is flown after the first exercise.
    def more(fields) = fields.fetch('more', [])

    def add_exercise(sortie, fields, position)
      place = sortie.exercise.attributes.slice('spot_name', 'spot_lat_deg', 'spot_lon_deg', 'elevation_ft',
                                               'course_deg', 'house')
      sortie.exercises.create!(
        **place,
        **fields.slice('manoeuvre', 'height_ft'),
        **today(fields),
        settings: fields.fetch('settings', {}),
        planned_count: fields['count'] || fields['flights']&.size,
        position: position
      )
    end

    # As much fuel as the greatest mass allows with these two aboard, at most three quarters.
    def fuel(aircraft, student, fields)
      type = aircraft.type
      room =
        type.fetch('masses_kg.max') - type.fetch('masses_kg.empty') - student.mass_kg -
        @people.fetch(fields['instructor']).mass_kg
      room.clamp(10.0, 0.75 * type.optional('fuel.full_kg')).round
    end

    def fly(sortie, fields, bytes)
      @say.call("reading #{sortie.student.name}'s lesson of #{sortie.starts_at.to_date}")
      sortie.update!(
        go_decision: 'go',
        off_at: sortie.starts_at + 600,
        on_at: sortie.starts_at + 600 + (55 * 60),
        next_focus: fields['focus']
      )
      taps(sortie, fields)
      ImportRecording.run(keep(sortie, bytes).id)
      graded(sortie, fields)
    end

    def graded(sortie, fields)
      flown = sortie.reload.attempts.to_a
      return teach(flown, fields['teaching']) if fields['teaching']

      asked = flown.select(&:asked?)
      asked.each_with_index { |attempt, i| grade(attempt, i, fields) } unless fields['grade'] == false
      asked.each { |attempt| second_opinion(attempt, fields['second']) } if fields['second']
      sign(sortie) if fields['sign']
    end

    def keep(sortie, bytes)
      RecordingRow.create!(
        sortie: sortie,
        by: sortie.instructor,
        name: "#{sortie.aircraft.mark.downcase}-#{sortie.starts_at.strftime('%Y%m%d-%H%M')}.csv",
        sha256: Digest::SHA256.hexdigest(bytes),
        bytes: bytes
      )
    end

    def taps(sortie, fields)
      start = sortie.off_at + 300
      flights = fields['tries']&.size || [fields, *more(fields)].sum { |one| one['flights'].size }
      flights.times do |i|
        at = start + (i * 400)
        event(sortie, 'attempt', at, i + 1)
        event(sortie, 'control', at + 1, i + 1, value: fields['controls']) if fields['controls']
        help = fields.fetch('help', {})[i + 1]
        event(sortie, 'help', at + 20, i + 1, phase: 'entry', value: help) if help
        manner = fields.fetch('manner', {})[i + 1]
        event(sortie, 'manner', at + 5, i + 1, value: manner) if manner
      end
    end

    def event(sortie, kind, at, number, phase: nil, value: nil)
      FlyEvent.create!(
        id: SecureRandom.uuid,
        sortie: sortie,
        kind: kind,
        at: at,
        attempt_no: number,
        phase: phase,
        payload: { value: value }.compact,
        by: sortie.instructor,
        created_at: at
      )
    end

    # The student a little kinder than the proposal, the instructor confirming it. What no measure proposes, a cushion,
    # the instructor saw to standard.
    def grade(attempt, index, fields)
      return if attempt.proposed_phases.empty?

      taps = HelpTaps.new(attempt.sortie.fly_events.to_a)
      attempt.judged['phases'].each do |phase|
        help = taps.help(index + 1, phase: phase['id'])
        seen = phase['grade'] || TO_STANDARD
        own = (seen + (index == 0 && fields['day'].odd? ? 1 : 0)).clamp(0, 4)
        given = [seen, Grading::Grader::HELP_CEILING.fetch(help)].min
        add_grade(attempt, phase['id'], 'self', own, nil, attempt.sortie.student)
        add_grade(attempt, phase['id'], 'instructor', given, phase['grade'] && given, attempt.sortie.instructor)
      end
    end

    # What was played in each attempt, what the candidate named with which cue, and how the teaching was graded.
    def teach(flown, lessons)
      flown
        .zip(lessons)
        .each do |attempt, lesson|
          next unless lesson

          say_fault(attempt, 'played', lesson['played'], nil, attempt.sortie.instructor)
          next unless lesson.key?('named')

          say_fault(attempt, 'named', lesson['named'], lesson['cue'], attempt.sortie.student)
          lesson
            .fetch('grades', {})
            .each { |item, grade| add_grade(attempt, item, 'teaching', grade, nil, attempt.sortie.instructor) }
        end
    end

    def say_fault(attempt, kind, fault, cue, person)
      FaultCall.create!(
        id: SecureRandom.uuid,
        attempt: attempt,
        kind: kind,
        fault: fault,
        cue: cue,
        by: person,
        created_at: attempt.sortie.on_at + 900
      )
    end

    # A colleague's grades: the proposal's, with what that colleague sees otherwise.
    def second_opinion(attempt, second)
      attempt.proposal['phases']
        .reject { |p| p['grade'].nil? }
        .each do |phase|
          add_grade(
            attempt,
            phase['id'],
            'second',
            (phase['grade'] + second.fetch(phase['id'], 0)).clamp(1, 4),
            nil,
            @people.fetch(second['by'])
          )
        end
    end

    def add_grade(attempt, phase, kind, grade, proposed, person)
      GradeRow.create!(
        id: SecureRandom.uuid,
        attempt: attempt,
        phase: phase,
        kind: kind,
        grade: grade,
        proposed: proposed,
        by: person,
        standard_version: attempt.proposal['standard_version'],
        created_at: attempt.sortie.on_at + 1200
      )
    end

    def sign(sortie)
      Signing.new(sortie.student, sortie.manoeuvres.first, sortie.instructor).sign(
        id: SecureRandom.uuid,
        remark: 'Full touchdown, dual.',
        now: sortie.on_at + 3600
      )
    end
  end
end
