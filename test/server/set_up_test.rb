# frozen_string_literal: true

require_relative '../server_helper'

# A school from nothing.
class SetUpTest < Minitest::Test
  include ServerHelp

  SCHOOL = { name: 'Ferrow Rotors', station: 'xfer', time_zone: 'Europe/Lisbon', lat_deg: 47.1, lon_deg: -14.2,
             elevation_ft: 30, units: { mass: 'lb' } }.freeze
  CHIEF = { name: 'Hild Ferrow', sign_in: 'Hild', password: 'heather over slate', mass_kg: 66 }.freeze

  def setup
    empty_the_database
    clear_cookies
    @token = nil
  end

  def set_up(from: '127.0.0.1', **fields)
    call('POST', '/api/set-up', { school: SCHOOL, chief: CHIEF, aircraft: { mark: 'q-new', type_id: 'tansy-2' } }
      .merge(fields), { 'REMOTE_ADDR' => from })
    [status, answer]
  end

  def test_from_nothing_to_the_first_lesson
    get '/api/session', {}, { 'REMOTE_ADDR' => '127.0.0.1' }

    assert_equal [nil, { 'code_needed' => false }], answer.values_at('school', 'set_up')
    code, said = set_up

    assert_equal [201, 'Ferrow Rotors', 'XFER', 'Hild Ferrow'],
                 [code, *said['school'].values_at('name', 'station'), said['person']['name']]
    assert_equal %w[lb c], said['person']['units'].values_at('mass', 'temperature'), 'the school reads in pounds'
    @token = said['csrf_token']
    post_json '/api/people',
              { id: SecureRandom.uuid, name: 'Wenna Marsh', sign_in: 'wenna', role: 'student', mass_kg: 64 }
    student = answer['id']
    get '/api/aircraft'
    craft = answer[0]

    assert_equal 'Q-NEW', craft['mark']
    post_json '/api/sorties', { id: SecureRandom.uuid, student_id: student, aircraft_id: craft['id'],
                                starts_at: '2026-11-30T10:00:00Z', manoeuvre: 'hover' }

    assert_equal [201, 'XFER aerodrome'], [status, answer['exercises'][0]['spot_name']]
    assert_equal 409, set_up[0], 'once'
  end

  def test_from_another_machine_it_needs_the_code_that_the_server_prints
    assert_equal 403, set_up(from: '192.0.2.7')[0]
    assert_equal 403, set_up(from: '192.0.2.7', code: '12345-67890')[0]
    refute_predicate Fujin::School, :exists?
    code = Fujin::FirstWords.text[/\S+\z/]

    assert_equal 201, set_up(from: '192.0.2.7', code: code.downcase)[0]
  end

  def test_what_is_wrong_is_named_and_nothing_is_kept
    {
      { school: SCHOOL.merge(time_zone: 'Nowhere/Else') } => 'school.time_zone',
      { chief: CHIEF.merge(password: 'password123') } => 'chief.password',
      { aircraft: { mark: 'Q-NEW', type_file: "id: broken\n" } } => nil
    }.each do |fields, path|
      code, said = set_up(**fields)

      assert_equal 422, code
      assert_equal path, said['errors'][0]['path'] if path
      assert_equal [0, 0, 0], [Fujin::School, Fujin::Person, Fujin::Place].map(&:count), fields
    end
  end

  def test_two_at_once_make_one_school
    codes = Array.new(4) do |i|
      Thread.new do
        Fujin::FirstSchool.new(JSON.parse({ school: SCHOOL, chief: CHIEF.merge(sign_in: "hild#{i}") }.to_json)).found
        :made
      rescue Fujin::Conflict
        :refused
      ensure
        ActiveRecord::Base.connection_handler.clear_active_connections!
      end
    end.map(&:value)

    assert_equal({ made: 1, refused: 3 }, codes.tally)
  end
end
