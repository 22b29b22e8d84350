# frozen_string_literal: true

require_relative '../server_helper'

# Planning over the wire, edits that clash, the cockpit's taps.
class SortieTest < Minitest::Test
  include ServerHelp

  def setup
    super
    as(@instructor)
  end

  def plan(change = {})
    post_json "/api/sorties/#{@sortie.id}/plan", change
    answer
  end

  def test_the_plan_answers_to_the_day_and_stores_nothing
    calm = plan('wind_kt' => 0)
    windy = plan('wind_kt' => 20)

    assert_operator windy['numbers']['entry_distance_ft']['value'], :<, calm['numbers']['entry_distance_ft']['value']
    assert_in_delta 8, @sortie.reload.wind_kt
  end

  def test_the_mass_is_empty_and_people_and_fuel
    assert_in_delta 362 + 70 + 70 + 40, plan['numbers']['mass_kg']['value']
    assert_in_delta 362 + 70 + 40, plan('people_aboard' => 'solo')['numbers']['mass_kg']['value']
  end

  def test_server_and_command_line_give_the_same_numbers
    setting = Fujin::SortieSetting.new(@sortie)
    day = "--mass-kg #{setting.mass_kg} --wind 350/8 --course 350 --oat-c 15 --elevation-ft 62"
    output = `#{Fujin::Settings::ROOT}/bin/fujin plan straight_in_autorotation --aircraft tansy-2 #{day} --json`

    assert_equal JSON.parse(output)['numbers'], plan['numbers']
  end

  def test_what_cannot_be_planned_is_a_problem_with_the_field
    body = plan('height_ft' => 60)

    assert_equal 422, status
    assert_equal 'height_ft', body['errors'].first['path']
  end

  # Twenty knots from nowhere were planned as calm once.
  def test_half_a_wind_is_refused_at_its_field_and_none_is_said
    { { 'wind_kt' => 20, 'wind_from_deg' => nil } => 'wind_from_deg',
      { 'wind_kt' => nil, 'wind_from_deg' => 350 } => 'wind_kt' }.each do |half, field|
      body = plan(half)

      assert_equal 422, status
      assert_equal field, body['errors'].first['path']
      get "/api/sorties/#{@sortie.id}"
      patch_json "/api/sorties/#{@sortie.id}", half, { 'HTTP_IF_MATCH' => last_response['etag'] }
      assert_equal 422, status
    end
    assert_in_delta 8, @sortie.reload.wind_kt
    assert_raises(ActiveRecord::StatementInvalid) do
      @sortie.class.transaction(requires_new: true) { @sortie.update_columns(wind_from_deg: nil) }
    end
    said = plan('wind_kt' => nil, 'wind_from_deg' => nil, 'course_deg' => nil)['cautions'].map { |c| c['id'] }

    assert_empty %w[no_wind no_course] - said
    assert_empty plan['cautions'].map { |c| c['id'] } & %w[no_wind no_course]
  end

  def test_an_aircraft_on_the_list_is_a_limit_and_another_can_be_taken
    @aircraft.update!(look_at_it: true, look_at_it_reason: 'hard contact')
    spare = Fujin::AircraftRow.create!(mark: 'Q-SPAR', type_id: 'bracken-2')

    assert_equal %w[aircraft limit], plan['cautions'].first.values_at('id', 'level')
    found = plan('aircraft_id' => spare.id)
    assert_equal 'bracken-2', found['aircraft']
    refute_includes found['cautions'].map { |c| c['id'] }, 'aircraft'
    plan('aircraft_id' => SecureRandom.uuid)
    assert_equal 404, status
  end

  def test_a_request_outside_the_contract_is_a_problem
    plan('height_ft' => 'high')
    assert_equal 400, status
    assert_equal 'application/problem+json', last_response['content-type']
    plan('colour' => 'red')
    assert_equal 400, status
  end

  def test_a_change_is_stored_with_its_version
    get "/api/sorties/#{@sortie.id}"
    etag = last_response['etag']
    patch_json "/api/sorties/#{@sortie.id}",
               { fuel_kg: 33, house: { ending: 'touchdown' } },
               { 'HTTP_IF_MATCH' => etag }

    assert_equal 200, status
    assert_in_delta 33, answer['fuel_kg']
    assert_equal 'touchdown', answer['exercises'][0]['effective_house']['ending']
    assert_operator answer['version'], :>, 0
  end

  def test_a_stale_change_is_refused_with_the_current_version
    stale = "\"#{@sortie.lock_version}\""
    patch_json "/api/sorties/#{@sortie.id}", { fuel_kg: 33 }, { 'HTTP_IF_MATCH' => stale }
    patch_json "/api/sorties/#{@sortie.id}", { fuel_kg: 20 }, { 'HTTP_IF_MATCH' => stale }

    assert_equal 409, status
    assert_equal 1, answer['current_version']
    assert_in_delta 33, @sortie.reload.fuel_kg
  end

  def test_an_unknown_house_setting_is_refused_and_nothing_is_stored
    patch_json "/api/sorties/#{@sortie.id}", { house: { gate: 3 }, fuel_kg: 11 }, { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal 422, status
    assert_in_delta 40, @sortie.reload.fuel_kg
  end

  def test_flight_time_must_make_sense
    patch_json "/api/sorties/#{@sortie.id}",
               { off_at: '2026-11-25T10:00:00Z', on_at: '2026-11-25T09:00:00Z' },
               { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal 422, status
    assert_equal 'on_at', answer['errors'].first['path']
  end

  def test_creating_a_sortie_twice_with_one_id_is_one_sortie
    body = {
      id: SecureRandom.uuid,
      student_id: @student.id,
      aircraft_id: @aircraft.id,
      starts_at: '2026-11-26T09:00:00Z',
      manoeuvre: 'straight_in_autorotation'
    }
    2.times { post_json '/api/sorties', body }

    assert_equal 201, status
    assert_equal 1, Fujin::Sortie.where(id: body[:id]).count
  end

  def tap_event(kind, attempt: nil, phase: nil, **payload)
    {
      id: SecureRandom.uuid,
      kind: kind,
      at: '2026-11-25T10:20:00Z',
      attempt_no: attempt,
      phase: phase,
      payload: payload
    }
  end

  def send_taps(*events) = post_json("/api/sorties/#{@sortie.id}/events", { events: events })

  def test_taps_repeated_or_out_of_order_are_kept_once
    first = tap_event('attempt', attempt: 1)
    help = tap_event('help', attempt: 1, phase: 'entry', value: 'prompted')
    send_taps(help)
    send_taps(first, help)
    send_taps(first)

    assert_equal [help[:id], first[:id]].sort, answer.map { |e| e['id'] }.sort
  end

  def test_undo_keeps_the_tap_and_marks_it
    help = tap_event('help', attempt: 1, phase: 'entry', value: 'taken_over')
    send_taps(help, tap_event('undo', target: help[:id]))

    assert(answer.find { |e| e['id'] == help[:id] }['undone'])
    assert_equal 'alone', Fujin::HelpTaps.new(@sortie.fly_events.to_a).help(1)
  end

  def test_the_database_itself_refuses_to_change_a_tap
    send_taps(tap_event('note', value: 'wind veers'))

    assert_raises(ActiveRecord::StatementInvalid) { @sortie.fly_events.first.update!(kind: 'check') }
    assert_raises(ActiveRecord::StatementInvalid) { @sortie.fly_events.first.destroy! }
  end

  def test_the_house_method_changes_every_plan_and_only_the_chief_changes_it
    before = plan['numbers']['gate_height_ft']['value']
    put_json '/api/house', { values: { gate_minimum_ft: 200 } }, { 'HTTP_IF_MATCH' => '"0"' }
    assert_equal 403, status
    as(@chief).put_json '/api/house', { values: { gate_minimum_ft: 200 } }, { 'HTTP_IF_MATCH' => '"0"' }
    assert_equal 200, status
    as(@instructor)

    assert_operator before, :<, 150
    assert_in_delta 200, plan['numbers']['gate_height_ft']['value']
  end

  def test_the_catalogue_is_the_declaration
    get '/api/catalogue'
    declared = Fujin::Catalogue.find('straight_in_autorotation')
    shown = answer['manoeuvres'].find { |m| m['id'] == declared.id }

    assert_equal(declared.faults.map(&:id), shown['faults'].map { |f| f['id'] })
    rows = shown['standard']['rows']

    assert_equal(declared.measure_ids.uniq, rows.map { |r| r['measure'] })
    assert(rows.all? { |r| r.key?('limits') ^ r.key?('shown') }, 'judged, or with the reason why not')
  end

  # Stored all the same, its plan and its brief could not be shown.
  def test_a_helicopter_s_exercise_is_not_moved_to_a_gyroplane
    gyroplane = Fujin::AircraftRow.create!(mark: 'Q-GYRO', type_id: 'sorrel-g')
    as(@instructor)
    patch_json "/api/sorties/#{@sortie.id}", { aircraft_id: gyroplane.id },
               'HTTP_IF_MATCH' => %("#{@sortie.lock_version}")

    assert_equal [409, true], [status, answer['detail'].include?('not flown in a gyroplane')]
    assert_equal @aircraft.id, @sortie.reload.aircraft_id
  end
end
