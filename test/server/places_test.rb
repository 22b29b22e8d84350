# frozen_string_literal: true

require_relative '../server_helper'

# Where exercises are flown: the school's places, GeoJSON there and back, a spot moved after the flight.
class PlacesTest < Minitest::Test
  include ServerHelp

  PLACE = { name: 'Sandbar', kind: 'area', lat_deg: 47.19, lon_deg: -14.35, elevation_ft: 3, courses: [240, 60] }.freeze

  def setup
    super
    as(@instructor)
  end

  def test_a_place_is_added_once_and_a_name_only_once
    body = { id: SecureRandom.uuid, **PLACE }
    2.times { post_json '/api/places', body }

    assert_equal [201, ['Sandbar']], [status, answer.map { |row| row['name'] }]
    post_json '/api/places', { id: SecureRandom.uuid, **PLACE, name: 'sandbar' }

    assert_equal 409, status
    post_json '/api/places', { id: SecureRandom.uuid, **PLACE, name: 'Far', lat_deg: 91 }

    assert_equal 400, status
  end

  def test_geojson_goes_out_and_comes_back_the_same
    post_json '/api/places', { id: SecureRandom.uuid, **PLACE }
    get '/api/places/geojson'
    file = answer

    assert_equal [-14.35, 47.19], file['features'][0]['geometry']['coordinates'], 'longitude first'
    before = Fujin::Place.first.attributes.slice('name', 'kind', 'lat_deg', 'lon_deg', 'elevation_ft', 'courses')
    Fujin::Place.delete_all
    post_json '/api/places/geojson', file

    assert_equal 201, status
    assert_equal before, Fujin::Place.first.attributes.slice(*before.keys)
  end

  def test_a_file_with_one_wrong_feature_loads_nothing_and_says_which
    good = { type: 'Feature', geometry: { type: 'Point', coordinates: [-14.3, 47.2] }, properties: { name: 'Pad 1' } }
    [{ **good, geometry: { type: 'Polygon', coordinates: [] } },
     { **good, geometry: { type: 'Circle' } }, { **good, properties: {} },
     { **good, geometry: { type: 'Point', coordinates: [47.2, -214.3] } }].each do |wrong|
      post_json '/api/places/geojson', { type: 'FeatureCollection', features: [good, wrong] }

      assert_equal [422, 'features[1]'], [status, answer['errors'][0]['path']]
    end
    assert_equal 0, Fujin::Place.count
  end

  # A runway from its ends: drawn, with its courses along it; it goes out as a line and comes back the same.
  RUNWAY = { name: 'Runway', kind: 'runway', lat_deg: 47.2104, lon_deg: -14.3320, elevation_ft: 40, courses: [],
             far_end: { lat_deg: 47.2104, lon_deg: -14.3220 }, width_ft: 75 }.freeze

  def test_a_runway_is_drawn_from_its_ends
    post_json '/api/places', { id: SecureRandom.uuid, **RUNWAY }

    assert_equal [201, [90, 270]], [status, answer.last['courses']]
    assert_equal RUNWAY[:far_end].transform_keys(&:to_s), answer.last['far_end']
    get '/api/places/geojson'
    file = answer

    assert_equal 'LineString', file['features'][0]['geometry']['type']
    before = Fujin::Place.first.attributes.except('id', 'created_at', 'updated_at', 'lock_version')
    Fujin::Place.delete_all
    post_json '/api/places/geojson', file

    assert_equal before, Fujin::Place.first.attributes.slice(*before.keys)
  end

  # An area is landed on in its middle, whatever order its corners come in, closed or not.
  def test_an_area_has_its_middle
    ring = [[-14.34, 47.20], [-14.32, 47.20], [-14.32, 47.22], [-14.34, 47.22]]
    [ring, [*ring, ring.first]].each do |corners|
      fields = Fujin::PlaceFeature.read({ 'geometry' => { 'type' => 'Polygon', 'coordinates' => [corners] },
                                          'properties' => { 'name' => 'Field' } }, 0, kinds: Fujin::Place::KINDS)

      assert_in_delta 47.21, fields[:lat_deg], 1e-9
      assert_in_delta(-14.33, fields[:lon_deg], 1e-9)
      assert_equal 'area', fields[:kind]
    end
  end

  # Every kind there and back through a file: points, a line, an area, an obstacle with its height.
  def test_every_kind_of_place_goes_out_and_comes_back
    ring = [[-14.34, 47.20], [-14.32, 47.20], [-14.32, 47.22], [-14.34, 47.20]]
    shapes = { 'line' => { type: 'LineString', coordinates: ring.first(2) },
               'area' => { type: 'Polygon', coordinates: [ring] } }
    features = Fujin::Place::KINDS.map do |kind|
      { type: 'Feature', geometry: shapes.fetch(kind, { type: 'Point', coordinates: ring.first }),
        properties: { name: "A #{kind}", kind: kind, elevation_ft: 12, courses_deg: [90], height_ft: 40,
                      width_ft: 60 } }
    end
    post_json '/api/places/geojson', { type: 'FeatureCollection', features: features }

    assert_equal [201, Fujin::Place::KINDS.sort], [status, answer.map { |row| row['kind'] }.sort]
    get '/api/places/geojson'
    file = answer
    before = Fujin::Place.in_order.map { |row| row.attributes.except('id', 'created_at', 'updated_at') }
    Fujin::Place.delete_all
    post_json '/api/places/geojson', file

    assert_equal(before, Fujin::Place.in_order.map { |row| row.attributes.except('id', 'created_at', 'updated_at') })
  end

  # Day and exercise changed in one go count as two changes: neither is lost on the other.
  def test_a_day_and_an_exercise_changed_together_measure_again_once
    attempt = imported(@sortie).find(&:asked?)
    move({ wind_kt: 12, height_ft: 1200 })

    assert_equal 1, again
    assert_equal @sortie.exercise.reload.plan_version, attempt.reload.plan_version
    assert_equal 2, attempt.plan_version
  end

  # By hand: 1 degree of longitude here is cos(47.2104°) of one at the equator, 75.73 km; 0.01 of it 757 m, 2,485 ft.
  # Along a course of 090 the far end lies ahead; along 360 to the right; what is 20,000 ft away is not drawn.
  def test_the_ground_is_seen_along_the_course
    post_json '/api/places', { id: SecureRandom.uuid, **RUNWAY }
    post_json '/api/places', { id: SecureRandom.uuid, **PLACE, name: 'Far', lat_deg: 47.3 }
    [[90, [0, 0, 2485, 0]], [360, [0, 0, 0, 2485]]].each do |course, expected|
      post_json "/api/sorties/#{@sortie.id}/plan", { course_deg: course }
      seen = answer['ground']

      assert_equal(['Runway'], seen.map { |shape| shape['name'] })
      told = seen[0]['points'].flat_map { |point| point.values_at('along_ft', 'across_ft') }
      expected.zip(told) { |wanted, got| assert_in_delta wanted, got, 5 }
      assert_equal ['line', 75], seen[0].values_at('drawn', 'width_ft')
    end
  end

  # Dragged 1,000 ft beyond along 350: it lies there, and the plan's ground goes the other way.
  def test_the_spot_is_dragged_over_the_ground
    before = @sortie.exercise.spot
    put_json "/api/exercises/#{@sortie.exercise.id}/spot", { along_ft: 1000, across_ft: -200, course_deg: 350 }

    assert_equal [200, 'Near Heath'], [status, answer['exercises'][0]['spot_name']]
    moved = answer['exercises'][0].values_at('spot_lat_deg', 'spot_lon_deg')
    north, east = Fujin::LocalMap.new(*before).north_east(*moved)
    # North and east of 1,000 ft at 350° and 200 ft at 260°, by hand.
    assert_in_delta (1000 * Math.cos(10 * Math::PI / 180)) - (200 * Math.sin(10 * Math::PI / 180)), north / 0.3048, 0.5
    assert_in_delta (-1000 * Math.sin(10 * Math::PI / 180)) - (200 * Math.cos(10 * Math::PI / 180)), east / 0.3048, 0.5
    put_json "/api/exercises/#{@sortie.exercise.id}/spot", { along_ft: 1000 }

    assert_equal 422, status
  end

  # A spot of an attempt's own: where it ended itself it misses by nothing; back again, by what it missed before.
  def test_an_attempt_is_measured_from_a_spot_of_its_own
    first, second = imported(@sortie, faults: [{}, {}]).select(&:asked?)
    was = second.proposal['measures']['miss_ft']['value']
    put_json "/api/attempts/#{second.id}/spot", { from: 'here' }

    assert_equal [200, 'Where attempt 2 ended'], [status, answer['spot_name']]
    assert_operator answer['measures']['miss_ft']['value'], :<, 2
    put_json "/api/attempts/#{second.id}/spot", { from: 'last_landing' }

    assert_equal 'Where attempt 1 ended', answer['spot_name']
    again
    put_json "/api/attempts/#{second.id}/spot", { from: 'exercise' }

    assert_nil answer['spot_name']
    assert_in_delta was, answer['measures']['miss_ft']['value'], 0.05
    length_ft = Fujin::Aircraft::Library.find('tansy-2').overall_length_m / 0.3048
    assert_in_delta was / length_ft, answer['measures']['miss_ft']['lengths'], 0.06
    put_json "/api/attempts/#{first.id}/spot", { from: 'last_landing' }

    assert_equal 409, status
  end

  # A wind corrected after the flight is what the attempts are measured in, without a button.
  def test_a_corrected_wind_measures_again
    attempt = imported(@sortie).find(&:asked?)
    before = attempt.proposal['measures']
    patch_json "/api/sorties/#{@sortie.id}", { wind_kt: 20 },
               { 'HTTP_IF_MATCH' => %("#{@sortie.reload.lock_version}") }

    assert_equal 200, status, last_response.body
    assert_equal 1, waiting.size
    again

    refute_equal before, attempt.reload.proposal['measures']
    assert_equal attempt.exercise.reload.plan_version, attempt.plan_version
  end

  # A lesson begins where the student was taught last.
  def test_a_new_lesson_begins_where_the_last_one_was
    @sortie.exercise.update!(spot_name: 'Sandbar', spot_lat_deg: 47.19)
    body = { id: SecureRandom.uuid, student_id: @student.id, aircraft_id: @aircraft.id, manoeuvre: 'steep_approach',
             starts_at: '2026-11-26T10:00:00Z' }
    post_json '/api/sorties', body

    assert_equal 'Sandbar', answer['exercises'][0]['spot_name']
  end

  def waiting
    ActiveRecord::Base.connection.select_values(
      "SELECT args FROM que_jobs WHERE job_class = 'Fujin::MeasureAgain' AND finished_at IS NULL ORDER BY id"
    )
  end

  def again
    jobs = waiting
    jobs.each { |args| Fujin::MeasureAgain.run(*JSON.parse(args)) }
    ActiveRecord::Base.connection.execute('UPDATE que_jobs SET finished_at = now()')
    jobs.size
  end

  # North of where it was by so many metres along the course of 350°.
  def moved(metres)
    lat, lon = Fujin::LocalMap.new(*CORE_SPOT).lat_lon(metres * Math.cos(10 * Math::PI / 180.0),
                                                       -metres * Math.sin(10 * Math::PI / 180.0))
    { spot_lat_deg: lat, spot_lon_deg: lon }
  end

  def move(fields)
    get "/api/sorties/#{@sortie.id}"
    patch_json "/api/sorties/#{@sortie.id}", fields, { 'HTTP_IF_MATCH' => last_response['etag'] }
  end

  def miss(attempt) = attempt.reload.proposal['measures']['miss_along_ft']['value']

  # A hundred metres farther along the course the same touchdowns are 328 ft short of it; what was graded stays.
  def test_a_spot_that_is_moved_is_measured_from_again_without_a_button
    attempt = imported(@sortie).find(&:asked?)
    before = miss(attempt)
    grade_all(attempt, @instructor, 'instructor')
    grades = attempt.reload.grades.map { |g| [g.phase, g.grade] }
    move(moved(100.0))

    assert_equal ['working', 'measuring again'], answer['recordings'][0].values_at('status', 'step')
    assert_equal 1, again
    assert_in_delta before - (100.0 / 0.3048), miss(attempt), 2.0
    assert_equal(grades, attempt.grades.map { |g| [g.phase, g.grade] })
    assert_equal 'ready', @sortie.recordings.first.status
    assert_nil attempt.proposal['cut_by'], 'nobody cut it'
  end

  # North first and then east, a second apart: the last word counts, by one job.
  def test_a_spot_that_is_moved_twice_is_measured_from_where_it_is_last
    attempt = imported(@sortie).find(&:asked?)
    before = miss(attempt)
    move(moved(400.0))
    move(moved(100.0))

    assert_equal 1, waiting.size
    again

    assert_in_delta before - (100.0 / 0.3048), miss(attempt), 2.0
    assert_equal 0, Fujin::AttemptRow.stale.count
  end

  # Moved in the middle of it: the attempt measured by the old place is measured once more.
  def test_a_spot_that_is_moved_while_it_is_measured_again_is_not_missed
    attempts = imported(@sortie, faults: [{}, {}]).select(&:asked?)
    before = attempts.map { |attempt| miss(attempt) }
    move(moved(400.0))
    once = false
    measured = Fujin::RecutAttempt.instance_method(:measured)
    test = self
    Fujin::RecutAttempt.define_method(:measured) do |attempt|
      measured.bind_call(self, attempt).tap do
        test.move(test.moved(100.0)) unless once
        once = true
      end
    end
    again

    attempts.zip(before).each { |attempt, was| assert_in_delta was - (100.0 / 0.3048), miss(attempt), 2.0 }
  ensure
    Fujin::RecutAttempt.define_method(:measured, measured) if measured
  end

  # What was set to go with one attempt goes on being said: an estimate stays one.
  def test_an_estimate_stays_an_estimate
    attempt = imported(@sortie).find(&:asked?)
    phases = attempt.proposal['phases'].map { |phase| phase.merge('estimated' => phase['id'] == 'glide') }
    attempt.update!(proposal: attempt.proposal.merge('phases' => phases, 'estimated' => true))
    move(moved(10.0))
    again

    found = attempt.reload.proposal

    assert found['estimated']
    assert_equal(['glide'], found['phases'].select { |phase| phase['estimated'] }.map { |phase| phase['id'] })
  end

  # An objective or a count is nothing that is measured by.
  def test_what_nothing_is_measured_by_measures_nothing_again
    imported(@sortie)
    move({ objective: 'Two in a row', planned_count: 3, next_focus: 'The gate' })

    assert_empty waiting
  end

  def test_the_spot_is_where_an_attempt_ended
    attempt = imported(@sortie).find(&:asked?)
    put_json "/api/exercises/#{@sortie.exercise.id}/spot", { attempt_id: attempt.id, name: 'Here' }

    assert_equal [200, 'Here'], [status, answer['exercises'][0]['spot_name']]
    again

    assert_in_delta 0.0, attempt.reload.proposal['measures']['miss_along_ft']['value'], 3.0
  end
end
