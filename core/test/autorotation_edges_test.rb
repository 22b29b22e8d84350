# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_edges'

# What an autorotation is, where it ends and how, on either side of each number of its finder: recordings without noise
# (docs/reference/boundaries.md). The throttle closes at 20 s and 1,000 ft; the glide sinks by 25 ft a second.
class AutorotationEdgesTest < Minitest::Test
  include WrittenEdges

  SINK_FT_S = 25.0
  # House glide of the type, kt.
  GLIDE_KT = 63.0
  LANDED = { speed: [[0.0, 63.0], [54.0, 63.0], [62.0, 10.0], [66.0, 0.0]],
             pitch: [[0.0, 0.0], [57.0, 0.0], [58.0, 10.0], [62.0, 10.0], [63.0, 2.0]],
             height: [[0.0, 1000.0], [20.0, 1000.0], [57.2, 70.0], [62.0, 5.0], [66.0, 4.0], [68.0, 0.0]],
             throttle: [[0.0, 80.0], [20.0, 80.0], [20.5, 0.0]] }.freeze

  # @param how [Hash{Symbol => Array}] points of [time, value]
  # @param lacking [Array<String>] columns that the recorder does not have
  # @return [Array<Fujin::Grading::Attempt>]
  def glided(seconds: 80.0, lacking: [], **how)
    lines = LANDED.merge(how).transform_values { |points| along(*points) }
    speed, pitch, height, throttle = lines.values_at(:speed, :pitch, :height, :throttle)
    state = ->(t) do
      driven = throttle.call(t) > 40.0
      { 'agl_ft' => height.call(t), 'gs_kt' => speed.call(t), 'ias_kt' => speed.call(t), 'pitch_deg' => pitch.call(t),
        'throttle_pct' => throttle.call(t), 'ne_pct' => driven ? 100.0 : 60.0,
        'collective_pct' => driven ? 40.0 : 5.0, 'vs_fpm' => (height.call(t + 0.05) - height.call(t - 0.05)) * 600.0 }
    end
    day = conditions(wind: CALM)
    context = Fujin::Lessons.context(conditions: day, spot: SPOT, course_deg: 350.0, wind: CALM)
    Fujin::Manoeuvres::Autorotation::Finder
      .new(signals_of(WrittenFlight.new(seconds, columns: WrittenFlight::STILL.keys - lacking, &state).csv,
                      day), context).find
  end

  # So slow while it sinks from one height to another.
  def slowed(kt, from_ft, to_ft)
    from, to = [from_ft, to_ft].map { |ft| 20.0 + ((1000.0 - ft) / SINK_FT_S) }
    back = [to + 10.0, 56.0].min
    glided(speed: [[0.0, 63.0], [from - 4.0, 63.0], [from - 0.05, 31.0], [from, kt], [to, kt], [to + 0.05, 31.0],
                   [back, 63.0], [57.0, 63.0], [63.0, 10.0], [66.0, 0.0]]).first
  end

  # As low airspeed, then not.
  def assert_either(low, other)
    found = [low, other].map { |how| slowed(*how).manoeuvre }

    assert_equal %w[low_speed_autorotation straight_in_autorotation], found, [low, other].inspect
  end

  def test_how_slow_for_how_long_and_how_high_is_low_airspeed
    assert_either [29.0, 700.0, 600.0], [30.6, 700.0, 600.0]
    assert_either [29.0, 700.0, 615.0], [29.0, 700.0, 635.0]
    assert_either [29.0, 240.0, 100.0], [29.0, 215.0, 100.0]
  end

  # From 31 to 63 kt in ten seconds: within 6 kt of the house's glide after eight and an eighth.
  def test_its_entry_ends_where_the_speed_is_back
    entry = slowed(29.0, 700.0, 600.0).phase('entry')

    assert_in_delta 36.05 + (10.0 * (GLIDE_KT - 6.0 - 31.0) / 32.0), entry.end_s, 0.15
  end

  # Without a nose the flare is told by the ground speed: from 54 s it comes off by so much a second.
  def test_how_fast_the_speed_comes_off_in_a_flare
    flared = [1.6, 1.4].map do |rate|
      slow = 63.0 - (8.0 * rate)
      glided(lacking: ['pitch_deg'],
             speed: [[0.0, 63.0], [54.0, 63.0], [62.0, slow], [80.0, slow]]).first.phase('flare')
    end

    assert_in_delta 53.0, flared[0].start_s, 1.0
    assert_nil flared[1]
  end

  # The ground met so long after the throttle closed: four minutes of a glide are looked through for its flare.
  def test_how_long_a_glide_may_take
    flared = [230.0, 262.0].map do |seconds|
      down = 20.0 + seconds
      top = SINK_FT_S * seconds
      glided(seconds: 300.0,
             speed: [[0.0, 63.0], [down - 12.0, 63.0], [down - 4.0, 10.0], [down, 0.0]],
             pitch: [[0.0, 0.0], [down - 9.0, 0.0], [down - 8.0, 10.0], [down - 4.0, 10.0], [down - 3.0, 2.0]],
             height: [[0.0, top], [20.0, top], [down - 8.8, 70.0], [down - 4.0, 5.0], [down, 0.0]])
        .first.phase_ids.include?('flare')
    end

    assert_equal [true, false], flared
  end

  def again_after(seconds)
    glided(throttle: [[0.0, 80.0], [20.0, 80.0], [20.5, 0.0], [23.0, 0.0], [23.4, 80.0], [20.0 + seconds, 80.0],
                      [20.5 + seconds, 0.0]])
  end

  def test_the_throttle_closed_again_within_eight_seconds_is_the_same_one
    assert_equal([1, 2], [7.6, 8.5].map { |seconds| again_after(seconds).size })
  end

  # Power back at 46 s and 350 ft, then a climb from a height, at a speed.
  def gone_around(climb_fpm: 300.0, for_s: 20.0, low_ft: 200.0, slowest_kt: 50.0)
    lowest = 46.0 + ((350.0 - low_ft) / SINK_FT_S)
    top = low_ft + (climb_fpm / 60.0 * for_s)
    glided(throttle: [*LANDED[:throttle], [46.0, 0.0], [46.5, 80.0]],
           pitch: [[0.0, 0.0], [80.0, 0.0]],
           speed: [[0.0, 63.0], [47.0, 63.0], [52.0, slowest_kt], [53.0, slowest_kt], [58.0, 60.0]],
           height: [[0.0, 1000.0], [20.0, 1000.0], [lowest, low_ft], [lowest + for_s, top], [80.0, top]])
  end

  def results(**how) = gone_around(**how).map(&:result)

  def test_a_go_around_is_a_climb_above_fifty_feet_that_goes_on_and_was_not_stopped_before
    assert_equal([[:go_around], [:completed]], [170.0, 130.0].map { |fpm| results(climb_fpm: fpm) })
    assert_equal([[:go_around], [:completed]], [9.0, 7.0].map { |kt| results(slowest_kt: kt) })
    assert_equal([[:go_around], [:completed]], [2.1, 1.2].map { |seconds| results(for_s: seconds) })
  end

  # Low over the ground it climbs and stays under fifty feet.
  def test_a_climb_that_stays_low_is_no_go_around
    assert_equal([[:go_around], [:completed]], [11.0, 8.0].map { |seconds| results(low_ft: 6.0, for_s: seconds) })
  end

  # Power back in the flare, then slower and slower: so long from level to the hover.
  def recovered(still_kt: 1.0, sinks_fpm: 0.0)
    glided(throttle: [*LANDED[:throttle], [59.0, 0.0], [59.4, 80.0]],
           speed: [[0.0, 63.0], [54.0, 63.0], [62.0, 10.0], [66.0, still_kt + 3.0], [66.2, still_kt], [80.0, still_kt]],
           height: [[0.0, 1000.0], [20.0, 1000.0], [57.2, 70.0], [62.0, 5.0], [64.0, 5.0],
                    [72.0, 5.0 - (sinks_fpm * 8.0 / 60.0)]]).first
  end

  def test_a_recovery_ends_five_seconds_after_the_hover_is_still
    hover = recovered

    assert_in_delta 66.2, hover.phase('recovery').end_s, 0.3
    assert_in_delta 71.2, hover.end_s, 0.3
    assert_equal([true, false], [1.4, 1.8].map { |kt| recovered(still_kt: kt).phase('recovery').end_s < 70.0 })
    # Rising by so much it is none yet.
    assert_equal([true, false], [-46.0, -55.0].map { |fpm| recovered(sinks_fpm: fpm).phase('recovery').end_s < 70.0 })
  end

  # On the ground it slides on and stops, or is looked at for four seconds.
  def test_a_touchdown_ends_where_it_stops_four_seconds_after_contact_at_the_earliest
    ends = ->(stop_s, last_kt) do
      glided(speed: [[0.0, 63.0], [54.0, 63.0], [62.0, 10.0], [68.0, 6.0], [stop_s, last_kt]]).first.end_s
    end

    assert_in_delta 72.0, ends.call(70.0, 0.0), 0.3
    assert_in_delta 75.0, ends.call(75.0, 0.4), 0.5
    assert_operator ends.call(75.0, 0.7), :>, 78.0
  end

  def level_at(**how) = glided(**how).first.events.fetch(:level_s)

  # Six feet, or 18 kt lower than 25 ft.
  def test_where_it_is_level
    hung = ->(ft) { [*LANDED[:height].first(3), [60.0, ft], [66.0, ft], [67.0, 3.0], [68.0, 0.0]] }
    slow = ->(kt) { [[0.0, 63.0], [54.0, 63.0], [61.0, kt], [66.0, kt], [66.5, 5.0], [70.0, 0.0]] }

    assert_operator level_at(height: hung.call(5.6), speed: slow.call(30.0)), :<, 60.5
    assert_operator level_at(height: hung.call(6.5), speed: slow.call(30.0)), :>, 65.5
    assert_operator level_at(height: hung.call(23.0), speed: slow.call(17.0)), :<, 61.5
    assert_operator level_at(height: hung.call(23.0), speed: slow.call(19.5)), :>, 65.5
    assert_operator level_at(height: hung.call(27.0), speed: slow.call(17.0)), :>, 65.5
  end

  def flared_at(to_deg: 10.0, at: 57.0)
    glided(pitch: [[0.0, 0.0], [at, 0.0], [at + 0.2, to_deg], [62.0, to_deg], [63.0, 0.0]],
           speed: [[0.0, 63.0], [58.0, 63.0], [62.0, 30.0], [66.0, 0.0]]).first.phase('flare')
  end

  # 220 ft are left at 51.2 s.
  def test_how_far_the_nose_goes_up_and_how_low
    assert_equal([false, true], [4.6, 3.4].map { |deg| flared_at(to_deg: deg).estimated })
    assert_in_delta 52.7, flared_at(at: 53.0).start_s, 0.3
    assert_in_delta 50.7, flared_at(at: 50.0).start_s, 0.3
  end
end
