# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Each of an approach's limits, on either side.
class SiteLimitsTest < Minitest::Test
  include SiteHelp

  def approach_of(*features, wind: '360/10', ground: self.ground, **rest)
    found = site(ground, spot, approach, departure, *features)
    Fujin::Manoeuvres::Confined::FlownApproach.new(found.approaches[0], day(found, wind, people: 'solo', **rest))
  end

  def broken(...) = approach_of(...).breaches.map(&:number)

  def test_crosswind_of_the_stage
    { 'early' => 8, 'solo' => 10, 'test' => 12, 'instructor' => 15 }.each do |stage, limit|
      assert_empty broken(wind: "090/#{limit - 0.1}", stage: stage) & ['crosswind_kt'], stage
      assert_includes broken(wind: "270/#{limit + 0.5}", stage: stage), 'crosswind_kt', stage
    end
  end

  def test_gusts_of_the_stage
    refute_includes broken(wind: '360/10G20'), 'gust_spread_kt'
    assert_includes broken(wind: '360/10G21'), 'gust_spread_kt'
    refute_includes broken(wind: '360/10G22', stage: 'test'), 'gust_spread_kt'
  end

  # Five knots behind on the flat, none when steep, none with little power out of ground effect.
  def test_the_wind_behind
    refute_includes broken(wind: '180/4.9'), 'tailwind_kt'
    assert_includes broken(wind: '180/5.2'), 'tailwind_kt'
    assert_includes broken(tree(-100, 0, 50), wind: '180/1'), 'tailwind_kt'
    weak = approach_of(wind: '180/2', ground: ground(elevation_ft: 5000), oat_c: 25, mass_kg: 600)

    assert_operator weak.day.margin_pct, :<, 5
    assert_includes weak.breaches.map(&:number), 'tailwind_kt'
  end

  # In so much wind from behind the sink of a flat line lies within the ring: the margin is less than none.
  def test_a_line_inside_vortex_ring_is_said_by_its_margin
    ring = approach_of(wind: '180/37').breaches.find { |one| one.number == 'vortex_ring_margin_fpm' }

    assert_operator ring.value, :<, 0.0
    assert_match(%r{\A-\d+(\.\d+)? ft/min of margin from vortex ring, over 0 wanted\z}, ring.text)
    refute_includes broken(wind: '180/10'), 'vortex_ring_margin_fpm'
  end

  def test_five_percent_of_power_in_the_hover
    short = approach_of(ground: ground(elevation_ft: 5000), oat_c: 25, mass_kg: 600)

    assert_operator short.day.margin_ige_pct, :<, 5
    assert_includes short.breaches.map(&:number), 'power_margin_ige_pct'
    refute_includes broken, 'power_margin_ige_pct'
  end

  # On a pinnacle 45° off the nose in three knots and more; in less the wind is nobody's.
  def test_off_the_nose_of_a_pinnacle
    top = ground(surroundings_ft: -300)

    refute_includes broken(wind: '044/9', ground: top), 'wind_off_nose_deg'
    assert_includes broken(wind: '046/9', ground: top), 'wind_off_nose_deg'
    refute_includes broken(wind: '090/2.9', ground: top), 'wind_off_nose_deg'
    refute_includes broken(wind: '046/9'), 'wind_off_nose_deg', 'a meadow is no pinnacle'
  end

  # A bent line: sixty degrees at most, sixty metres a leg.
  def test_bends
    [0, 90, 200].each do |course|
      assert_nil bent(course, 59, 200)
      assert_equal 'bend', bent(course, 61, 200)
      assert_nil bent(course, 30, 61)
      assert_equal 'bend', bent(course, 30, 59)
    end
  end

  # A way out that leaves a bent line is reckoned along the line: 100 m from the spot along its last leg, 300 m on that
  # and half of the leg before.
  def test_how_far_before_the_spot_a_way_out_leaves_a_bent_line
    leaves = ->(north, east) do
      found = site(ground, spot, approach([-200, -200], [-200, 0], [0, 0], id: 'in'),
                   feature('escape', 'LineString', line([north, east], [north, east + 400]), id: 'out', line: 'in'))
      Fujin::Manoeuvres::Confined::FlownApproach.new(found.approaches[0], day(found, '360/10')).beyond.from_m
    end

    assert_in_delta 100.0, leaves.call(-100, 0), 3.0
    assert_in_delta 300.0, leaves.call(-200, -100), 3.0
  end

  # Ends on a course; so many degrees before, the first leg so many metres long.
  def bent(course, degrees, metres)
    way = ->(deg, length) { Complex.polar(length, deg * Math::PI / 180) }
    bend = -way.call(course, 400)
    far = bend - way.call(course - degrees, metres)
    found = site(ground, spot, approach(far.rect, bend.rect, [0, 0]))
    today = day(found, format('%03d/10', course))
    Fujin::Manoeuvres::Confined::FlownApproach.new(found.approaches[0], today).bent_wrong
  end

  # Tall trees all round, room among them: twenty feet over the highest and straight down, with ten percent of power.
  def test_a_high_hover
    around = wood(60, 90, -90, 90, 90, id: 'n').then { |north| [north, wood(-90, -60, -90, 90, 80, id: 's')] }
    high = approach_of(*around, wind: '360/6').high_hover

    assert_equal [111, true, []], high.values_at('height_ft', 'possible', 'because')
    heavy = approach_of(*around, wind: '360/6', ground: ground(elevation_ft: 5000), oat_c: 25, mass_kg: 600).high_hover

    assert_equal [false, ['power']], heavy.values_at('possible', 'because')
    assert_includes approach_of(*around, wind: '360/12').high_hover['because'], 'lee'
    assert_includes approach_of(*around, tree(0, 9, 60, id: 'near'), wind: '360/6').high_hover['because'], 'room'
    assert_nil approach_of(tree(-200, 0, 30)).high_hover, 'inside the limit nobody needs one'
  end

  # Dual and on condition at best; a student alone not.
  def test_a_high_hover_is_dual_only
    landable = feature('landable', 'Polygon', ring([-3000, -3000], [3000, -3000], [3000, 3000], [-3000, 3000]),
                       id: 'field')
    found = site(ground, spot, approach, departure, answers, landable, wood(-90, -60, -90, 90, 80, id: 's'))
    told = report(found, '360/6', people: 'solo').verdicts

    assert_equal 'if', told['train_dual'].verdict
    assert_includes told['train_dual'].because.map(&:number), 'high_hover'
    assert_equal 'not', told['train_solo'].verdict
  end

  # The room that is kept may be half a radius, but ten feet at least.
  def test_half_a_radius_of_room
    clearances = ->(id, house) { day(site(ground, spot), '360/5', type: id, house: house).clearances.main_m }

    assert_in_delta 3.98, clearances.call('tansy-2', {}), 0.01
    assert_in_delta 3.048, clearances.call('tansy-2', 'site_clearance' => 'half_radius'), 0.001
    assert_in_delta 5.2, clearances.call('yarrow-4', {}), 0.01
    assert_in_delta 3.048, clearances.call('yarrow-4', 'site_clearance' => 'half_radius'), 0.001
  end
end
