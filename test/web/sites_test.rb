# frozen_string_literal: true

require_relative '../web_helper'

# Editing a site's drawing: what moves, what goes along, what stays closed.
class SiteModulesTest < Minitest::Test
  include WebModule

  FILE = 'views/sites/draft.ts'
  # A thousand metres a hundredth of a degree, either way, about 50 N 10 E.
  FRAME = { 'lat_deg' => 50.0, 'lon_deg' => 10.0, 'north_m_per_deg' => 100_000.0, 'east_m_per_deg' => 100_000.0 }.freeze

  def feature(kind, type, coordinates, **fields)
    { 'type' => 'Feature', 'properties' => { 'kind' => kind, **fields.transform_keys(&:to_s) },
      'geometry' => { 'type' => type, 'coordinates' => coordinates } }
  end

  def document(*features) = { 'type' => 'FeatureCollection', 'features' => features }

  def drawing
    document(
      feature('site', 'Polygon', [[[10, 50], [10.001, 50], [10.001, 50.001], [10, 50.001], [10, 50]]], name: 'M'),
      feature('spot', 'Point', [10.0005, 50.0005], id: 'spot'),
      feature('approach', 'LineString', [[10.0005, 49.99], [10.0005, 50.0005]], id: 'in', spot: 'spot'),
      feature('obstacle', 'Point', [10.002, 50], id: 'tree', what: 'tree', top_ft: 40)
    )
  end

  def changed(*call) = ask(FILE, [call[0], drawing, *call.drop(1)]).first
  def shape(document, id) = found(document, id)['geometry']['coordinates']
  def found(document, id) = document['features'].find { |one| one['properties'].values_at('id', 'kind').include?(id) }

  # Ten metres north and five east are 0.0001 and 0.00005 of a degree.
  def test_a_thing_is_moved_by_metres
    assert_equal [10.00205, 50.0001], shape(changed('moved', 'tree', 10, 5, FRAME), 'tree')
    assert_equal 40, found(changed('moved', 'tree', 10, 5, FRAME), 'tree')['properties']['top_ft']
  end

  def test_a_spot_takes_the_ends_of_its_lines_along_and_nothing_else
    after = changed('moved', 'spot', 10, 0, FRAME)

    assert_equal [[10.0005, 49.99], [10.0005, 50.0006]], shape(after, 'in')
    assert_equal [10.002, 50], shape(after, 'tree')
  end

  def test_a_ring_stays_closed_when_its_first_corner_moves
    ring = shape(changed('cornerMoved', 'site', 0, -10, 0, FRAME), 'site')[0]

    assert_equal [10, 49.9999], ring.first
    assert_equal ring.first, ring.last
    assert_equal [10.001, 50], ring[1]
  end

  # An approach of 1,050 m from the south, turned by 90° about its spot, comes from the west: clockwise.
  def test_a_line_turns_about_its_spot
    start, finish = shape(changed('turned', 'in', 90, FRAME), 'in')

    assert_equal [10.0005, 50.0005], finish
    assert_in_delta 10.0005 - 0.0105, start[0], 1e-6
    assert_in_delta 50.0005, start[1], 1e-6
  end

  def test_an_answer_is_changed_in_its_own_pass_and_added_in_another
    at = [10, 50]
    wire = { 'group' => 'obstructions', 'about' => 'wire' }
    high = ask(FILE, ['answered', drawing, wire.merge('status' => 'open', 'pass' => 'high'), at]).first
    again = ask(FILE, ['answered', high, wire.merge('status' => 'seen', 'pass' => 'high'), at],
                ['answered', high, wire.merge('status' => 'not_there', 'pass' => 'low'), at])
    answers = again.map { |one| one['features'].select { |f| f['properties']['kind'] == 'survey_point' } }

    assert_equal([%w[seen]], [answers[0].map { |one| one['properties']['status'] }])
    assert_equal(%w[open not_there], answers[1].map { |one| one['properties']['status'] })
    assert_equal(%w[obstructions-wire-high obstructions-wire-low], answers[1].map { |one| one['properties']['id'] })
  end

  # What is drawn is seen from the high pass, its height not known, a wire's ends hanging on nothing that was seen.
  def test_what_is_drawn_claims_nothing
    wire, tree, line = [['wire', [0, 0]], ['tree', [10, 0]], ['approach', [-100, 0]]].map do |tool, place|
      changed('drawn', tool, place, FRAME, 'Somebody')
    end

    fields = found(wire['document'], wire['id'])['properties']

    assert_equal [nil, 'high', %w[not_seen not_seen], 'Somebody'], fields.values_at('top_ft', 'pass', 'ends', 'by')
    assert_equal 'tree-1', tree['id']
    assert_equal [[10, 49.999], [10.0005, 50.0005]], shape(line['document'], line['id']), 'it leads to the spot'
  end

  def test_ids_are_taken_once_and_what_is_taken_off_is_gone
    assert_equal 'tree-1', ask(FILE, ['freshId', drawing, 'tree']).first
    twice = changed('withFeature', feature('obstacle', 'Point', [10, 50], id: 'tree', what: 'pole'))

    assert_equal(1, twice['features'].count { |one| one['properties']['id'] == 'tree' })
    assert_equal 3, changed('without', 'tree')['features'].size
    assert_equal 55, found(changed('withField', 'tree', 'top_ft', 55), 'tree')['properties']['top_ft']
  end

  def test_numbers_are_said_with_their_reasons
    oak = { 'value' => nil, 'reason' => 'not_known', 'ids' => %w[oak elm] }
    assert_table('views/sites/siteWords.ts', [
                   ['12.3°', 'said', { 'value' => 12.34 }, 1, '°'],
                   ['0 ft', 'said', { 'value' => 0.2 }, 0, ' ft'],
                   ['nothing under it', 'said', { 'value' => nil, 'reason' => 'no_obstacle' }],
                   ['height not known: oak, elm', 'said', oak],
                   ['no wind given', 'said', { 'value' => nil, 'reason' => 'no_wind' }],
                   ['—', 'said', NOTHING],
                   ['005', 'courseOf', 5.2], ['000', 'courseOf', 359.6], ['359', 'courseOf', 359.4],
                   ['too short for 20 kt', 'reasonWord', 'speed'], ['', 'reasonWord', nil]
                 ])
  end

  # A finger's 22 px where nothing else is near, half the way to the nearest elsewhere, 12 where two lie on each other.
  def test_a_mark_is_taken_by_a_finger_and_never_hides_the_middle_of_the_next
    places = [[0, 0], [30, 0], [200, 0], [200, 5]]

    assert_equal [[15, 15, 12, 12]], ask('pictures/siteScale.ts', ['roomOf', places])
    assert_equal [[22]], ask('pictures/siteScale.ts', ['roomOf', [[7, 7]]])
  end
end
