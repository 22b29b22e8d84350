# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'sign_off_help'

# A read asks the database a fixed number of questions, however much there is: none a row.
class QuestionsTest < Minitest::Test
  include ServerHelp
  include SignOffHelp

  MOST = 12
  NOT_COUNTED = /\A\s*(BEGIN|COMMIT|ROLLBACK|SAVEPOINT|RELEASE|SET|SHOW)/i

  def asked(path)
    told = []
    count = ->(*, payload) do
      told << payload[:sql] unless payload[:cached] || payload[:name] == 'SCHEMA' || payload[:sql].match?(NOT_COUNTED)
    end
    ActiveSupport::Notifications.subscribed(count, 'sql.active_record') { get path }

    assert_equal 200, status, path
    told
  end

  def reads(attempt)
    lesson = "/api/sorties/#{attempt.sortie_id}"
    student = "/api/students/#{@student.id}"
    ['/api/today', '/api/students', '/api/student-names', '/api/people', '/api/catalogue', '/api/types', '/api/sites',
     '/api/places', '/api/me', '/api/school', '/api/agreement', "/api/bookings?from=#{Date.new(2026, 11, 25)}&days=7",
     lesson, "#{lesson}/attempts", "#{lesson}/events", student, "#{student}/lessons", "#{student}/solo",
     "/api/people/#{@student.id}/log",
     *['', '/strips', '/pictures', '/path'].map { |what| "/api/attempts/#{attempt.id}#{what}" }]
  end

  def test_a_read_asks_a_dozen_questions_at_most
    make_ready
    make_ready(@other)
    as(@chief)
    all = reads(Fujin::AttemptRow.where(sortie: Fujin::Sortie.where(student: @student)).first)
    all.each { |path| asked(path) }
    all.each do |path|
      told = asked(path)

      assert_operator told.size, :<=, MOST, "#{path}:\n#{told.join("\n")}"
    end
  end

  # Booked, away and waiting, with documents that run out: everybody on the boards is told by name.
  def test_full_boards_ask_no_more_than_empty_ones
    make_ready
    fill_the_boards(Time.now.utc)
    as(@chief)
    board = "/api/bookings?from=#{Time.now.utc.to_date}&days=7"
    [board, '/api/today'].each { |path| asked(path) }
    [board, '/api/today'].each do |path|
      told = asked(path)

      assert_operator told.size, :<=, MOST, "#{path}:\n#{told.join("\n")}"
      assert_equal([@student.name], answer['bookings'].map { |one| one['student']['name'] })
    end
  end

  def fill_the_boards(now)
    from = [now + 600, now.end_of_day - 7200].min
    Fujin::Booking.create!(id: SecureRandom.uuid, kind: 'dual', student: @student, instructor: @instructor,
                           examiner: @chief, aircraft: @aircraft, by: @chief, from_at: from, to_at: from + 3600)
    Fujin::Absence.create!(id: SecureRandom.uuid, person: @other, words: 'away', source: 'person',
                           from_at: now, to_at: now + 86_400)
    third = Fujin::Person.create!(name: 'Third', sign_in: 'third', role: 'student', stage: 'solo', mass_kg: 70)
    Fujin::Wait.create!(id: SecureRandom.uuid, student: third, instructor: @instructor, by: @chief,
                        from_on: now.to_date, until_on: now.to_date + 7)
    [@student, @other, @instructor].each do |person|
      Fujin::PersonDocument.create!(person: person, by: @chief, kind: 'medical', valid_until: now.to_date + 3,
                                    created_at: now)
    end
  end

  # The second time, when what was marked is worked out.
  def counts
    as(@chief)
    paths = reads(Fujin::AttemptRow.order(:created_at).first)
    paths.each { |path| asked(path) }
    paths.map { |path| [path, asked(path).size] }
  end

  # Twice as much is asked for in the same words.
  def test_it_asks_no_more_where_there_is_more
    make_ready
    before = counts
    3.times { |i| imported(sortie(starts_at: Time.utc(2026, 11, 26, 8 + i)), faults: [{}], seed: 20 + i) }

    assert_equal before, counts
  end
end
