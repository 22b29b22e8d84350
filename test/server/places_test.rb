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
    [{ **good, geometry: { type: 'Polygon', coordinates: [] } }, { **good, properties: {} },
     { **good, geometry: { type: 'Point', coordinates: [47.2, -214.3] } }].each do |wrong|
      post_json '/api/places/geojson', { type: 'FeatureCollection', features: [good, wrong] }

      assert_equal [422, 'features[1]'], [status, answer['errors'][0]['path']]
    end
    assert_equal 0, Fujin::Place.count
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
    move({ objective: 'Two in a row', planned_count: 3, fuel_kg: 31 })

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
