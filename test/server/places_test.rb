# frozen_string_literal: true

require_relative '../server_helper'

# Where exercises are flown: the school's places, GeoJSON there and back, what is computed of them.
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

  # A lesson begins where the student was taught last.
  def test_a_new_lesson_begins_where_the_last_one_was
    @sortie.exercise.update!(spot_name: 'Sandbar', spot_lat_deg: 47.19)
    body = { id: SecureRandom.uuid, student_id: @student.id, aircraft_id: @aircraft.id, manoeuvre: 'steep_approach',
             starts_at: '2026-11-26T10:00:00Z' }
    post_json '/api/sorties', body

    assert_equal 'Sandbar', answer['exercises'][0]['spot_name']
  end
end
