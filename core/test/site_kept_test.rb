# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# What is kept of lines that did not change never stands for one that did.
class SiteKeptTest < Minitest::Test
  include SiteHelp

  FT = 0.3048

  def lines(*features, wind: '360/10', **rest)
    report(site(ground, spot, approach, departure, *features), wind, **rest)
  end

  def needed(report) = report.approaches[0].angle_needed.value

  # By hand: a surveyed tree of 60 ft at 200 m, 20 ft to be kept over it, to a hover at the house's height.
  def by_hand_deg(report, top_ft, metres)
    hover = report.day.house['hover_height_ft']
    Math.atan2((top_ft + 20.0 - hover) * FT, metres) / (Math::PI / 180)
  end

  def test_a_line_asked_for_twice_is_worked_out_once
    first = lines(tree(-200, 0, 60))

    assert_same first.approaches[0], lines(tree(-200, 0, 60)).approaches[0]
    assert_same first.approaches[0], lines(tree(-200, 0, 60), approach([-600, 300], [0, 0], id: 'other')).approaches[0]
  end

  def test_an_obstacle_that_moved_or_grew_is_seen
    lines(tree(-200, 0, 60))

    [[-150, 60], [-200, 80]].each do |north, top|
      found = lines(tree(north, 0, top))
      # A tree's crown of 3 m comes nearer by that.
      assert_in_delta by_hand_deg(found, top, -north - 3.0), needed(found), 0.05
    end
  end

  def test_another_wind_load_stage_or_escape_is_another_answer
    first = lines
    others = [lines(wind: '360/12'), lines(people: 'solo'), lines(stage: 'test'), lines(k: 1.05),
              lines(feature('escape', 'LineString', line([-300, 0], [0, 500]), id: 'away', line: 'in'))]

    others.each { |other| refute_same first.approaches[0], other.approaches[0] }
    assert_in_delta 12.0, others[0].approaches[0].headwind.value, 1e-9
  end

  def test_a_spot_that_moved_takes_its_lines_along
    lines
    found = report(site(ground, spot(10, 0), approach([-600, 0], [10, 0]), departure([10, 0], [600, 0])), '360/10')

    assert_in_delta 10.0, found.approaches[0].spot.at.real, 0.01
  end
end
