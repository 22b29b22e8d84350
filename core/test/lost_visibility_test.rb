# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# The decision point of a flight into less and less visibility, against the geometry of a turn by hand.
class LostVisibilityTest < Minitest::Test
  include PlanHelp

  TurnBack = Fujin::Manoeuvres::Scenario::TurnBack

  # By hand: at 30 m/s and 20° of bank R = 900 / (9.80665 · 0.36397) = 252.2 m. In calm it is 90 m of reaction and R
  # ahead, and half a circle of π · 252.2 m takes 26.4 s.
  def test_the_turn_in_calm
    turn = TurnBack.new(30.0, 20.0, [0.0, 0.0])

    assert_in_delta 252.2, turn.radius_m, 0.2
    assert_in_delta 90.0 + 252.2, turn.ahead_m, 0.6
    assert_in_delta 3.0 + 26.4, turn.time_s, 0.05
    assert_in_delta 2.0 * 252.2, turn.places.last.across_m.abs, 1.0
    assert_in_delta 90.0, turn.places.last.along_m, 1.0
  end

  # With 8 m/s from behind it comes back only where the air ahead of it does: cos = -8/30, 105.5° round, 15.5 s on.
  def test_the_turn_with_the_wind_behind
    turn = TurnBack.new(30.0, 20.0, [8.0, 0.0])
    round = Math.acos(-8.0 / 30.0)
    by_hand = (38.0 * 3.0) + (252.2 * Math.sin(round)) + (8.0 * round * 252.2 / 30.0)

    assert_in_delta by_hand, turn.ahead_m, 1.0
  end

  # The nose stands 15.5° into 8 m/s from the left; the turn goes on that way, and the track until then is straight.
  def test_the_turn_goes_into_the_wind
    from_left, from_right = [8.0, -8.0].map { |across| TurnBack.new(30.0, 20.0, [0.0, across]) }

    assert_operator from_left.places.last.across_m, :<, 0.0
    assert_in_delta from_left.places.last.across_m, -from_right.places.last.across_m, 1e-6
    assert_in_delta 3.0 * 30.0 * Math.cos(Math.asin(8.0 / 30.0)), from_left.places[1].along_m, 1e-6
    assert_in_delta 0.0, from_left.places[1].across_m, 1e-9
    assert_raises(Fujin::OutsideModel) { TurnBack.new(30.0, 20.0, [0.0, 31.0]) }
    assert_raises(Fujin::OutsideModel) { TurnBack.new(30.0, 20.0, [-31.0, 0.0]) }
  end

  def test_the_decision_point
    plan = plan('lost_visibility', settings: { 'least_visibility_m' => 1500 })

    # 58 kt are 29.84 m/s: R 249.4 m, and 89.5 m of reaction before it.
    assert_in_delta 2.0 * (249.4 + 89.5), plan.value('turn_back_visibility_m'), 3.0
    assert_in_delta 1500.0, plan.value('decision_visibility_m'), 0.01
    assert_in_delta 1500.0 / 29.84, plan.value('seen_s'), 0.2
    # To stop: 89.5 m, and v²/2 of slowing by 1 m/s².
    assert_in_delta (89.5 + 445.2) / 0.3048, plan.value('stop_ahead_ft'), 5.0
    assert_in_delta 78.0, plan.value('fastest_speed_kt'), 0.01
    assert_includes plan.tables.first.rows[2].last, 'at 1500 m seen, slowed to 58 kt, or down to 500 ft'
  end

  # Where the school's least leaves no room to turn, the geometry goes before it, and slower is said.
  def test_the_more_of_the_two
    tight = plan('lost_visibility', settings: { 'least_visibility_m' => 300 })

    assert_in_delta tight.value('turn_back_visibility_m'), tight.value('decision_visibility_m'), 0.01
    assert_in_delta 58.0, tight.value('fastest_speed_kt'), 0.2
    assert_includes tight.cautions.map(&:id), 'slower_before'
    refute_includes plan('lost_visibility').cautions.map(&:id), 'slower_before'
  end

  # The table's limits, tried on either side by the turn itself.
  def test_how_fast_for_what_is_seen
    rows = plan('lost_visibility').tables.last.rows.to_h { |row| [row.first, row] }
    fastest = rows[800.0][1]
    ahead = ->(kt) { 2.0 * TurnBack.new(kt * Fujin::Quantities::KT, 20.0, [0.0, 0.0]).ahead_m }

    assert_in_delta 800.0, ahead.call(fastest), 3.0
    assert_equal 'land', rows[500.0][1]
    assert_operator ahead.call(58.0), :>, 500.0
    # 38 kt are 19.55 m/s: 58.6 m and 191.1 m to stop, within 250 m; 39 kt take 261 m.
    assert_in_delta 38.0, rows[500.0][2], 0.01
  end

  # A talk: no finder, no measure, and no gyroplane that stops in the air.
  def test_it_is_a_talk
    refute_predicate M.find('lost_visibility'), :recorded?
    gyro = plan('lost_visibility', type: 'sorrel-g')

    assert_nil gyro.numbers['stop_ahead_ft']
    assert_equal 3, gyro.tables.last.columns.size
    assert_includes gyro.cautions.map(&:id), 'talk_only'
  end
end
