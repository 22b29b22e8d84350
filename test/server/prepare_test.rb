# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../devices/weather_station'

# Prepare beyond the first manoeuvre: plans for the catalogue, brief sheets, weather, types, methods.
class PrepareTest < Minitest::Test
  include ServerHelp

  def gyro = Fujin::AircraftRow.create!(mark: 'Q-GYRO', type_id: 'sorrel-g')

  def test_every_manoeuvre_of_the_catalogue_is_planned_by_the_contract
    as(@instructor)
    autogyro = gyro
    Fujin::Catalogue.all.each do |manoeuvre|
      craft = manoeuvre.kinds.include?('helicopter') ? @aircraft : autogyro
      flown = sortie(manoeuvre: manoeuvre.id, aircraft: craft, height_ft: nil, fuel_kg: 20)
      post_json "/api/sorties/#{flown.id}/plan"

      assert_equal 200, status, "#{manoeuvre.id}: #{answer['detail']}"
      assert_equal manoeuvre.id, answer['manoeuvre']
      answer['numbers'].each_value { |n| refute_empty n['why'] }
      refute_empty answer['setup']['text']
    end
  end

  def test_settings_of_an_exercise_change_its_plan_and_are_stored
    as(@instructor)
    flown = sortie(manoeuvre: 'turning_autorotation', height_ft: 1500)
    post_json "/api/sorties/#{flown.id}/plan", { settings: { bank_deg: 45 } }
    steep = answer['numbers']['turn_height_ft']['value']
    post_json "/api/sorties/#{flown.id}/plan"

    assert_operator steep, :<, answer['numbers']['turn_height_ft']['value']
    patch_json "/api/sorties/#{flown.id}", { settings: { bank_deg: 20 } }, { 'HTTP_IF_MATCH' => '"0"' }

    assert_in_delta 20, answer['exercises'][0]['settings']['bank_deg']
    patch_json "/api/sorties/#{flown.id}", { settings: { bank_deg: 90 } }, { 'HTTP_IF_MATCH' => '"1"' }

    assert_equal 422, status
    assert_equal 'bank_deg', answer['errors'].first['path']
  end

  def test_a_manoeuvre_goes_with_its_kind_of_aircraft
    as(@instructor)
    post_json '/api/sorties',
              {
                id: SecureRandom.uuid,
                student_id: @student.id,
                aircraft_id: gyro.id,
                starts_at: '2026-11-25T10:00:00Z',
                manoeuvre: 'hover'
              }

    assert_equal 409, status
    assert_includes answer['detail'], 'not flown in a gyroplane'
  end

  # Brief sheet

  def test_the_brief_sheet_is_one_page_of_pdf_for_the_student
    as(@student)
    get "/api/sorties/#{@sortie.id}/brief"

    assert_equal 'application/pdf', last_response.content_type
    bytes = last_response.body

    assert bytes.start_with?('%PDF-')
    assert_equal 1, bytes.scan(%r{/Type /Page\b}).size
  end

  def test_every_manoeuvre_has_a_brief_sheet_of_one_page
    autogyro = gyro
    Fujin::Catalogue.all.each do |manoeuvre|
      craft = manoeuvre.kinds.include?('helicopter') ? @aircraft : autogyro
      flown = sortie(manoeuvre: manoeuvre.id, aircraft: craft, height_ft: nil, fuel_kg: 20)
      bytes = Fujin::BriefSheet.new(flown, Fujin::LessonSetting.new(flown).plans).render

      assert_equal 1, bytes.scan(%r{/Type /Page\b}).size, manoeuvre.id
    end
  end

  # Weather

  def with_station(clock)
    station = Fujin::Devices::WeatherStation.new(port: 0, clock: clock)
    thread = Thread.new { station.run }
    yield Fujin::WeatherStation.new('XQLM', url: "http://127.0.0.1:#{station.port}", clock: clock), station
  ensure
    station.stop
    thread.join(2)
  end

  def test_the_stations_report_is_read_kept_and_aged
    now = Time.utc(2026, 11, 25, 10, 7)
    with_station(-> { now }) do |weather, _station|
      report = weather.latest['report']

      assert_equal 7, report['age_minutes']
      assert report['values'].values_at('wind_from_deg', 'wind_kt', 'oat_c', 'dew_point_c', 'qnh_hpa').all?(Integer) ||
        report['values'].values.compact.all?(Numeric)
      assert_in_delta 1016, report['values']['qnh_hpa']
      assert_equal 4000, report['values']['cloud_base_ft']
    end
    later = Fujin::WeatherStation.new('XQLM', url: 'http://127.0.0.1:1', clock: -> { now + 7200 }).latest

    assert_includes later['trouble'], 'does not answer'
    assert_includes later['trouble'], 'The last report is shown with its age'
    assert_equal 127, later['report']['age_minutes']
    assert later['report']['old']
  end

  def test_a_station_that_was_never_heard_is_said_plainly
    found = Fujin::WeatherStation.new('XQLM', url: 'http://127.0.0.1:1').latest

    assert_nil found['report']
    assert_includes found['trouble'], 'by hand'
  end

  {
    'garbage' => 'hello there',
    'nothing' => '',
    'half a line' => 'XQLM',
    'another language' => '<html>503</html>'
  }.each do |what, text|
    define_method("test_#{what.tr(' ', '_')}_is_no_report") do
      assert_raises(Fujin::WeatherStation::Silent) { Fujin::WeatherStation.read(text, Time.now.utc) }
    end
  end

  def test_reports_in_their_many_forms
    read = ->(text) { Fujin::WeatherStation.read(text, Time.utc(2026, 11, 25, 12)) }
    calm = read.call('XQLM 251050Z VRB03KT CAVOK M02/M04 A2992')

    assert_nil calm['wind_from_deg']
    assert_equal [3, -2.0, 1013], calm.values_at('wind_kt', 'oat_c', 'qnh_hpa')
    gusty = read.call('XQLM 251050Z 35018G31KT 4000 BR BKN008 04/03 Q0998')

    assert_equal [350, 18, 31, 4000, 800, 998],
                 gusty.values_at('wind_from_deg', 'wind_kt', 'gust_kt', 'visibility_m', 'cloud_base_ft', 'qnh_hpa')
    missing = read.call('XQLM 251050Z ///// 12/08 Q////')

    assert_nil missing['wind_kt']
    assert_nil missing['qnh_hpa']
  end

  # Types

  def test_a_changed_type_keeps_its_history_and_changes_the_plan
    as(@chief)
    get '/api/types/tansy-2'
    data = answer['data']
    data['speeds_kt']['glide'] = 60
    post_json '/api/types', { data: data, reason: 'Flown a little slower here' }

    assert_equal 201, status
    assert_equal([2, 1], answer['history'].map { |v| v['number'] })
    assert_equal ['speeds_kt.glide'], answer['history'].first['changed']
    post_json "/api/sorties/#{@sortie.id}/plan"

    assert_in_delta 60, answer['numbers']['glide_speed_kt']['value']
    assert_raises(ActiveRecord::StatementInvalid) { Fujin::AircraftTypeVersion.first.update!(reason: 'edited') }
  end

  def test_a_bad_type_is_refused_by_field
    as(@chief)
    data = Fujin::Aircraft::Library.find('tansy-2').data.merge('masses_kg' => { 'empty' => 'heavy' })
    post_json '/api/types', { data: data, reason: 'Testing' }

    assert_equal 422, status
    assert_includes answer['errors'].map { |e| e['path'] }, 'masses_kg.empty'
    post_json '/api/types', { file: 'id: [unclosed', reason: 'Testing' }

    assert_equal 422, status
  end

  def test_a_new_type_from_a_file
    as(@chief)
    text =
      File
        .read(File.join(Fujin::Aircraft::Library::FOLDER, 'bracken-2.yml'))
        .sub('bracken-2', 'bracken-3')
        .sub('Bracken 2', 'Bracken 3')
    post_json '/api/types', { file: text, reason: 'A new one' }

    assert_equal 201, status
    get '/api/types'

    assert_includes answer.map { |t| t['id'] }, 'bracken-3'
  end

  def test_only_the_chief_changes_a_type
    as(@instructor)
    post_json '/api/types', { file: 'x', reason: 'Testing' }

    assert_equal 403, status
  end

  def test_curves_move_with_the_air
    as(@student)
    sea = curves('/api/types/tansy-2/curves')
    high = curves('/api/types/tansy-2/curves?elevation_ft=6000&oat_c=20')

    assert_operator high, :<, sea
    get '/api/types/sorrel-g/curves'

    assert_equal(%w[power sink glide_angle height_velocity], answer['charts'].map { |c| c['id'] })
  end

  def curves(path)
    get path
    answer['charts'].find { |c| c['id'] == 'power' }['lines'].find { |l| l['id'] == 'available' }['points'].first['y']
  end

  # Methods

  def test_an_instructors_own_method_lies_between_the_schools_and_the_exercises
    as(@instructor)
    put_json '/api/people/me/house', { values: { glide_speed: 'fast' } }

    assert_equal 'fast', answer['values']['glide_speed']
    post_json "/api/sorties/#{@sortie.id}/plan"

    assert_in_delta 70, answer['numbers']['glide_speed_kt']['value']
    post_json "/api/sorties/#{@sortie.id}/plan", { house: { glide_speed: 'house' } }

    assert_in_delta 63, answer['numbers']['glide_speed_kt']['value']
    put_json '/api/people/me/house', { values: { glide_speed: 'sideways' } }

    assert_equal 422, status
  end

  # Too close, too far: from a height and a distance, the least that reaches the spot, or another spot.
  def test_from_where_i_am
    as(@instructor)
    ask = ->(height, distance) {
      post_json "/api/sorties/#{@sortie.id}/from-here", { height_ft: height, distance_ft: distance }
    }
    ask.call(1500, 5200)

    assert_equal 200, status
    first = answer['ways'].first

    assert_match(/\AAn S-turn of \d+° to each side\./, first['text'])
    assert_operator first['chance'], :>, 0.8
    ask.call(1500, 500)

    assert_empty answer['ways']
    ask.call(50, 500)

    assert_equal 400, status
    hover = sortie(manoeuvre: 'hover')
    post_json "/api/sorties/#{hover.id}/from-here", { height_ft: 1500, distance_ft: 500 }

    assert_equal 409, status
  end

  def test_a_low_sun_on_the_line_is_said
    evening = sortie(starts_at: Time.utc(2026, 11, 25, 16, 20), course_deg: 230, height_ft: 1000)
    as(@instructor)
    post_json "/api/sorties/#{evening.id}/plan"

    assert_includes answer['cautions'].find { |c| c['id'] == 'sun' }['text'], 'in the eyes'
    get "/api/sorties/#{evening.id}"

    assert_operator answer['sun']['elevation_deg'], :<, 35
  end
end
