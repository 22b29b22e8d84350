# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_edges'

# What is just an approach, a run-on landing, a landing or a take-off of a gyroplane, and what is just not: recordings
# without noise, on either side of each boundary's number (docs/reference/boundaries.md).
class DescentEdgesTest < Minitest::Test
  include WrittenEdges

  def found(kind, state, seconds: 120.0, **more) = super

  # A state by lines through points of each column, the sink with the height, the way gone with the speed.
  def lines(height:, speed:, **more)
    gone = 0.0
    ->(t) do
      kt = speed.call(t)
      gone += kt * WrittenFlight::FT_S * WrittenFlight::STEP_S
      { 'agl_ft' => height.call(t), 'gs_kt' => kt, 'ias_kt' => kt, 'north_ft' => gone,
        'vs_fpm' => (height.call(t + 0.05) - height.call(t - 0.05)) * 600.0,
        **more.to_h { |name, column| [name.to_s, column.call(t)] } }
    end
  end

  # Level at a height and 60 kt, down from 20 s within so long to the lowest point, slowing; then up again.
  def left(lowest: 60.0, top: 400.0, within_s: 35.0, from_kt: 60.0, slow_kt: 40.0, climbed: 200.0, climbs_s: 15.0)
    turns = 20.0 + within_s
    lines(height: along([0.0, top], [20.0, top], [turns, lowest], [turns + climbs_s, lowest + climbed],
                        [120.0, lowest + climbed]),
          speed: along([0.0, from_kt], [20.0, from_kt], [turns, slow_kt], [turns + climbs_s, 60.0], [120.0, 60.0]))
  end

  def lefts(**how)
    found('normal_approach', left(**how)).count { |attempt| attempt.result == :go_around }
  end

  def test_an_approach_that_was_left_by_how_low_it_came_and_how_far_it_climbed
    { { lowest: 13.0 } => 1, { lowest: 11.0 } => 0, { lowest: 290.0, top: 600.0 } => 1,
      { lowest: 310.0, top: 620.0 } => 0,
      { climbed: 64.0 } => 1, { climbed: 56.0 } => 0, { climbed: 70.0, climbs_s: 25.0 } => 1,
      { climbed: 70.0, climbs_s: 36.0 } => 0 }
      .each { |how, count| assert_equal count, lefts(**how), how.inspect }
  end

  # Slowed from 60 kt to 56.4 it is the same speed; at 3 and at 20 degrees it is no approach's path any more.
  def test_an_approach_that_was_left_by_its_slowing_and_its_path
    assert_equal([1, 0], [56.0, 58.0].map { |kt| lefts(slow_kt: kt) })
    # 340 ft lost at 50 kt, 84.4 ft a second: 2.7 degrees in 85 s, 3.3 in 70.
    assert_equal([1, 0], [70.0, 85.0].map { |seconds| lefts(within_s: seconds, climbs_s: 10.0) })
  end

  # A descent that is held over 150 ft/min and loses eighty feet at least.
  def test_a_descent_by_its_sink_and_what_it_loses
    { { top: 150.0, lowest: 66.0, within_s: 14.0 } => 1, { top: 150.0, lowest: 76.0, within_s: 14.0 } => 0,
      { within_s: 50.0 } => 1, { within_s: 62.0 } => 0 }.each do |how, count|
      # Slowly, so that 140 ft in 50 s, 168 ft/min, are an approach's path: 3.8 degrees.
      assert_equal count, lefts(top: 200.0, lowest: 60.0, from_kt: 30.0, slow_kt: 20.0, **how), how.inspect
    end
  end

  # Down from 1,500 ft within 160 and within 260 s: of a descent that goes on for longer, three minutes belong to it.
  def test_three_minutes_of_a_descent_belong_to_the_approach
    begun = [160.0, 260.0].map do |within_s|
      turns = 20.0 + within_s
      down = lines(height: along([0.0, 1500.0], [20.0, 1500.0], [turns, 60.0], [turns + 15.0, 260.0], [400.0, 260.0]),
                   speed: along([0.0, 60.0], [20.0, 60.0], [turns, 40.0], [turns + 15.0, 60.0], [400.0, 60.0]))
      turns - found('normal_approach', down, seconds: 320.0).find { |one| one.result == :go_around }.start_s
    end

    assert_in_delta 160.0, begun[0], 2.0
    assert_in_delta 180.0, begun[1], 2.0
  end

  # Down a path of so many degrees at so many knots into the ground, then sliding to a stop.
  def run_on(degrees: 4.0, contact_kt: 15.0)
    speed = along([0.0, 60.0], [20.0, 60.0], [60.0, contact_kt], [66.0, 0.0], [120.0, 0.0])
    way = ((60.0 + contact_kt) / 2.0) * 40.0 * WrittenFlight::FT_S
    top = way * Math.tan(degrees * Q::DEG)
    fallen = 0.0
    lines(speed: speed, height: ->(t) {
      moved = (t - 20.0).clamp(0.0, 40.0)
      fallen = ((60.0 * moved) - ((60.0 - contact_kt) * moved * moved / 80.0)) * WrittenFlight::FT_S
      [top - (fallen * Math.tan(degrees * Q::DEG)), 0.0].max
    })
  end

  # The ground is met three quarters of a foot up, 10.7 ft of way before: at 5.5 kt of 3.5, at 4.4 of one.
  def test_a_run_on_landing_by_its_path_and_its_speed_at_contact
    { { degrees: 5.7 } => 1, { degrees: 6.4 } => 0, { contact_kt: 3.5 } => 1, { contact_kt: 1.0 } => 0 }
      .each { |how, count| assert_equal count, found('run_on_landing', run_on(**how)).size, how.inspect }
  end

  # On the wheels until 40 s, the rotor spun up to so much by 38 s, rolling to so fast by 50 s; off, or stopped again.
  def roll(fastest: 30.0, turning: 60.0, hop: nil)
    speed = along([0.0, 0.0], [40.0, 0.0], [50.0, fastest], [60.0, hop ? fastest : 0.0], [70.0, 0.0], [120.0, 0.0])
    height = along([0.0, 0.0], [49.0, 0.0], [54.0, hop.to_f], [59.0, 0.0], [120.0, 0.0])
    rotor = along([0.0, 0.0], [20.0, 0.0], [38.0, turning], [42.0, turning], [50.0, [turning, 95.0].max], [120.0, 95.0])
    lines(height: height, speed: speed, nr_pct: rotor)
  end

  def rolls(**how) = found('gyro_take_off', roll(**how), id: 'sorrel-g')

  def test_a_roll_that_was_given_up_by_its_speed_and_its_rotor
    { { fastest: 13.0 } => 1, { fastest: 11.0 } => 0, { turning: 22.0 } => 1, { turning: 18.0 } => 0 }
      .each { |how, count| assert_equal count, rolls(**how).count { |one| one.result == :abandoned }, how.inspect }
  end

  def test_a_hop_by_its_height
    low, high = [18.5, 21.5].map { |feet| rolls(hop: feet, fastest: 45.0).first }

    assert_nil low.phase('climb')
    refute_nil high&.phase('climb')
  end

  # Rolling from 40 s, off after so long: what rolls for longer than a minute takes off from no roll that is told.
  def test_how_long_a_roll_may_take
    off = [57.0, 63.0].map do |seconds|
      lifts = 40.0 + seconds
      away = lines(height: along([0.0, 0.0], [lifts, 0.0], [lifts + 30.0, 300.0], [140.0, 300.0]),
                   speed: along([0.0, 0.0], [40.0, 0.0], [50.0, 45.0], [140.0, 45.0]),
                   nr_pct: along([0.0, 0.0], [20.0, 0.0], [38.0, 60.0], [42.0, 60.0], [50.0, 95.0], [140.0, 95.0]))
      found('gyro_take_off', away, seconds: 140.0, id: 'sorrel-g').count { |one| one.phase('climb') }
    end

    assert_equal [1, 0], off
  end

  # A glide at 60 kt into the ground, the throttle closed so long before it sinks; the nose up for the flare.
  def landing(throttle: 0.0, engine: 100.0, closed_before_s: 2.0, flare_ft: 40.0, flare_deg: 8.0, rolls_s: 12.0)
    sinks = 40.0
    height = along([0.0, 800.0], [sinks, 800.0], [sinks + 48.0, 0.0], [150.0, 0.0])
    down = sinks + 48.0
    flares = down - (flare_ft / (800.0 / 48.0))
    lines(height: height, speed: along([0.0, 60.0], [flares, 60.0], [down, 30.0], [down + rolls_s, 0.0], [150.0, 0.0]),
          pitch_deg: along([0.0, 0.0], [flares, 0.0], [flares + 0.3, flare_deg], [down, flare_deg], [down + 2.0, 0.0]),
          throttle_pct: ->(t) { t < sinks - closed_before_s ? 80.0 : throttle },
          ne_pct: ->(t) { t < sinks - closed_before_s ? 100.0 : engine })
  end

  def lands(**how) = found('gyro_landing', landing(**how), seconds: 140.0, id: 'sorrel-g').first

  def test_a_landing_begins_where_the_power_was_taken_off
    assert_in_delta 38.0, lands.start_s, 0.2
    assert_in_delta 38.0, lands(throttle: 9.0).start_s, 0.2
    assert_operator lands(throttle: 11.0).start_s, :>, 39.5
    assert_in_delta 26.5, lands(closed_before_s: 13.5).start_s, 0.2
    assert_operator lands(closed_before_s: 17.0).start_s, :>, 39.5
  end

  # Ten points under what it was.
  def test_without_a_throttle_by_the_engines_speed
    slower, hardly = [88.0, 92.0].map do |engine|
      found('gyro_landing', landing(engine: engine), seconds: 140.0, id: 'sorrel-g', lacking: %w[throttle_pct]).first
    end

    assert_in_delta 38.0, slower.start_s, 0.2
    assert slower.phase('glide').estimated
    assert_operator hardly.start_s, :>, 39.5
  end

  def test_a_flare_by_the_nose_and_its_height
    { { flare_deg: 3.4 } => true, { flare_deg: 2.6 } => false }.each do |how, flared|
      assert_equal flared, !lands(**how).phase('flare').nil?, how.inspect
    end
    # Begun higher it is told from where it comes below 120 ft, 7.2 s before the ground.
    assert_in_delta 88.0 - 7.2, lands(flare_ft: 200.0).phase('flare').start_s, 0.4
    assert_in_delta 88.0 - 6.6, lands(flare_ft: 110.0).phase('flare').start_s, 0.4
  end

  # From a vertical descent back to 45 kt within forty seconds.
  def recovered(kt: 60.0, within_s: 10.0)
    lines(speed: along([0.0, 60.0], [20.0, 60.0], [30.0, 5.0], [40.0, 5.0], [40.0 + within_s, kt], [150.0, kt]),
          height: along([0.0, 2000.0], [28.0, 2000.0], [42.0, 1800.0], [150.0, 1800.0]))
  end

  def test_a_vertical_descent_by_its_recovery
    { { kt: 46.0 } => 1, { kt: 44.0 } => 0, { within_s: 46.0 } => 1, { within_s: 58.0 } => 0 }.each do |how, count|
      state = recovered(**how)

      assert_equal count, found('gyro_vertical_descent', state, seconds: 140.0, id: 'sorrel-g').size, how.inspect
    end
  end

  # Down to so low, along there for so long, and away again.
  def balked(lowest: 20.0, along_s: 0.0)
    lines(height: along([0.0, 600.0], [20.0, 600.0], [60.0, lowest], [60.0 + along_s, lowest],
                        [75.0 + along_s, lowest + 200.0], [120.0, lowest + 200.0]),
          speed: ->(_) { 60.0 })
  end

  # Whoever flies along for longer has done something else.
  def test_a_balked_landing_climbs_away_within_twenty_seconds
    { 18.0 => 1, 22.0 => 0 }.each do |seconds, count|
      state = balked(along_s: seconds)

      assert_equal count, found('gyro_balked_landing', state, id: 'sorrel-g').size, "#{seconds} s"
    end
  end

  def test_a_balked_landing_by_how_low_it_came
    { 2.8 => 1, 2.2 => 0, 44.0 => 1, 51.0 => 0 }.each do |feet, count|
      assert_equal count, found('gyro_balked_landing', balked(lowest: feet), id: 'sorrel-g').size, "#{feet} ft"
    end
  end
end
