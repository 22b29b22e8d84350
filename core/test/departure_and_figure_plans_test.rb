# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# Take-offs, the circuit and figures over the ground as planned, each against hand arithmetic.
class DepartureAndFigurePlansTest < Minitest::Test
  include PlanHelp

  def test_take_off_needs_the_power_it_has
    assert_operator plan('maximum_performance_take_off', people: 'solo').value('climb_angle_deg'),
                    :>,
                    plan('maximum_performance_take_off').value('climb_angle_deg')
    assert_raises(Fujin::OutsideModel) { plan('hover_power_take_off', elevation_ft: 5000, oat_c: 25.1) }
  end

  def test_power_margin_says_what_is_wanted
    text = text_of(plan('maximum_performance_take_off', mass_kg: 600), 'power_margin')

    assert_match(
      /Power margin \d\.\d % out of ground effect, 5 % wanted/,
      text
    )
  end

  def test_circuit_legs_by_the_wind_triangle
    found = plan('circuit', wind: '300/12', course: 270.0)
    leg = row(found, 'legs', 'downwind')
    drift = Math.asin(12 * Math.sin((300 - 90) * Q::DEG) / 78) / Q::DEG

    assert_in_delta 90 + drift, leg[1], 0.05
    assert_in_delta (78 * Math.cos(drift * Q::DEG)) - (12 * Math.cos((300 - 90) * Q::DEG)), leg[3], 0.05
    assert_in_delta 0.0, found.path.last.along_ft, 1e-6
    assert_in_delta 0.0, found.path.last.height_ft, 1e-6
  end

  # Leg by leg as the school flies it, of the type's own speeds; the field keeps what the exercise sets.
  def test_circuit_as_the_house_flies_it
    house = { 'circuit_height_ft' => 800, 'circuit_turn_ft' => 400, 'circuit_climb_pct' => 110,
              'circuit_downwind_pct' => 90, 'circuit_base_pct' => 95 }
    found = plan('circuit', wind: '000/0', house: house)

    assert_in_delta 800.0, found.value('entry_height_ft'), 0.01
    assert_in_delta 400.0, found.value('turn_start_height_ft'), 0.01
    assert_equal([58 * 1.1, 78 * 0.9, 63 * 0.95].map { |kt| kt.round(2) },
                 %w[climb_speed_kt downwind_speed_kt base_speed_kt].map { |id| found.value(id).round(2) })
    assert_in_delta 600.0, plan('circuit', height: 600.0, house: house).value('entry_height_ft'), 0.01
  end

  # Under half a metre a second, 98 ft/min, there is no circuit to plan: higher and higher on a hot day.
  def test_a_circuit_wants_a_climb
    climbs = (800..2000).step(100).map do |feet|
      plan('circuit', type: 'sorrel-g', elevation_ft: feet.to_f, oat_c: 30.0).value('climb_fpm')
    rescue Fujin::OutsideModel => e
      e.message
    end
    refused = climbs.find { |climb| climb.is_a?(String) }

    assert_includes 86..98, refused[/is (\d+) ft/, 1].to_i
    assert_operator climbs[climbs.index(refused) - 1], :>=, 98.0
  end

  # A helicopter slows down from the set-up point on, the closing rate as it looks staying the same: half way down by a
  # factor of sqrt(1/2). By hand, 2 L / v of it less the last 3 kt. A gyroplane keeps its speed.
  def test_the_final_of_a_circuit_slows_down
    found = plan('circuit', wind: '000/0')
    final = found.path.select { |p| p.phase == :final }
    half = final.min_by { |p| (p.along_ft - (final.first.along_ft / 2.0)).abs }

    assert_in_delta 63.0, final.first.groundspeed_kt, 0.1
    assert_in_delta 63.0 * Math.sqrt(half.along_ft / final.first.along_ft), half.groundspeed_kt, 0.1
    assert_in_delta 3.0, final.last.groundspeed_kt, 0.01
    assert_in_delta 2.0 * -final.first.along_ft / (63.0 * 1.6878), final.last.t_s - final.first.t_s, 3.0
    gyro = plan('circuit', type: 'sorrel-g', wind: '000/0').path.select { |p| p.phase == :final }

    assert_equal 1, gyro.map { |p| p.groundspeed_kt.round(3) }.uniq.size
  end

  # The gate's sink is the angle's band at its ground speed: 63 kt are 6380 ft/min, 10° ± 1.5°.
  def test_the_set_up_gate_s_sink_means_something
    sink = plan('circuit', wind: '000/0').gates.first.measures['sink_fpm']

    assert_in_delta 6380 * Math.tan(8.5 * Q::DEG), sink[:low], 3.0
    assert_in_delta 6380 * Math.tan(10.0 * Q::DEG), sink[:target], 3.0
    assert_in_delta 6380 * Math.tan(11.5 * Q::DEG), sink[:high], 3.0
  end

  def test_bank_round_a_point_by_hand
    found = plan('turn_about_a_point', wind: '000/15', settings: { 'radius_ft' => 800 })
    ground = (78 + 15) * Q::KT

    assert_in_delta Math.atan2(ground**2, Q::G * 800 * Q::FT) / Q::DEG, found.value('bank_deg'), 0.01
    assert_in_delta Math.atan2(((78 - 15) * Q::KT)**2, Q::G * 800 * Q::FT) / Q::DEG, found.value('least_bank_deg'), 0.01
    checks = found.tables.find { |t| t.id == 'check_points' }.rows

    assert_equal 4, checks.size
    assert_operator checks[0][5], :>, checks[2][5]
  end

  # The bank's formula, against a heading integrated round the circle with that bank.
  def test_the_bank_formula_keeps_the_radius
    found = plan('turn_about_a_point', wind: '000/15', settings: { 'radius_ft' => 800, 'turn_side' => 'right' })
    centre = 800.0 * Q::FT
    radii = found.path.map { |p| Math.hypot(p.along_ft * Q::FT, p.across_ft * Q::FT) }

    radii.each { |r| assert_within centre, r, 1 }
    wind = Fujin::Wind.parse('000/15')
    air = 78 * Q::KT
    track = 90.0
    dt = 0.01
    ground = wind.groundspeed_kt(track, 78) * Q::KT
    drift = wind.drift_angle_deg(track, 78)
    bank = Math.atan2(ground**2, Q::G * centre * Math.cos(drift * Q::DEG))
    heading = track + drift + (Q::G * Math.tan(bank) / air * dt / Q::DEG)
    north = (air * Math.cos(heading * Q::DEG)) + wind.vector[0]
    east = (air * Math.sin(heading * Q::DEG)) + wind.vector[1]
    turned = (Math.atan2(east, north) / Q::DEG) - track

    assert_within ground / centre * dt / Q::DEG, turned, 1
  end

  # Two turns and a foot have to fit across it; the least that is told is taken, and a tenth less is not.
  def test_the_narrowest_rectangle
    wide = ->(feet, radius) do
      plan('rectangle', settings: { 'width_ft' => feet, 'radius_ft' => radius, 'leg_ft' => 3000.0 })
    end

    assert_in_delta 1200.0, wide.call(1200.0, 599.4).value('width_ft')
    told = assert_raises(Fujin::InvalidInput) { wide.call(1200.0, 599.6) }.message

    assert_equal 'width_ft: expected a number from 1201 to 20000, got 1200.0', told
    assert wide.call(1201.0, 599.6)
    assert_includes assert_raises(Fujin::InvalidInput) { plan('gyro_take_off', type: 'sorrel-g', height: 0.6) }.message,
                    'from 0 to 0.5'
  end

  def test_corners_of_a_rectangle_add_up_to_a_turn
    found = plan('rectangle', wind: '020/12')
    corners = found.tables.first.rows.map { |r| r[5] }

    assert_in_delta 360.0, corners.sum, 1e-6
    assert_operator corners.max, :>, 90
  end

  def test_the_set_up_gate_of_a_circuit_lies_on_its_path_and_its_steady_stretch_ends_at_the_base_turn
    found = plan('circuit', wind: '350/8')
    gate = found.gates.first
    nearest = found.path.map do |p|
      Math.hypot(p.along_ft - gate.along_ft, p.across_ft) + (p.height_ft - gate.height_ft).abs
    end

    assert_operator nearest.min, :<, 25
    assert_in_delta found.value('set_up_height_ft'), gate.height_ft, 1e-6
    base_turn = found.path.select { |p| p.phase == :downwind }.map(&:along_ft).min

    assert_operator found.setup.start_along_ft, :>, base_turn
  end

  # Thirty degrees at the greatest ground speed, whatever the aircraft's cruise: R = v²/(g·tan 30°).
  def test_a_rectangle_of_the_house_s_own_size_asks_for_thirty_degrees_at_most
    %w[tansy-2 yarrow-4].product(%w[350/0 350/15]).each do |id, wind|
      assert_operator plan('rectangle', type: id, wind: wind).value('bank_deg'), :<, 30.5, "#{id} #{wind}"
    end
  end

  # Power decides a maximum-performance take-off: by hand, 10 ft straight up and then the spare power shared between a
  # disc tilted 6° and the climb, so three times the margin clears fifty feet in a fraction of the way.
  def test_power_decides_how_far_a_maximum_performance_take_off_needs
    tight = plan('maximum_performance_take_off', wind: '350/0')
    ample = plan('maximum_performance_take_off', type: 'yarrow-4', wind: '350/0')

    assert_operator tight.value('obstacle_distance_ft'), :>, 3 * ample.value('obstacle_distance_ft')
    [tight, ample].each do |found|
      by_path = found.path.find { |p| p.height_ft >= 50 }

      assert_in_delta Math.atan2(by_path.height_ft - 4.0, by_path.along_ft) / Q::DEG, found.value('climb_angle_deg'),
                      0.1
      assert_operator found.value('climb_angle_deg'), :>, 8
    end
  end

  def test_a_take_off_at_hover_power_moves_off_in_calm
    path = plan('hover_power_take_off', wind: '350/0').path

    assert_operator path.find { |p| p.ias_kt >= 5 }.t_s, :<, 8
    assert_operator path.map(&:height_ft).min, :>, 1.0
  end
end
