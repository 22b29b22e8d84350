# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# What is just enough to be an attempt, and what is just not: recordings without noise, on either side of each
# boundary's number (docs/reference/boundaries.md).
class FinderEdgesTest < Minitest::Test
  CALM = Fujin::Wind.calm

  def found(kind, state, seconds: 60.0, id: 'tansy-2')
    csv = WrittenFlight.new(seconds, &state).csv
    proposals = grade_csv(csv, day: conditions(id, wind: CALM)).proposals
    proposals.map(&:attempt).select { |attempt| attempt.manoeuvre == kind }
  end

  # The line through points of [time, value].
  def along(points) = ->(t) { Q.interpolate(points, t) }

  def hover(height: 5.0, speed: 0.0, from: 20.0, to: 40.0, heading: ->(_) { 350.0 })
    ->(t) do
      inside = t.between?(from, to)
      { 'agl_ft' => inside ? height : 60.0, 'gs_kt' => inside ? speed : 8.0, 'ias_kt' => 8.0,
        'hdg_deg' => heading.call(t) }
    end
  end

  def test_a_hover_by_height_speed_and_time
    assert_equal 1, found('hover', hover).size
    { height: { 2.2 => 1, 1.8 => 0, 14.8 => 1, 15.2 => 0 }, speed: { 2.9 => 1, 3.1 => 0 },
      to: { 30.3 => 1, 29.4 => 0 } }.each do |what, edges|
      edges.each { |value, count| assert_equal count, found('hover', hover(what => value)).size, "#{what} #{value}" }
    end
  end

  def test_a_hover_turn_by_rate_and_angle
    { [5.3, 12.0] => 1, [4.7, 14.0] => 0, [9.0, 5.4] => 1, [9.0, 4.6] => 0 }.each do |(rate, seconds), count|
      heading = along([[0.0, 350.0], [24.0, 350.0], [24.0 + seconds, 350.0 + (rate * seconds)],
                       [60.0, 350.0 + (rate * seconds)]])

      assert_equal count, found('hover_turn', hover(to: 50.0, heading: heading)).size, "#{rate}°/s, #{seconds} s"
    end
  end

  def slowed(to_kt: 58.0, climbed_ft: 0.0)
    speed = along([[0.0, 70.0], [25.0, 70.0], [37.0, to_kt], [70.0, to_kt]])
    height = along([[0.0, 600.0], [25.0, 600.0], [37.0, 600.0 + climbed_ft], [70.0, 600.0 + climbed_ft]])
    ->(t) { { 'agl_ft' => height.call(t), 'gs_kt' => speed.call(t), 'ias_kt' => speed.call(t) } }
  end

  def test_a_level_speed_change_by_speed
    assert_equal 1, found('level_speed_change', slowed(to_kt: 59.0), seconds: 70.0).size
    assert_empty found('level_speed_change', slowed(to_kt: 61.0), seconds: 70.0)
    assert_equal 1, found('level_speed_change', slowed(climbed_ft: 190.0), seconds: 70.0).size
    assert_empty found('level_speed_change', slowed(climbed_ft: 210.0), seconds: 70.0)
  end

  # The warning of the type is at 96 %.
  def drooped(low_pct: 93.0, recovered: true)
    rotor = along([[0.0, 100.0], [20.0, 100.0], [26.0, low_pct], [30.0, recovered ? 100.0 : low_pct], [60.0, 100.0]])
    collective = along([[0.0, 50.0], [26.0, 50.0], [27.0, 40.0], [60.0, 40.0]])
    ->(t) do
      { 'agl_ft' => 400.0, 'gs_kt' => 60.0, 'ias_kt' => 60.0, 'nr_pct' => rotor.call(t), 'ne_pct' => rotor.call(t),
        'collective_pct' => collective.call(t) }
    end
  end

  def test_a_low_rotor_rpm_by_the_type_s_warning
    warning = type.low_warning_pct

    assert_equal 1, found('low_rotor_rpm_recovery', drooped(low_pct: warning - 0.6)).size
    assert_empty found('low_rotor_rpm_recovery', drooped(low_pct: warning + 0.3))
  end

  def slow(speed: 25.0, seconds: 20.0, climb_fpm: 0.0)
    ->(t) do
      inside = t.between?(20.0, 20.0 + seconds)
      height = 500.0 + (inside ? climb_fpm * (t - 20.0) / 60.0 : 0.0)
      { 'agl_ft' => height, 'gs_kt' => inside ? speed : 60.0, 'ias_kt' => inside ? speed : 60.0 }
    end
  end

  def test_a_gyroplane_s_slow_flight_by_speed_and_time
    count = ->(**given) { found('gyro_slow_flight', slow(**given), id: 'sorrel-g').size }

    assert_equal 1, count.call
    assert_equal([1, 0], [34.5, 35.5].map { |speed| count.call(speed: speed) })
    assert_equal([0, 1], [9.5, 10.5].map { |speed| count.call(speed: speed) })
    assert_equal([0, 1], [8.5, 12.5].map { |seconds| count.call(seconds: seconds) })
  end

  def vertical(speed: 6.0, sink: 600.0)
    ->(t) do
      inside = t.between?(20.0, 40.0)
      fallen = sink * (t.clamp(20.0, 40.0) - 20.0) / 60.0
      kt = inside ? speed : along([[0.0, 60.0], [20.0, 60.0], [40.0, speed], [50.0, 60.0], [60.0, 60.0]]).call(t)
      { 'agl_ft' => 1200.0 - fallen, 'gs_kt' => kt, 'ias_kt' => kt }
    end
  end

  def test_a_gyroplane_s_vertical_descent_by_speed_and_sink
    count = ->(**given) { found('gyro_vertical_descent', vertical(**given), id: 'sorrel-g').size }

    assert_equal([1, 0], [9.5, 10.5].map { |speed| count.call(speed: speed) })
    assert_equal([0, 1], [280.0, 320.0].map { |sink| count.call(sink: sink) })
  end
end
