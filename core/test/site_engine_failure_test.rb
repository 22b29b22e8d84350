# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Which ground an engine failure leaves: the glide by hand from the model's own sink at the house's speed.
class SiteEngineFailureTest < Minitest::Test
  include SiteHelp

  FT = 0.3048
  Confined = Fujin::Manoeuvres::Confined

  def setup
    super
    @found = site(ground, spot, field)
  end

  # A field 200 m by 200 m, a kilometre north of the meadow, so far that no glide here finds the meadow instead.
  def field = feature('landable', 'Polygon', ring([1000, -100], [1200, -100], [1200, 100], [1000, 100]), id: 'field')
  def failure(wind = '090/0', **rest) = Confined::EngineFailure.new(day(@found, wind, **rest))

  # Level with the field's middle, so many metres west of its edge, heading for it unless told otherwise.
  def before_the_field(failure, metres, feet, course: 90.0) =
    failure.from(Complex(1100, -100 - metres), height_m: feet * FT, ias_kt: 63.0, course_deg: course)

  # At house speed the entry costs a second of the glide's sink. What is left over the flare height of 72 ft glides at
  # sink and true speed: the field's edge 1,000 m on is just reached, or just not.
  def height_that_reaches(metres, headwind_kt: 0.0)
    today = day(@found)
    sink = today.trim.autorotation_sink_m_s(63.0)
    over_ground = (today.conditions.atmosphere.true_speed(63.0) - headwind_kt) * 1852 / 3600
    (sink + (metres / over_ground * sink) + (72 * FT)) / FT
  end

  def test_the_glide_ahead_reaches_the_field_or_not
    feet = height_that_reaches(1000)

    assert_equal 'reached', before_the_field(failure, 990, feet)
    assert_equal 'none', before_the_field(failure, 1060, feet)
  end

  def test_a_headwind_asks_for_more_height
    still, windy = [0.0, 15.0].map { |kt| height_that_reaches(1000, headwind_kt: kt) }

    assert_operator windy, :>, still + 100
    assert_equal 'reached', before_the_field(failure('090/15'), 1000, windy + 30)
    assert_equal 'none', before_the_field(failure('090/15'), 1000, windy - 60)
  end

  # Fifty-nine degrees to the side is ahead; behind is only reached with a turn's height to spare.
  def test_behind_costs_the_turn
    feet = height_that_reaches(1000) + 30

    assert_equal 'reached', before_the_field(failure, 1000, feet, course: 31.0)
    assert_equal 'none', before_the_field(failure, 1000, feet, course: 270.0)
    assert_equal 'reached', before_the_field(failure, 1000, feet + 700, course: 270.0)
  end

  # Slow and low in the avoid area nothing is promised; under 15 ft what lies below decides.
  def test_the_avoid_area_and_the_ground_below
    low = ->(north, feet) do
      failure.from(Complex(north, 0), height_m: feet * FT, ias_kt: 10.0, course_deg: 0.0)
    end

    assert_equal 'avoid_area', low.call(0, 100)
    assert_equal 'reached', low.call(0, 14), 'the meadow itself'
    assert_equal 'none', low.call(500, 14)
  end

  # The slower, the more the entry costs; at house speed and over only the reaction.
  def test_the_entry_costs_more_from_slow_flight
    losses = [63.0, 50.0, 40.0, 20.0, 0.0].map { |kt| failure.entry_loss_m(kt) }

    assert_equal losses.sort, losses
    assert_in_delta day(@found).trim.autorotation_sink_m_s(63.0), losses.first, 1e-6
    assert_in_delta losses.first, failure.entry_loss_m(80.0), 1e-6
  end

  # From a hover, 20 and 40 kt as flown: what is lost until the speed is there, less what the glide would have used for
  # that way, and the reaction; half way between two of them the half of both.
  def test_the_entry_is_flown_from_three_speeds
    today = day(@found)
    sink = today.trim.autorotation_sink_m_s(63.0)
    glide_m_s = today.conditions.atmosphere.true_speed(63.0 * 1852 / 3600)
    flown = [0.0, 20.0, 40.0].map do |from|
      run = Fujin::Flight::SpeedRecovery.new(today.conditions, to_kt: 63.0, from_kt: from).run
      way = run.rows.find { |row| row.t_s >= run.reached_s - 1e-9 }.ahead_m
      sink + [run.height_lost_m - (way * sink / glide_m_s), 0.0].max
    end

    flown.zip([0.0, 20.0, 40.0]) { |lost, kt| assert_in_delta lost, failure.entry_loss_m(kt), 1e-6, "#{kt} kt" }
    assert_in_delta flown.first(2).sum / 2, failure.entry_loss_m(10.0), 1e-6
  end
end
