# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Rotor and tail clearance at a spot, by hand: Tansy 2 has a radius of 3.98 m and is 9.1 m long, hub 2.55 m up.
class SiteRoomTest < Minitest::Test
  include SiteHelp

  FT = 0.3048
  TAIL_REACH_M = 9.1 - 3.98

  def room(*features, **rest)
    found = site(ground, spot(**rest), *features)
    Fujin::Manoeuvres::Confined::RoomAt.new(found.spot('spot'), day(found)).room
  end

  # 20 m away, a crown of 3 m, the disc, a metre of placing: 20 - 3 - 3.98 - 1 = 12.02 m; half a metre either way
  # surveyed.
  def test_the_disc_has_what_is_left_of_the_distance
    main = room(tree(20, 0, 40)).main

    assert_in_delta 12.02 / FT, main.value, 0.05
    assert_in_delta 11.52 / FT, main.low, 0.05
    assert_in_delta 12.52 / FT, main.high, 0.05
  end

  # In a hover at 4 ft the disc's lowest is 4 ft + 2.55 m - 1.5 m = 7.44 ft up, the tail's 4 ft: a post of 7 ft with a
  # foot of uncertainty reaches 8 and concerns both; one of 5 ft only the tail; one of 2 ft neither. Not known is
  # tall.
  def test_what_is_low_concerns_neither
    post = ->(top) {
      room(feature('obstacle', 'Point', place(8, 0), id: 'post', what: 'pole', top_ft: top, pass: 'surveyed'))
    }

    assert_equal 'post', post.call(7).decides
    assert_nil post.call(5).main.value
    refute_nil post.call(5).tail(0.0).value
    assert_nil post.call(2).tail(0.0).value
    assert_equal 'post', post.call(nil).decides
  end

  # The tail points south on a heading of north: a post 9 m south is 9 - 5.12 - 1 = 2.88 m from it. On a heading of
  # south the rectangle reaches the other way, its near end at the mast: 9 - 1 = 8 m.
  def test_the_tail_is_a_rectangle_behind_the_mast
    found = room(feature('obstacle', 'Point', place(-9, 0), id: 'post', what: 'pole', top_ft: 20, pass: 'surveyed'))

    assert_in_delta (9 - TAIL_REACH_M - 1.0) / FT, found.tail(0.0).value, 0.05
    assert_in_delta 8.0 / FT, found.tail(180.0).value, 0.05
  end

  # Inside the rectangle nothing is left but the placing.
  def test_a_post_in_the_tails_way_leaves_less_than_nothing
    found = room(feature('obstacle', 'Point', place(-3, 0.5), id: 'post', what: 'pole', top_ft: 20, pass: 'surveyed'))

    assert_in_delta(-1.0 / FT, found.tail(0.0).value, 0.01)
  end

  # A wall 6 m south, all along: the tail end is reach x cos(off south) + its half width x |sin| away from the mast.
  # Clear by 10 ft at the bad end means 6 - (5.12 |cos| + |sin|) - 1 - 0.5 >= 3.048, so cos(off) under about 0.09: the
  # headings with the tail west, north, east of the mast.
  def test_headings_are_clear_where_the_tail_keeps_ten_feet
    found = room(feature('obstacle', 'LineString', line([-6, -100], [-6, 100]), id: 'wall', what: 'fence', top_ft: 8,
                                                                                pass: 'surveyed'))
    clear = (0...360).step(5).select do |heading|
      tail = (heading + 180) * Math::PI / 180
      lowest = [0.0, (TAIL_REACH_M * Math.cos(tail)) - Math.sin(tail).abs, -Math.sin(tail).abs].min
      6.0 + lowest - 1.5 >= 3.048
    end

    assert_equal [clear.minmax], found.headings_clear
    assert found.turn_clear?(clear.min, clear.max, 'right')
    refute found.turn_clear?(clear.min, clear.max, 'left'), 'through north, with the tail at the wall'
  end

  def test_headings_over_north_are_one_range_and_all_are_all
    north_wall = feature('obstacle', 'LineString', line([6, -100], [6, 100]), id: 'wall', what: 'fence', top_ft: 8,
                                                                              pass: 'surveyed')

    assert_operator room(north_wall).headings_clear[0][0], :>, room(north_wall).headings_clear[0][1]
    assert_equal [[0, 360]], room.headings_clear
    # Twenty degrees through north, either way round; the other way the tail meets the wall.
    turns = { 'right' => [350, 10], 'left' => [10, 350] }

    turns.each { |side, (from, to)| assert_equal [side, true], [side, room(north_wall).turn_clear?(from, to, side)] }
    turns.each { |side, (from, to)| assert_equal [side, false], [side, room(north_wall).turn_clear?(to, from, side)] }
  end

  # What cannot be walked among is not in the disc's way; it bars the ground itself.
  def test_people_and_edges_enter_no_clearance
    found = room(feature('obstacle', 'Point', place(8, 0), id: 'people', what: 'people', pass: 'low'),
                 feature('obstacle', 'LineString', line([10, -9], [10, 9]), id: 'edge', what: 'edge', pass: 'low'))

    assert_equal 'no_obstacle', found.main.reason
  end

  # The pedal that pulls against the torque costs power, the other gives some back: left on an anticlockwise rotor.
  def test_turns_are_told_with_what_they_cost
    found = site(ground, spot, approach, departure([0, 0], [0, 600]))
    turns = Fujin::Manoeuvres::Confined::RoomAt.new(found.spot('spot'), day(found)).turns

    assert_equal(%w[left right], turns.map { |turn| turn['pedal'] })
    assert_equal([[0, 90]], turns.map { |turn| turn.values_at('from_deg', 'to_deg').map(&:round) }.uniq)
    assert_operator turns[0]['power_pct'].value, :>, 0
    assert_operator turns[1]['power_pct'].value, :<, 0
  end

  # Ten metres beside the line of six hundred are 0.95°, twelve are 1.15°.
  def test_a_departure_straight_on_asks_for_no_turn
    turns = [10, 12].map do |east|
      found = site(ground, spot, approach, departure([0, 0], [600, east]))
      Fujin::Manoeuvres::Confined::RoomAt.new(found.spot('spot'), day(found)).turns.size
    end

    assert_equal [0, 2], turns
  end

  # A meadow of 400 m by 100 is looked over in 4,000 points, each of them for 10 m²; a small one every two metres.
  def test_a_large_ground_is_looked_over_more_coarsely
    step_m = ->(north, east) do
      found = site(feature('site', 'Polygon', ring([-north, -east], [north, -east], [north, east], [-north, east]),
                           name: 'Meadow', elevation_ft: 300, surface: 'grass', slope_deg: 0, falls_toward_deg: 0),
                   spot)
      Fujin::Sites::ClearanceField.new(found, day(found).clearances, skids_m: 1.2).step_m
    end

    assert_in_delta Math.sqrt(10.0), step_m.call(200, 50), 0.01
    assert_in_delta 2.0, step_m.call(40, 30), 1e-6
  end

  # The roomiest place of a meadow with a tree in its western half lies away from it.
  def test_spots_are_proposed_where_there_is_most_room
    found = site(ground, tree(0, -25, 60))
    field = Fujin::Sites::ClearanceField.new(found, day(found).clearances, skids_m: 1.2)

    assert_operator field.proposed.first.at.imaginary, :>, 20
    assert_operator field.points.map(&:clearance_m).min, :<, 0
  end
end
