# frozen_string_literal: true

require_relative 'test_helper'

# What the readings of a phase are held to while it is flown, by hand from the standard, the house and the aircraft.
class BandsTest < Minitest::Test
  L = Fujin::Lessons
  Live = Fujin::Live
  IN_THE_AIR = { 'height_ft' => 300.0, 'ias_kt' => 60.0, 'rotor_rpm_pct' => 100.0 }.freeze

  def exercise(kind, aircraft: 'tansy-2', wind: '350/8', stage: 'solo', settings: {}, id: 'one')
    context = L.context(conditions: conditions(aircraft, wind: Fujin::Wind.parse(wind)), stage: stage, spot: SPOT,
                        course_deg: 350.0, planned: true, exercise: kind, settings: settings)
    L::Exercise.new(id: id, context: context)
  end

  def bands(exercise, phase, values = IN_THE_AIR, driven: nil)
    Live::Bands.new(exercise, phase && watched(exercise, phase)).at(values, driven)
  end

  def watched(exercise, phase) =
    Live::Watched.new(exercise: exercise, phase: phase, since_s: 0.0, so_far: [], targets: targets(exercise))

  # As the taker of measures has them.
  def targets(exercise)
    own = exercise.context.type.helicopter? ? exercise.context.targets : {}
    exercise.context.targets_of(exercise.declaration, own.merge('power_cap_engine_pct' => 70.0))
  end

  # 63 kt ± 7 at solo and ± 4 at instructor; target rpm ± 4, within the type's 90 to 110.
  def test_a_glide_by_stage
    glide = ->(stage) { bands(exercise('straight_in_autorotation', stage: stage), 'glide') }

    assert_equal [56.0, 70.0], glide.call('solo')['ias_kt']
    assert_equal [59.0, 67.0], glide.call('instructor')['ias_kt']
    assert_in_delta(8.0, glide.call('solo')['rotor_rpm_pct'].reverse.reduce(:-).round(6))
    assert_in_delta(6.0, glide.call('instructor')['rotor_rpm_pct'].reverse.reduce(:-).round(6))
  end

  # The same phase of another exercise is held to that one's bands.
  def test_another_exercise_has_bands_of_its_own
    solo, test = %w[solo instructor].map { |stage| exercise('straight_in_autorotation', stage: stage, id: stage) }
    monitor = Live::Monitor.new(solo)
    held = [solo, test].each_with_index.map do |one, i|
      monitor.follow(watched(one, 'glide'))
      monitor.take('t_s' => i.to_f, 'agl_ft' => 600.0, 'ias_kt' => 63.0, 'nr_pct' => 100.0).bands['ias_kt']
    end

    assert_equal [[56.0, 70.0], [59.0, 67.0]], held
  end

  # The cap in percent of the engine, on the gauge; the manifold pressure that goes with it.
  def test_power_is_held_to_the_cap_on_the_gauge
    one = exercise('run_on_landing')
    engine = Fujin::Flight::Engine.new(type, one.context.conditions.atmosphere)
    low, high = bands(one, 'descent')['power']

    assert_nil low
    assert_in_delta engine.instrument(0.70 * engine.limit_w, 1.0), high, 1e-9
  end

  # Thirty times the airspeed and no less than 300 ft/min; the standard lets 50 more pass at solo.
  def test_the_sink_goes_with_the_airspeed
    one = exercise('normal_approach')
    sink = ->(ias) { bands(one, 'descent', IN_THE_AIR.merge('ias_kt' => ias))['sink_fpm'] }

    assert_equal [nil, 1850.0], sink.call(60.0)
    assert_equal [nil, 800.0], sink.call(25.0)
    assert_equal [nil, 350.0], sink.call(5.0)
    assert_nil bands(one, 'descent', IN_THE_AIR.except('ias_kt'))['sink_fpm'], 'without an airspeed there is none'
  end

  # Where no rule holds it the house's own, slow and over 20 ft.
  def test_the_house_s_sink_where_no_rule_has_one
    one = exercise('hover')
    sink = ->(ias, height) { bands(one, nil, IN_THE_AIR.merge('ias_kt' => ias, 'height_ft' => height))['sink_fpm'] }

    assert_equal [nil, 600.0], sink.call(20.0, 21.0)
    assert_nil sink.call(30.0, 21.0)
    assert_nil sink.call(20.0, 20.0)
  end

  # Driven the governor's band, without its engine what the blades stand, on the ground none.
  def test_the_rotor_of_a_helicopter
    one = exercise('normal_approach')
    on, off = [type.power_on_band, type.power_off_band].map { |band| band.map(&:to_f) }

    assert_equal on, bands(one, 'descent')['rotor_rpm_pct']
    assert_equal off, bands(one, nil, driven: false)['rotor_rpm_pct']
    assert_nil bands(one, nil, IN_THE_AIR.merge('height_ft' => 3.0))['rotor_rpm_pct']
    assert_nil bands(exercise('straight_in_autorotation'), 'cushion')['rotor_rpm_pct'], 'it is spent there'
  end

  # Never driven in flight, whatever is flown; on its wheels it is being brought up or let run down.
  def test_the_rotor_of_a_gyroplane
    one = exercise('gyro_landing', aircraft: 'sorrel-g')
    off = type('sorrel-g').power_off_band.map(&:to_f)

    assert_equal off, bands(one, 'glide')['rotor_rpm_pct']
    assert_equal off, bands(one, nil)['rotor_rpm_pct']
    assert_nil bands(one, 'roll_out', IN_THE_AIR.merge('height_ft' => 0.4))['rotor_rpm_pct']
  end

  # Tip speed times the advance ratio that the standard lets pass; twice the rotor allows twice the speed.
  def test_the_rotor_decides_the_speed_of_a_roll
    one = exercise('gyro_take_off', aircraft: 'sorrel-g')
    most = one.context.standard_of(one.declaration).band('roll_advance_ratio_max', 'solo', targets(one)).in.last
    speed = ->(rotor) { bands(one, 'roll', { 'rotor_rpm_pct' => rotor, 'height_ft' => 0.2 })['ias_kt'].last }
    tip = type('sorrel-g').fetch('rotor.normal_speed_rad_s') * 0.5 * type('sorrel-g').fetch('rotor.radius_m')

    assert_within most * tip / Q::KT, speed.call(50.0), 0.2
    assert_in_delta 2.0, speed.call(100.0) / speed.call(50.0), 1e-9
  end

  # Where the wind of 12 kt from 60° to the left of the track puts the nose; not in a turn.
  def test_the_nose_into_the_wind
    one = exercise('rectangle', wind: '290/12')
    straight = IN_THE_AIR.merge('heading_deg' => 345.0, 'track_deg' => 350.0, 'bank_deg' => 2.0, 'ias_kt' => 78.0)
    low, high = bands(one, 'upwind', straight)['heading_deg']
    drift = Math.asin(12.0 * Math.sin(60.0 * Q::DEG) / 78.0) / Q::DEG

    assert_in_delta 350.0 - drift, (low + high) / 2.0, 0.1
    assert_nil bands(one, 'upwind', straight.merge('bank_deg' => 5.1))['heading_deg']
    north = bands(one, 'upwind', straight.merge('heading_deg' => 2.0, 'track_deg' => 9.0))['heading_deg']

    assert_operator north.first, :<, 2.0
    assert_operator north.last, :>, 0.0, 'counted on from the heading, on whichever side of north'
  end

  # The speed and height that it begins with, as steady as a set-up is, where it is graded how it was set up.
  def test_before_it_begins
    approach = exercise('steep_approach')
    setup = approach.plan.setup
    found = bands(approach, nil)

    assert_equal [setup.speed_kt - 10.0, setup.speed_kt + 10.0], found['ias_kt']
    assert_equal [setup.height_ft - 100.0, setup.height_ft + 100.0], found['height_ft']
    assert_nil bands(exercise('circuit'), nil)['ias_kt'], 'it begins on the ground'
  end

  # A day that cannot be planned holds nothing to a plan, and breaks nothing.
  def test_without_a_plan
    one = L::Exercise.new(id: 'one',
                          context: exercise('steep_approach',
                                            settings: { 'approach_angle_deg' => 99.0 }).context)

    assert_nil one.plan
    refute_includes bands(one, nil), 'ias_kt'
    assert_nil Live::GateWatch.new(one).take(0.0, IN_THE_AIR, nil)
  end
end
