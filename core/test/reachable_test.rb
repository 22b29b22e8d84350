# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# What could be reached from where the power was really taken off.
class ReachableTest < Minitest::Test
  include PlanHelp

  def usual = plan('straight_in_autorotation', wind: '350/8', course: 350.0, height: 1000.0)

  # The same plan's reaches, laid at another place.
  def from(along_ft, across_ft, course: 350.0)
    Fujin::Manoeuvres::Autorotation::StraightInPlan.new(
      conditions(wind: Fujin::Wind.parse('350/8')), Fujin::Planning::HouseMethod.new,
      course_deg: 350.0, height_ft: 1000.0, stage: 'test'
    ).reaches_from(along_ft, across_ft, course_deg: course)
  end

  def to_the_spot(...) = from(...).select(&:to_the_spot?).map(&:option)

  # Laid where it was planned, it is the plan's own.
  def test_at_the_planned_place
    planned = usual
    there = from(-planned.value('entry_distance_ft'), 0.0)

    planned.reaches.zip(there) do |mine, same|
      assert_equal mine.option, same.option
      mine.points.flatten.zip(same.points.flatten) { |a, b| assert_in_delta a, b, 1e-6 }
    end
    assert_includes there.select(&:to_the_spot?).map(&:option), 'glide'
  end

  # On a track 90° to the left of the final course, ahead of it is left of the course: by hand along' = place +
  # across, across' = place - ahead.
  def test_turned_and_moved
    planned = usual
    point = planned.reaches.first.points[3]
    ahead = point[0] + planned.value('entry_distance_ft')
    laid = from(-1200.0, 700.0, course: (350.0 + 90.0) % 360.0).first.points[3]

    assert_in_delta(-1200.0 + point[1], laid[0], 1e-6)
    assert_in_delta 700.0 - ahead, laid[1], 1e-6
  end

  # Far before the spot nothing reaches it; a little beyond it, on the way away, only what turns back.
  def test_what_reaches_the_spot
    assert_empty to_the_spot(-9000.0, 0.0)
    assert_empty to_the_spot(9000.0, 0.0)
    glide = from(-usual.value('entry_distance_ft'), 0.0).first.points
    nearest, farthest = glide.map(&:first).minmax

    # Moved so that the farthest point falls further short of the spot than the edge is wide, or less.
    short, enough = [-110.0, -90.0].map { |feet| to_the_spot(-usual.value('entry_distance_ft') - farthest + feet, 0.0) }

    refute_includes short, 'glide'
    assert_includes enough, 'glide'
    assert_operator nearest, :<, 0.0
  end

  # The angles under which the sides are seen from the spot add up to a whole turn when it is among them, else to
  # nothing; at the edge by the nearest of many points along it. Triangles drawn by lot.
  def test_a_spot_is_reached_inside_and_at_the_edge
    random = Random.new(9)
    reached = Array.new(300) do
      corners = Array.new(3) { Complex(random.rand(-800.0..800.0), random.rand(-800.0..800.0)) }
      sides = [*corners, corners[0]].each_cons(2).to_a
      turned = sides.sum { |from, to| (to / from).arg }
      nearest = sides.flat_map { |from, to| (0..200).map { |i| (from + ((to - from) * i / 200.0)).abs } }.min
      next if (nearest - 100.0).abs < 8.0

      reach = Fujin::Planning::Reach.new(option: 'glide', speed_kt: 60.0, points: corners.map(&:rect))
      (turned.abs > 6.0 || nearest <= 100.0).tap { |there| assert_equal there, reach.to_the_spot?, corners.inspect }
    end

    assert_operator reached.count(true), :>, 30
    assert_operator reached.count(false), :>, 30
  end
end
