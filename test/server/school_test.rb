# frozen_string_literal: true

require_relative '../server_helper'

# The board, the students' list, the fleet: what they show, to whom, and what to do next.
class SchoolTest < Minitest::Test
  include ServerHelp

  TODAY = Date.new(2026, 11, 25)

  def board(viewer = @instructor) = Fujin::TodayBoard.new(viewer, TODAY).to_h
  def progress(of = @sortie) = Fujin::SortieProgress.new(of.reload)

  def test_the_board_parts_today_from_earlier_and_later
    before = sortie(starts_at: Time.utc(2026, 11, 23, 9))
    after = sortie(starts_at: Time.utc(2026, 11, 27, 9))
    sortie(starts_at: Time.utc(2026, 10, 1, 9))

    assert_equal(
      [[@sortie.id], [before.id], [after.id]],
      board.values_at('sorties', 'earlier', 'later').map { |rows| rows.map { |row| row['id'] } }
    )
  end

  def test_the_next_step_follows_the_sortie
    assert_equal 'Decide go or no-go', progress.next_step
    @sortie.update!(go_decision: 'no_go')
    assert_equal 'Not flown: no-go', progress.next_step
    @sortie.update!(go_decision: 'go')
    assert_equal 'Fly', progress.next_step
    Fujin::FlyEvent.create!(
      id: SecureRandom.uuid,
      sortie: @sortie,
      kind: 'attempt',
      attempt_no: 1,
      at: Time.now.utc,
      by: @instructor,
      created_at: Time.now.utc
    )
    assert_equal 'Load the recording', progress.next_step
    assert_equal 'begun', progress.stages['fly']
  end

  def test_review_is_done_when_every_counted_attempt_is_graded
    @sortie.update!(go_decision: 'go')
    first, second = imported(@sortie, faults: [{}, {}])
    assert_equal 'Grade 2 of 2 attempts', progress.next_step
    grade_all(first, @instructor, 'instructor')
    assert_equal 'Grade 1 of 2 attempts', progress.next_step
    second.update!(counts: false, void_reason: 'traffic')
    assert_equal 'Enter the flight time', progress.next_step
    @sortie.update!(off_at: Time.utc(2026, 11, 25, 10), on_at: Time.utc(2026, 11, 25, 10, 50))
    assert_equal 'Complete', progress.next_step
    assert_equal %w[done done done done], progress.stages.values
  end

  # 14:00 UTC of the 24th is 03:00 of the 25th there.
  def test_what_waits_is_named_by_the_schools_day
    @school.update!(time_zone: 'Pacific/Auckland')
    @sortie.update!(starts_at: Time.utc(2026, 11, 24, 14))
    imported(@sortie)

    assert_includes board['attention'].filter_map { |item| item['text'] if item['kind'] == 'review' }.join,
                    "#{@student.name}, 25 November:"
  end

  # Readiness counts days, a standard holds from a day, records are read by day: all by the school's clock.
  def test_a_lesson_s_day_is_the_school_s_wherever_it_counts
    @school.update!(time_zone: 'Pacific/Auckland')
    @sortie.update!(starts_at: Time.utc(2026, 11, 24, 14))
    imported(@sortie)
    outcome = Fujin::LessonOutcome.of(Fujin::Sortie.where(id: @sortie.id)).first
    beside = Fujin::SideBySideView.new(@student, 'straight_in_autorotation', @instructor).to_h
    change_from = Date.new(2026, 11, 25)
    Fujin::StandardBook.change('straight_in_autorotation', 'miss_along_ft', [400.0, 300.0, 200.0, 100.0],
                               by: @chief, reason: 'a day', effective_from: change_from)

    assert_equal([change_from], outcome.attempts.map { |one| one.graded.on_day })
    assert_equal(['2026-11-25'], beside['columns'].map { |one| one['on'] })
    assert_includes Fujin::AttemptRow.first.title, '2026-11-25'
    assert_equal Fujin::StandardBook.standard('straight_in_autorotation', on: change_from).version,
                 Fujin::SortieSetting.new(@sortie.reload).standards['straight_in_autorotation'].version
    Fujin::Regrade.of(Fujin::StandardChange.last)

    assert_equal 1, Fujin::AttemptRow.stale.count
  end

  def test_what_waits_for_somebody
    @aircraft.update!(look_at_it: true, look_at_it_reason: 'low rotor rpm')
    imported(@sortie)
    kinds = board['attention'].map { |item| item['kind'] }

    assert_equal ['aircraft'], kinds - ['review']
    assert_empty board(@student)['attention']
  end

  def test_students_are_paged_and_read_in_a_fixed_number_of_queries
    60.times { |i| person("pupil#{i}", 'student', stage: 'early') }
    as(@instructor)
    # Whoever reads first after a change works it out.
    get '/api/students'
    queries = count_queries { get '/api/students' }
    first = answer

    assert_equal [50, 62], [first['items'].size, first['total']]
    # Somebody who comes meanwhile moves nobody's place.
    person('aaron', 'student', stage: 'early')
    get '/api/students', after: first['following']

    assert_equal [12, nil], [answer['items'].size, answer['following']]
    assert_empty answer['items'] & first['items']
    assert_operator queries, :<=, 12
    get '/api/students', find: 'PUPIL1'

    assert_equal 11, answer['total']
    get '/api/students', after: 'nonsense'

    assert_equal [422, 'after'], [status, answer['errors'][0]['path']]
    get '/api/student-names'

    assert_equal 63, answer.size
  end

  # A lesson more is no question more.
  def test_the_board_and_a_record_are_read_in_a_fixed_number_of_queries
    @sortie.update!(starts_at: Time.now.utc)
    as(@instructor)
    paths = ['/api/today', "/api/students/#{@student.id}", "/api/students/#{@student.id}/lessons"]
    asked = -> { paths.map { |path| count_queries { get path } } }
    asked.call
    few = asked.call
    lessons = ->(count) { count.times { |i| sortie(starts_at: Time.now.utc + (i * 60)).exercises.first.touch } }
    lessons.call(3)
    # Whoever reads first works them out, all in one.
    first = asked.call
    lessons.call(9)

    assert_equal first, asked.call
    assert_equal few, asked.call
    assert_equal 13, answer['sorties'].size
  end

  def count_queries
    count = 0
    counter =
      ActiveSupport::Notifications.subscribe('sql.active_record') do |*, payload|
        count += 1 unless payload[:name] == 'SCHEMA'
      end
    yield
    count
  ensure
    ActiveSupport::Notifications.unsubscribe(counter)
  end

  def test_standing_of_a_student_in_the_list
    grade_all(imported(@sortie).first, @instructor, 'instructor')
    as(@instructor)
    get '/api/students'
    standing = answer['items'].find { |row| row['id'] == @student.id }['standings'].first

    assert_equal 'straight_in_autorotation', standing['manoeuvre']
    refute standing['ready']
    assert_equal(
      %w[enough_attempts to_standard stage unassisted different_days no_critical],
      standing['conditions'].map { |c| c['id'] }
    )
    assert_empty answer['items'].find { |row| row['id'] == @other.id }['standings']
  end

  def test_the_fleet_shows_the_numbers_of_the_type_files
    as(@student)
    get '/api/aircraft'
    row = answer.first

    assert_equal 'anticlockwise', row['rotor_direction']
    assert_equal '91 to 111', row['numbers'].find { |n| n['label'] == 'Rotor rpm, power off' }['value']
  end

  def test_help_is_counted_per_attempt_and_phase
    events = [
      ['attempt', 1, nil, nil],
      ['help', 1, 'entry', 'prompted'],
      ['help', 1, 'glide', 'taken_over'],
      ['attempt', 2, nil, nil],
      ['grade', 2, 'flare', nil]
    ]
    events.each do |kind, number, phase, value|
      Fujin::FlyEvent.create!(
        id: SecureRandom.uuid,
        sortie: @sortie,
        kind: kind,
        attempt_no: number,
        phase: phase,
        at: Time.now.utc,
        by: @instructor,
        created_at: Time.now.utc,
        payload: kind == 'grade' ? { grade: 2 } : { value: value }.compact
      )
    end
    taps = Fujin::HelpTaps.new(@sortie.fly_events.to_a)

    assert_equal 2, taps.attempts
    assert_equal %w[taken_over prompted alone], [taps.help(1), taps.help(1, phase: 'entry'), taps.help(2)]
    assert_equal 2, taps.cockpit_grade(2, 'flare')
    assert_nil taps.cockpit_grade(1, 'flare')
  end

  def test_channels_keep_their_precision
    values = [1_795_600_000.123, 47.21041234, -14.33201234]

    assert_equal values, Fujin::ChannelRow.new(**Fujin::ChannelRow.pack('t_s', values)).values
    single = Fujin::ChannelRow.new(**Fujin::ChannelRow.pack('nr_pct', [99.87, Float::NAN])).values
    assert_in_delta 99.87, single[0], 1e-4
    assert_predicate single[1], :nan?
  end

  def test_the_flown_path_lies_in_the_plans_frame
    attempt = imported(@sortie).first
    first = attempt.path.first
    last = attempt.path.last

    assert_operator first['along_ft'], :<, -3000
    assert_in_delta 0, last['along_ft'], 120
    assert_in_delta 0, last['across_ft'], 60
    assert_in_delta 1000, first['height_ft'], 30
    assert_equal %w[setup entry glide flare recovery after], attempt.path.map { |p| p['phase'] }.uniq
  end

  def document(person, **more)
    Fujin::PersonDocument.create!(person: person, by: @chief, kind: 'medical', created_at: Time.now.utc, **more)
  end

  def test_a_document_waits_for_somebody_when_the_last_of_its_kind_runs_out
    document(@student, valid_until: TODAY - 1)
    document(@other, valid_until: TODAY + 14)
    document(@instructor, valid_until: TODAY + 15)
    texts = board['attention'].select { |one| one['kind'] == 'document' }.map { |one| one['text'] }

    assert_equal ['Student: Medical certificate ran out on 24 November 2026',
                  'Other: Medical certificate runs out on 9 December 2026, in 14 days'], texts
    document(@student, valid_until: TODAY + 300)
    document(@other)
    @instructor.update!(left_on: TODAY)

    assert_empty(board['attention'].select { |one| one['kind'] == 'document' })
  end

  def test_the_board_says_what_comes_next_for_each
    assert_equal '10:00, Student: Straight-in autorotation. Decide go or no-go.', board['next']
    assert_equal '10:00, with Instructor: Straight-in autorotation.', board(@student)['next']
    assert_equal 'Nothing is booked for you: ask your instructor for a lesson.', board(@other)['next']
    Fujin::Booking.create!(kind: 'dual', student: @other, instructor: @chief, aircraft: @aircraft, by: @chief,
                           from_at: TODAY.to_time(:utc) + (8 * 3600), to_at: TODAY.to_time(:utc) + (9 * 3600))

    assert_equal '08:00 in Q-TEST, with Chief: read up on what comes.', board(@other)['next']
    assert_equal '08:00 in Q-TEST, Other: prepare it.', board(@chief)['next']
    assert_equal([1, 0], [board(@other), board(@student)].map { |one| one['bookings'].size })
  end

  # In Auckland it is the 26th from 11:00 UTC of the 25th on, thirteen hours ahead in summer.
  def test_the_day_is_the_school_s
    @school.update!(time_zone: 'Pacific/Auckland')
    evening = sortie(starts_at: Time.utc(2026, 11, 25, 11))

    assert_equal Time.utc(2026, 11, 24, 11), @school.midnight(TODAY)
    assert_equal([[@sortie.id], [evening.id]], board.values_at('sorties', 'later').map do |rows|
      rows.map do |row|
        row['id']
      end
    end)
    zone = 'Europe/Lisbon'
    skipped, twice = [[2026, 3, 29], [2026, 10, 25]].map { |day| Fujin::TimeZones.moment(zone, Date.new(*day), 1, 30) }

    assert_equal [Time.utc(2026, 3, 29, 1, 30), Time.utc(2026, 10, 25, 0, 30)], [skipped, twice]
  end
end
