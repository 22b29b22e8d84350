# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Angles along a line, by hand geometry. Tansy 2: half width of the corridor 3.98 + 3.98 + 1 = 8.96 m, hover at 4 ft.
class SiteLinesTest < Minitest::Test
  include SiteHelp

  FT = 0.3048
  HALF_M = 8.96
  T15 = Math.tan(15 * Math::PI / 180)

  def flown(*features, line: approach, **rest)
    found = site(ground, spot(**rest), line, *features)
    Fujin::Manoeuvres::Confined::FlownApproach.new(found.approaches[0], day(found))
  end

  def angle(*features, **rest) = flown(*features, **rest).angle_needed
  def deg(rise_ft, metres) = Math.atan2(rise_ft * FT, metres) * 180 / Math::PI

  # A crown of 3 m, 100 m before the spot: its near edge is 97 m away, 50 ft + 20 ft under way - 4 ft of hover to pass.
  # Surveyed, a foot more and half a metre nearer at the bad end.
  def test_a_tree_asks_for_the_angle_over_its_near_edge
    found = angle(tree(-100, 0, 50))

    assert_in_delta deg(66, 97), found.value, 0.01
    assert_in_delta deg(67, 96.5), found.high, 0.01
    assert_in_delta deg(65, 97.5), found.low, 0.01
  end

  def test_onto_the_surface_the_hover_is_not_taken_off
    assert_in_delta deg(70, 97), angle(tree(-100, 0, 50), termination: 'surface').value, 0.01
  end

  def test_over_a_wire_fifty_feet_are_kept
    assert_in_delta deg(96, 120), angle(wire([-120, -50], [-120, 50], 50)).value, 0.01
  end

  # Where nobody saw what a wire hangs on it goes on, 500 m. At 120 m the corridor is 8.96 + 8 m half: a seen part that
  # ends 510 m aside comes under the line, one that ends 540 m aside does not.
  def test_a_wire_goes_on_five_hundred_metres_where_its_end_was_not_seen
    unseen = ->(east) { flown(wire([-120, east], [-120, east + 200], 50, ends: %w[not_seen seen])).angle_needed.value }

    assert_in_delta deg(96, 120), unseen.call(400), 0.01
    assert_in_delta deg(96, 120), unseen.call(510), 0.01
    refute_in_delta deg(96, 120), unseen.call(540).to_f, 0.1
  end

  # Near the spot the clearance grows from nothing at the room's edge, at the limit's slope: what is lower than that
  # decides by its far edge, at 23 m.
  def test_near_the_spot_less_is_kept
    rise = 10 + ((23 - HALF_M) * T15 / FT) - 4

    assert_in_delta deg(rise, 23), angle(tree(-20, 0, 10)).value, 0.01
  end

  # Where the angle is greatest in the middle of something long: with the top under the limit's line it grows until the
  # clearance is whole, at 8.96 m + 20 ft / tan 15° = 31.7 m.
  def test_under_the_limits_line_the_farther_part_may_decide
    full = HALF_M + (20 * FT / T15)

    assert_in_delta deg(5 + 20 - 4, full), angle(wood(-60, -12, -5, 5, 5)).value, 0.01
  end

  # The ground ends 40 m south: beyond, the corridor widens by a tenth. At 140 m it is 8.96 + 10 = 18.96 m half: a
  # pole (no crown, half a metre of uncertainty) 18.5 m aside is under it, one 19.2 m aside only at the bad end, one
  # 20 m not.
  def test_beyond_the_ground_the_corridor_widens
    pole = ->(east) {
      angle(feature('obstacle', 'Point', place(-140, east), id: 'p', what: 'pole', top_ft: 60, pass: 'surveyed'))
    }

    assert_in_delta deg(76, 140), pole.call(18.5).value, 0.02
    assert_equal 'no_obstacle', pole.call(20.0).reason
    assert_equal 'no_obstacle', pole.call(19.2).reason
  end

  # A pole beside the bend, 200 m out, as near or as far as its place is uncertain by.
  def test_beside_a_bend_it_may_stand_nearer_or_farther
    pole = feature('obstacle', 'Point', place(-200, 5), id: 'p', what: 'pole', top_ft: 60, pass: 'surveyed')
    found = angle(pole, line: approach([-600, -300], [-200, 0], [0, 0]))

    assert_in_delta deg(76, 200), found.value, 0.01
    assert_in_delta deg(77, 199.5), found.high, 0.01
    assert_in_delta deg(75, 200.5), found.low, 0.01
  end

  # What only may stand under the line is in the angle that is flown, not in the likely one.
  def test_what_may_stand_there_is_flown_over
    found = flown(tree(-100, 0, 20),
                  feature('obstacle', 'Point', place(-100, 23), id: 'p', what: 'pole', top_ft: 60, pass: 'high'))

    assert_in_delta deg(36, 97), found.angle_needed.value, 0.05
    assert_in_delta deg(60 + 12 + 20 - 4, 90), found.angle_needed.high, 0.1
  end

  # Nothing likely stands there, but something may: the line is flown over it all the same.
  def test_what_only_may_stand_there_is_flown_over_though_nothing_else_is
    found = flown(feature('obstacle', 'Point', place(-100, 23), id: 'p', what: 'pole', top_ft: 60, pass: 'high'))

    assert_equal 'no_obstacle', found.angle_needed.reason
    assert_in_delta deg(88, 90), found.angle_needed.high, 0.1
    assert_equal 'limit', found.angle_deg.reason
    assert_equal 'p', found.decides
  end

  # A wire whose end nobody saw on a support goes on for 500 m: drawn 100 m aside it crosses the line.
  def test_a_wire_goes_on_past_an_end_that_nobody_saw
    drawn = ->(ends) { angle(wire([-120, 100], [-120, 300], 50, ends: ends)) }

    assert_equal 'no_obstacle', drawn.call(%w[seen seen]).reason
    assert_in_delta deg(96, 120), drawn.call(%w[not_seen seen]).value, 0.05
    assert_equal 'no_obstacle', drawn.call(%w[seen not_seen]).reason
  end

  def test_a_height_that_is_not_known_leaves_no_angle_and_says_whose
    found = flown(tree(-100, 0, nil), tree(-150, 0, 20, id: 'low'))

    assert_equal 'not_known: tree', found.angle_needed.reason
    refute found.inside_limits
    assert_nil found.kind
  end

  def test_edges_water_and_people_enter_no_angle_and_what_is_not_there_neither
    edge = { id: 'e', what: 'edge', top_ft: 50, pass: 'low' }
    nothing = [feature('obstacle', 'LineString', line([-90, -50], [-90, 50]), **edge),
               feature('obstacle', 'Point', place(-80, 0), id: 'w', what: 'people', pass: 'low'),
               tree(-100, 0, 90, status: 'not_there')]

    assert_equal 'no_obstacle', angle(*nothing).reason
  end

  # A clearing in a wood: the near edge of the trees counts, not the wood's own outside.
  def test_a_clearing_is_a_hole_in_its_wood
    corners = ->(half) { [[-half, -half], [half, -half], [half, half], [-half, half]] }
    around = { id: 'wood', what: 'trees', top_ft: 40, pass: 'surveyed' }
    wood = feature('obstacle', 'Polygon', ring(*corners.call(400)) + ring(*corners.call(70)), **around)

    assert_in_delta deg(56, 70), angle(wood).value, 0.02
  end

  # Bent by 90°... is refused; by 45° the second leg's tree is reached along it: 200 m from the spot, then 100 m on.
  def test_a_bent_line_is_measured_along_itself
    bend = [-200, 0]
    far = [-200 - (150 * Math.cos(Math::PI / 4)), 150 * Math.sin(Math::PI / 4)]
    out = [-200 - (100 * Math.cos(Math::PI / 4)), 100 * Math.sin(Math::PI / 4)]
    found = flown(feature('obstacle', 'Point', place(*out), id: 'p', what: 'pole', top_ft: 100, pass: 'surveyed'),
                  line: approach(far, bend, [0, 0]))

    assert_in_delta deg(116, 300), found.angle_needed.value, 0.03
    assert_in_delta 45.0, found.bends[0], 0.01
  end

  # Turning by 59° at 15° of bank takes v² / (g tan 15°) tan 29.5°, and 50 m follow it.
  def test_a_bend_near_the_spot_is_no_approach
    turn = 59 * Math::PI / 180
    lay = ->(metres) do
      found = site(ground, spot,
                   approach([-metres - (200 * Math.cos(turn)), 200 * Math.sin(turn)], [-metres, 0], [0, 0]))
      Fujin::Manoeuvres::Confined::FlownApproach.new(found.approaches[0], day(found, '360/2'))
    end
    short = (61..145).step(6).map do |metres|
      line = lay.call(metres)
      ground = line.at(metres.to_f, :groundspeed_kt) * 1852 / 3600
      room = ((ground**2) / (9.80665 * T15) * Math.tan(turn / 2)) + 50

      assert_equal metres < room, line.bent_wrong == 'bend', "#{metres} m"
      metres < room
    end

    assert_equal [true, false], short.values_at(0, -1)
    assert_nil lay.call(300).bent_wrong
    assert_includes(lay.call(61).breaches.map(&:number), 'bend_deg')
  end

  # Up to 10° the normal plan; above it the steep one at 13.5° or what is needed; over 15° none.
  def test_the_kind_follows_the_angle
    assert_equal(['normal', 10.0], flown(tree(-200, 0, 50)).then { |one| [one.kind, one.angle_deg.value] })
    assert_equal(['steep', 13.5], flown(tree(-100, 0, 50)).then { |one| [one.kind, one.angle_deg.value] })
    steeper = flown(tree(-100, 0, 66))

    assert_in_delta deg(83, 96.5), steeper.angle_deg.value, 0.01
    over = flown(tree(-100, 0, 75))

    assert_equal 'limit', over.angle_deg.reason
    assert_equal(['angle_needed_deg'], over.breaches.map(&:number))
    assert_equal 'limit', over.least_clearance[0].reason
  end

  # 13.5° over a tree whose near edge is 97 m away passes at 4 ft + 97 m tan 13.5° over the spot's ground.
  def test_the_clearance_of_the_plan_is_its_height_over_the_top
    found, where = flown(tree(-100, 0, 50)).least_clearance
    height = 4 + (97 / FT * Math.tan(13.5 * Math::PI / 180))

    assert_in_delta height - 50, found.value, 1.0
    assert_equal 'tree', where['id']
    assert_in_delta 97 / FT, where['distance_ft'], 1.0
  end

  # No wind given is not calm: nothing that is flown is worked out, and no verdict.
  def test_no_wind_is_not_calm
    found = site(ground, spot, approach, departure, tree(-100, 0, 50), answers)
    told = report(found, nil)

    assert_equal 'no_wind', told.approaches[0].headwind.reason
    assert_equal 'no_wind', told.approaches[0].least_clearance[0].reason
    assert_nil told.approaches[0].inside_limits
    assert_in_delta deg(66, 97), told.approaches[0].angle_needed.value, 0.01
    assert_nil told.verdicts['drop_off'].verdict
    assert_includes told.cautions.map(&:id), 'no_wind'
  end

  # Half a knot from behind is said: 3 kt from 100 degrees on a line northwards are 0.52, from 99 degrees 0.47.
  def test_from_half_a_knot_the_wind_is_from_behind
    found = site(ground, spot, approach, departure, answers)
    behind = ->(wind) do
      told = report(found, wind)
      Fujin::Manoeuvres::Confined::SiteCautions.new(told).of_approach(told.approaches[0]).map(&:id).include?('tailwind')
    end

    assert_equal([true, false], %w[100/3 099/3].map(&behind))
  end

  def test_wind_along_and_across_a_line
    found = flown
    across = day(site(ground, spot, approach), '090/12')

    assert_in_delta 10.0, found.headwind.value, 0.01
    assert_in_delta 12.0, across.crosswind_kt(0.0), 0.01
  end
end
