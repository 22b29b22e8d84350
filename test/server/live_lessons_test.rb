# frozen_string_literal: true

require 'bundler/setup'
require 'minitest/autorun'
require_relative '../../devices/lesson'
require_relative '../../devices/mishaps'
require_relative '../../core/test/followed'
require_relative '../by_lot'

# Lessons of every family as the stand-in recorder sends them, followed in the cockpit: which exercise, which phase,
# what it is held to; and what becomes of the calls when the recorder fails.
class LiveLessonsTest < Minitest::Test
  extend ByLot
  include Followed

  by_lot(/\Atest_follows_/)

  WIND = '350/8'
  FLOWN = {} # rubocop:disable Style/MutableConstant

  def type(id) = Fujin::Aircraft::Library.find(id)

  def samples(aircraft, *kinds)
    FLOWN[[aircraft, kinds]] ||= begin
      asked = Fujin::Devices::Lesson::Asked.new(type: type(aircraft), people: 'dual', wind: WIND, seed: 4,
                                                exercises: kinds.map { |kind| [kind, {}] }, course_deg: 350.0)
      Fujin::Devices::Lesson.new(asked).pieces.to_a.flatten
    end
  end

  def exercise(aircraft, kind)
    wind = Fujin::Wind.parse(WIND)
    day = Fujin::Planning::Conditions.build(type: type(aircraft), people: 'dual', wind: wind, elevation_ft: 62.0)
    context = Fujin::Lessons.context(conditions: day, stage: 'solo', spot: Fujin::Devices::Lesson::SPOT, wind: wind,
                                     planned: true, exercise: kind, course_deg: 350.0, elevation_ft: 62.0)
    Fujin::Lessons::Exercise.new(id: kind, context: context)
  end

  # What is shown of the beginning of a lesson, one after another: exercise and phase, without what lasts less than a
  # second.
  def shown(aircraft, *kinds, to_s: 400.0, every_s: 2.0)
    flown = samples(aircraft, *kinds).take_while { |sample| sample['t_s'] < to_s }
    readings = readings_of(flown, *kinds.map { |kind| exercise(aircraft, kind) }, every_s: every_s)
    runs = readings.chunk_while { |a, b| [a.exercise, a.phase] == [b.exercise, b.phase] }
    long = runs.select { |run| run.first.phase && run.last.t_s - run.first.t_s >= 1.0 }
    long.map { |run| [run.first.exercise, run.first.phase] }.chunk_while { |a, b| a == b }.map(&:first)
  end

  def of(kind, *phases) = phases.map { |phase| [kind, phase] }

  def test_follows_a_rectangle_side_by_side
    sides = of('rectangle', 'downwind', 'crosswind', 'upwind', 'crosswind_back')

    assert_equal sides * 2, shown('tansy-2', 'rectangle')
  end

  # With the wind from the course, 8 kt: on the side flown at 80° to the right the nose belongs into it.
  def test_the_heading_of_a_side_is_held_to_what_the_wind_asks_for
    flown = samples('tansy-2', 'rectangle').take_while { |sample| sample['t_s'] < 100.0 }
    readings = readings_of(flown, exercise('tansy-2', 'rectangle'), every_s: 2.0)
    crosswind = readings.select { |one| one.phase == 'crosswind' && one.bands.key?('heading_deg') }
    off = crosswind.map { |one| (one.bands['heading_deg'].sum / 2.0) - one.values['track_deg'] }

    # asin(8 / 78): the drift of 8 kt across at 78 kt.
    assert_in_delta 5.9, off.sum.abs / off.size, 0.4
    assert(crosswind.all? { |one| one.values['bank_deg'] <= 5.0 })
    assert_operator crosswind.count { |one| one.values['heading_deg'].between?(*one.bands['heading_deg']) }, :>,
                    0.9 * crosswind.size
  end

  def test_follows_half_circles_across_a_line
    assert_equal of('turns_across_a_line', 'downwind_turn', 'upwind_turn') * 2,
                 shown('tansy-2', 'turns_across_a_line').first(4)
  end

  def test_follows_a_circle_and_a_change_of_speed
    assert_equal of('turn_about_a_point', 'turn'), shown('tansy-2', 'turn_about_a_point').uniq
    assert_equal of('level_speed_change', 'level'), shown('tansy-2', 'level_speed_change').uniq
  end

  def test_follows_a_circuit_leg_by_leg
    legs = of('circuit', 'upwind', 'crosswind', 'downwind', 'base', 'final')

    assert_equal legs, shown('tansy-2', 'circuit', to_s: 340.0)
  end

  def test_follows_a_take_off_and_an_approach_after_it
    first = [*of('hover_power_take_off', 'take_off', 'climb'), *of('normal_approach', 'descent', 'termination')]

    assert_equal first, shown('tansy-2', 'hover_power_take_off', 'normal_approach', to_s: 340.0)
  end

  def test_follows_hovering_and_taxiing
    assert_equal of('hover', 'hover'), shown('tansy-2', 'hover').uniq
    assert_equal of('turn_along_a_line', 'taxi'), shown('tansy-2', 'turn_along_a_line').first(1)
  end

  def test_follows_a_gyroplane_s_take_off_and_landing
    flown = [*of('gyro_take_off', 'prerotation', 'roll', 'balance', 'climb'),
             *of('gyro_landing', 'glide', 'flare', 'touchdown', 'roll_out')]

    assert_equal flown, shown('sorrel-g', 'gyro_take_off', 'gyro_landing', to_s: 330.0)
  end

  # A rotor that turns at seventy percent allows less speed on the roll than one that turns at ninety.
  def test_the_rotor_decides_the_speed_of_a_gyroplane_s_roll
    rolling = readings_of(samples('sorrel-g', 'gyro_take_off').first(500), exercise('sorrel-g', 'gyro_take_off'))
      .select { |reading| reading.phase == 'roll' }
    slow, fast = rolling.minmax_by { |reading| reading.values['rotor_rpm_pct'] }
    ratio = fast.values['rotor_rpm_pct'] / slow.values['rotor_rpm_pct']

    assert_operator ratio, :>, 1.05
    assert_in_delta ratio, fast.bands['ias_kt'].last / slow.bands['ias_kt'].last, 0.01
  end

  # A glide with its gate, through a recorder that fails in it. The gate is passed at 53 s.
  GLIDE = 'straight_in_autorotation'

  def through(mishaps, to_s: 70.0)
    device = Fujin::Devices::Mishaps.new(mishaps)
    sent = samples('tansy-2', GLIDE).take_while { |sample| sample['t_s'] < to_s }.flat_map { |one| device.sent(one) }
    moved = sent.map { |one| one.except('clock_s').merge('t_s' => 10_000.0 + one['clock_s']) }
    readings_of(moved, exercise('tansy-2', GLIDE), every_s: 1.0) do |reading, monitor|
      yield reading, monitor.doubts if block_given?
    end
  end

  def gates(readings) =
    readings.filter_map(&:gate).select { |gate| gate.title == 'Gate' }.map(&:call).chunk_while { |a, b| a == b }
      .map(&:first)

  def test_nothing_wrong_and_the_gate_is_called
    assert_equal %w[ahead continue], gates(through(nil))
  end

  def test_a_lost_channel_is_said_and_the_calls_that_rest_on_it_stop
    readings = through('lose ias_kt 40-60')

    assert_equal %w[ahead not_recorded], gates(readings)
    assert(readings.select { |one| one.t_s.between?(10_041, 10_059) }.none? { |one| one.bands.key?('ias_kt') })
    assert(readings.last.values.key?('ias_kt'))
  end

  def test_a_recorder_that_repeats_itself_calls_nothing
    seen = {}
    readings = through('freeze 45-70') { |reading, doubts| seen[reading.t_s] = doubts }

    assert_empty gates(readings) - %w[ahead]
    late = readings.select { |one| one.t_s > 10_048 }

    assert(late.all? { |one| one.values.empty? })
    assert_equal ['stands still'], seen.fetch(late.first.t_s).values.uniq
  end

  # A height that jumps over the gate passes none.
  def test_a_jump_is_no_gate_passed
    readings = through('jump height_ft 35', to_s: 50.0)

    assert_empty gates(readings) - %w[ahead]
    jumped = readings.find { |one| one.t_s > 10_035 }

    refute_includes jumped.values, 'height_ft'
    assert_includes readings.find { |one| one.t_s > 10_037 }.values, 'height_ft'
    rotor = through('jump nr_pct 35', to_s: 50.0)

    assert_operator(rotor.filter_map { |one| one.values['rotor_rpm_pct'] if one.t_s > 10_030 }.min, :>, 95.0)
  end

  def test_silence_a_restart_and_a_clock_that_gains_are_lived_through
    assert_equal %w[ahead continue], gates(through('silent 30-34'))
    assert_equal %w[ahead continue], gates(through('drift 6'))
  end

  # Of a glide that began before the recorder was started again nothing is known, and nothing is called; a rotor without
  # its engine is held to what it is without it.
  def test_after_a_restart_nothing_is_called_that_is_not_known
    readings = through('restart 30', to_s: 52.0)
    after = readings.select { |one| one.t_s < 10_000.0 }

    assert_empty after.filter_map(&:gate)
    assert_equal [type('tansy-2').power_off_band.map(&:to_f)], after.map { |one| one.bands['rotor_rpm_pct'] }.uniq
  end

  def test_what_is_not_understood_is_refused
    error = assert_raises(Fujin::InvalidInput) { Fujin::Devices::Mishaps.new('explode 30') }

    assert_match(/no mishap "explode 30"/, error.message)
  end
end
