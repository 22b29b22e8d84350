# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# What a site's file may say, and where it says the impossible.
class SiteFileTest < Minitest::Test
  include SiteHelp

  def refused(*features)
    error = assert_raises(Fujin::InvalidInput) { site(*features) }
    error.message
  end

  def test_points_are_metres_about_the_middle_of_the_ground
    found = site(ground, spot(10, -5), tree(-100, 20, 40))

    assert_in_delta 10.0, found.spots[0].at.real, 0.01
    assert_in_delta(-5.0, found.spots[0].at.imaginary, 0.01)
    assert_in_delta 40 * 0.3048, found.obstacles[0].top.value, 1e-9
  end

  # The ground falls one metre in ten towards the north: a spot ten metres north lies a metre lower, and a tree's base
  # too.
  def test_the_ground_is_a_plane_unless_a_height_is_given
    slope = Math.atan(0.1) / Fujin::Quantities::DEG
    found = site(ground(slope_deg: slope, falls_toward_deg: 0), spot(10, 0), spot(20, 0, id: 'given', ground_ft: -4),
                 tree(-20, 0, 40))

    assert_in_delta(-1.0, found.spot('spot').ground_m, 0.001)
    assert_in_delta(-4 * 0.3048, found.spot('given').ground_m, 1e-9)
    assert_in_delta 2.0, found.obstacles[0].base_m, 0.001
  end

  # 20 % of a height from a high pass, 10 ft at least; 10 % or 5 ft from a low one; a foot surveyed; a wire never
  # under 5.
  def test_heights_are_as_uncertain_as_the_pass_that_saw_them
    about = ->(what, top, pass) do
      found = site(ground, feature('obstacle', 'Point', place(50, 0), id: 'x', what: what, top_ft: top, pass: pass))
      (found.obstacles[0].top.high - found.obstacles[0].top.value) / 0.3048
    end

    assert_in_delta 16.0, about.call('tree', 80, 'high'), 1e-6
    assert_in_delta 10.0, about.call('tree', 30, 'high'), 1e-6
    assert_in_delta 8.0, about.call('tree', 80, 'low'), 1e-6
    assert_in_delta 1.0, about.call('tree', 80, 'surveyed'), 1e-6
    assert_in_delta 1.0, about.call('wire', 30, 'surveyed'), 1e-6
    assert_in_delta 5.0, about.call('wire', 30, 'walked'), 1e-6
  end

  def test_a_height_that_is_not_given_is_not_nought
    assert_nil site(ground, tree(50, 0, nil)).obstacles[0].top
  end

  # Of two spots, one either side of the middle.
  def test_a_line_that_names_no_spot_belongs_to_the_one_it_meets
    found = site(ground, spot(10, 0, id: 'north'), spot(-10, 0, id: 'south'),
                 approach([-600, 0], [10, 0], spot: nil), departure([-10, 0], [600, 0], spot: nil))

    assert_equal({ 'in' => 'north', 'out' => 'south' }, found.lines.to_h { |line| [line.id, line.spot] })
  end

  def test_a_line_ends_within_a_metre_of_its_spot
    assert_equal 'spot', site(ground, spot, approach([-300, 0], [-0.9, 0])).lines[0].spot
    assert_includes refused(ground, spot, approach([-300, 0], [-1.15, 0])), 'in: ends 1.1 m from its spot'
  end

  # What a number may be, on either side.
  {
    'elevation_ft' => [-1500, 20_000], 'surroundings_ft' => [-5000, 5000], 'slope_deg' => [0, 45],
    'falls_toward_deg' => [0, 360]
  }.each do |field, (least, most)|
    define_method("test_#{field}_within_its_range") do
      [least, most].each { |one| assert site(ground(field.to_sym => one)) }
      [least - 1, most + 1].each { |one| assert_match(/#{field}: expected/, refused(ground(field.to_sym => one))) }
    end
  end
  {
    'base_ft' => [[-5000, 40], [-5001, 5001]], 'top_ft' => [[-300, 5000], [-5001, 5001]],
    'top_uncertainty_ft' => [[0, 500], [-1, 501]], 'radius_m' => [[0, 200], [-1, 201]],
    'position_uncertainty_m' => [[0, 500], [-1, 501]]
  }.each do |field, (inside, outside)|
    define_method("test_an_obstacles_#{field}_within_its_range") do
      stands = ->(one) { [ground, tree(50, 0, 40, **{ base_ft: -300, field.to_sym => one })] }
      inside.each { |one| assert site(*stands.call(one)) }
      outside.each { |one| assert_match(/#{field}: expected/, refused(*stands.call(one))) }
    end
  end

  def test_the_ground_under_a_spot_within_its_range
    [-5000, 5000].each { |feet| assert site(ground, spot(ground_ft: feet)) }
    [-5001, 5001].each { |feet| assert_match(/ground_ft: expected/, refused(ground, spot(ground_ft: feet))) }
  end

  # What lies on the globe lies on no usable ground here, which is another refusal.
  def test_a_place_is_on_the_globe
    at = ->(*position) { refused(ground, feature('spot', 'Point', position, id: 'spot')) }

    [[180, 0], [-180, 0], [0, 90], [0, -90]].each { |place| refute_match(/expected a position/, at.call(*place)) }
    [[181, 0], [-181, 0], [0, 91], [0, -91]].each { |place| assert_match(/expected a position/, at.call(*place)) }
  end

  def test_a_wire_is_not_there_only_from_a_low_pass
    high, low = %w[high low].map do |pass|
      site(ground, wire([60, -50], [60, 50], 40, status: 'not_there', pass: pass)).obstacles[0]
    end

    assert_predicate high, :open?
    refute_predicate low, :there?
  end

  def test_what_a_low_pass_changed_holds_and_both_stay_in_the_file
    found = site(ground, tree(60, 0, 40, id: 'seen-high', pass: 'high'),
                 tree(62, 0, 55, id: 'seen-low', pass: 'low', changes: 'seen-high'))

    assert_equal ['seen-low'], found.obstacles.map(&:id)
  end

  def test_the_impossible_is_refused_with_the_feature_and_the_place
    crossing = feature('site', 'Polygon', ring([-40, -30], [40, 30], [40, -30], [-40, 30]), name: 'Bow')
    hole = ground.merge('geometry' => { 'type' => 'Polygon',
                                        'coordinates' => ring([-40, -30], [40, -30], [40, 30], [-40, 30]) +
                                                         ring([50, 50], [60, 50], [60, 60]) })
    open = ground.merge('geometry' => { 'type' => 'Polygon',
                                        'coordinates' => [line([-40, -30], [40, -30], [40, 30], [0, 40])] })
    far = feature('spot', 'Point', [200.0, 56.0], id: 'far')
    steep = ground(slope_deg: 'steep')

    { 'site: its ring crosses itself near 56.0' => [crossing], 'site: a hole lies outside near 56.0' => [hole],
      'site: a ring is not closed' => [open], 'spot: the spot is not on the usable ground' => [ground, spot(90, 0)],
      "expected one feature of kind 'site', found 2" => [ground, ground(name: 'Two')],
      'in: ends 5.0 m from its spot spot' => [ground, spot, approach([-300, 0], [-5, 0])],
      'in: the line has no length' => [ground, spot, approach([0, 0], [0, 0])],
      'wire: the line has no length' => [ground, wire([50, 0], [50, 0], 30)],
      'in: belongs to no spot: there is no "other"' => [ground, spot, approach(spot: 'other')],
      'tree: top_ft: 10.0 lies under its own base of 20.0 ft' => [ground, tree(50, 0, 10, base_ft: 20)],
      'far: expected a position as [longitude, latitude] in degrees, got [200.0, 56.0]' => [ground, far],
      'tree: stands twice' => [ground, tree(50, 0, 10), tree(60, 0, 10)],
      'slope_deg: expected a number from 0 to 45, got "steep"' => [steep] }.each do |said, features|
      assert_includes refused(*features), said
    end
  end

  def test_a_hole_that_touches_the_outline_and_a_spot_in_a_hole_are_refused
    shape = ->(*corners) do
      ground.merge('geometry' => { 'type' => 'Polygon', 'coordinates' =>
        ring([-40, -30], [40, -30], [40, 30], [-40, 30]) + ring(*corners) })
    end

    assert_includes refused(shape.call([-40, -10], [-20, -10], [-20, 10], [-40, 10])), 'a hole touches another ring'
    assert_includes refused(shape.call([-10, -10], [10, -10], [10, 10], [-10, 10]), spot),
                    'the spot is not on the usable'
  end

  def test_an_unknown_kind_is_left_alone
    assert_equal 'Meadow', site(ground, feature('picnic', 'Point', place(0, 0), id: 'p')).name
  end

  JUNK = [nil, 'x', -1, 1e9, [], {}, true, -90.5, [0, 0], [[0, 0]], '', 360].freeze

  # Whatever is broken in a file, it is read or refused in words; nothing falls.
  def test_a_broken_file_is_read_or_refused
    random = Random.new(12)
    whole = document(ground, spot, approach, departure, tree(-100, 0, 50), wire([90, -50], [90, 50], 30), answers)
    outcomes = Array.new(300) do
      broken = Marshal.load(Marshal.dump(whole))
      break_something(broken, random)
      Fujin::Sites::SiteFile.read(broken)
      :read
    rescue Fujin::InvalidInput
      :refused
    end

    assert_equal %i[read refused], outcomes.uniq.sort
  end

  def break_something(node, random)
    keys = node.is_a?(Hash) ? node.keys : node.each_index.to_a
    key = keys.sample(random: random) or return
    deeper = [Hash, Array].any? { |kind| node[key].is_a?(kind) } && !node[key].empty?
    return break_something(node[key], random) if deeper && random.rand < 0.8

    random.rand < 0.3 && node.is_a?(Hash) ? node.delete(key) : node[key] = JUNK.sample(random: random)
  end
end
