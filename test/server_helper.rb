# frozen_string_literal: true

require_relative 'test_database'
unless ENV['FUJIN_DATABASE_URL']
  TestDatabase.start
  owner = Process.pid
  at_exit { TestDatabase.stop if Process.pid == owner }
end
require 'minitest/autorun'
require 'rack/test'
require_relative '../server/app'

Fujin::Database.migrate

# A small school in the database, and ways to act as its people.
module ServerHelp
  include Rack::Test::Methods

  CORE_SPOT = [47.2104, -14.3320].freeze
  APP = Fujin::App.build(check_responses: true)
  PASSWORD = 'a good password'

  # One for all of them: sealing one takes as long as a whole small test.
  KEY = Fujin::Founding.key

  # Recordings take time to fly: each is flown once.
  RECORDINGS = {} # rubocop:disable Style/MutableConstant

  def app = APP

  def setup
    empty_the_database
    @school = Fujin::School.create!(name: 'Testing Field', station: 'XTST', **KEY)
    @chief = person('chief', 'chief_instructor')
    @instructor = person('instructor', 'instructor')
    @student = person('student', 'student', stage: 'solo')
    @other = person('other', 'student', stage: 'early')
    @aircraft = Fujin::AircraftRow.create!(mark: 'Q-TEST', type_id: 'tansy-2')
    @sortie = sortie
  end

  # Past every trigger and reference, which only who owns the whole database may: deleting what little a test wrote
  # takes a tenth of the time of emptying every table. A page of the test before may still be writing: it is waited for.
  def empty_the_database
    tables = ActiveRecord::Base.connection.tables - %w[schema_migrations ar_internal_metadata que_values]
    deleted = tables.map { |table| "DELETE FROM #{table};" }.join(' ')
    TestDatabase.forge("BEGIN; LOCK TABLE #{tables.join(', ')} IN EXCLUSIVE MODE; #{deleted} COMMIT")
  rescue PG::TRDeadlockDetected
    retry
  end

  def person(name, role, **fields)
    Fujin::Person.create!(name: name.capitalize, sign_in: name, role: role, mass_kg: 70, password: PASSWORD, **fields)
  end

  def sortie(**fields)
    Fujin::Sortie.plan!(
      {
        student: @student,
        instructor: @instructor,
        aircraft: @aircraft,
        starts_at: Time.utc(2026, 11, 25, 10),
        manoeuvre: 'straight_in_autorotation',
        stage: 'solo',
        fuel_kg: 40,
        wind_from_deg: 350,
        wind_kt: 8,
        spot_name: 'Heath',
        spot_lat_deg: CORE_SPOT[0],
        spot_lon_deg: CORE_SPOT[1],
        course_deg: 350,
        elevation_ft: 62.0
      }.merge(fields)
    )
  end

  def as(person)
    clear_cookies
    post_json '/api/session', { sign_in: person.sign_in, password: PASSWORD }
    @token = answer.fetch('csrf_token')
    self
  end

  def post_json(path, body = {}, headers = {}) = call('POST', path, body, headers)
  def patch_json(path, body, headers = {}) = call('PATCH', path, body, headers)
  def put_json(path, body, headers = {}) = call('PUT', path, body, headers)

  def call(verb, path, body, headers = {})
    custom_request(
      verb,
      path,
      {},
      { :input => JSON.generate(body), 'CONTENT_TYPE' => 'application/json', 'HTTP_X_CSRF_TOKEN' => @token.to_s }.merge(
        headers
      )
    )
    last_response
  end

  def upload(sortie, bytes, name: 'flight.csv')
    custom_request('POST', "/api/sorties/#{sortie.id}/recordings?name=#{name}", {},
                   { input: bytes, 'CONTENT_TYPE' => 'application/octet-stream', 'HTTP_X_CSRF_TOKEN' => @token.to_s })
    last_response
  end

  def answer = JSON.parse(last_response.body)
  def status = last_response.status

  # A recording of this sortie with the given faults, one set an attempt.
  def recording(sortie, faults: [{}], seed: 1)
    setting = Fujin::SortieSetting.new(sortie)
    RECORDINGS[flown_alike(setting) + [faults, seed]] ||= Fujin::Lessons::FlownLesson.new(
      setting.conditions,
      faults: faults,
      origin: CORE_SPOT,
      elevation_ft: 62.0,
      house: setting.house,
      seed: seed,
      course_deg: 350.0
    ).csv
  end

  # All that a flight of these settings hangs on; the settings themselves are each test's own.
  def flown_alike(setting)
    day = setting.conditions
    [*day.load_key, day.elevation_ft, day.oat_c, day.wind&.to_a, setting.house.values]
  end

  # What the worker does with the queue, here and now.
  def work_off
    jobs = ActiveRecord::Base.connection.select_rows(
      'SELECT id, job_class, args FROM que_jobs WHERE finished_at IS NULL ORDER BY id'
    )
    jobs.each { |_, job, args| Object.const_get(job).run(*JSON.parse(args)) }
    done = jobs.map(&:first).join(', ')
    ActiveRecord::Base.connection.execute("UPDATE que_jobs SET finished_at = now() WHERE id IN (#{done})") if jobs.any?
  end

  def imported(sortie, **options)
    as(@instructor)
    upload(sortie, recording(sortie, **options))
    work_off
    sortie.reload.attempts.to_a
  end

  def grade_all(attempt, person, kind, grade: nil, reason: nil)
    as(person)
    get "/api/sorties/#{attempt.sortie_id}/attempts"
    view = answer.find { |a| a['id'] == attempt.id }
    grades = view['phases'].filter_map do |phase|
      value = grade || phase['proposed']
      value && { id: SecureRandom.uuid, phase: phase['id'], kind: kind, grade: value, reason: reason }.compact
    end
    post_json("/api/attempts/#{attempt.id}/grades", { grades: grades })
  end
end
