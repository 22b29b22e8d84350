# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative 'written_flight'

# One control at a time in level flight, between the taps that hand it over.
class EffectsInFlightTest < Minitest::Test
  include PlanHelp

  HANDED = Time.utc(2026, 11, 25, 10).to_f
  TAPS = [[-30.0, 'following'], [10.0, 'cyclic'], [40.0, 'collective'], [70.0, 'following']].freeze

  # Level at 68 kt and 1500 ft; the block adds to the state at t_s.
  def flight
    WrittenFlight.new(90.0) do |t|
      { 'agl_ft' => 1500.0, 'ias_kt' => 68.0, 'gs_kt' => 68.0 }.merge(block_given? ? yield(t) : {})
    end
  end

  def found(flight, taps: TAPS, clock: true, exercise: 'effects_in_flight', **context)
    day = conditions
    text = clock ? with_clock(flight.csv) : flight.csv
    signals = signals_of(text, day, wind: Fujin::Wind.calm)
    handovers = taps.map { |at, control| Fujin::Grading::Handover.new(at_s: HANDED + at, control: control) }
    context = Fujin::Lessons.context(conditions: day, wind: Fujin::Wind.calm, exercise: exercise, handovers: handovers,
                                     **context)
    Fujin::Grading::Grader.new(signals, context).proposals.select { |p| p.attempt.manoeuvre == 'effects_in_flight' }
  end

  def with_clock(csv)
    head, *rows = csv.lines(chomp: true)
    ["#{head},utc", *rows.map { |row| "#{row},#{Time.at(HANDED + row.to_f).utc.iso8601(1)}" }].join("\n") << "\n"
  end

  def value(proposal, id) = proposal.measures.fetch(id).value

  def test_between_the_taps
    cyclic, collective, *more = found(flight do |t|
      { 'agl_ft' => t.between?(50.0, 60.0) ? 1560.0 : 1500.0, 'ias_kt' => t.between?(20.0, 25.0) ? 75.0 : 68.0 }
    end)

    assert_empty more
    assert_in_delta 10.0, cyclic.attempt.start_s, 0.2
    assert_in_delta 30.0, value(cyclic, 'held_s'), 0.3
    assert_in_delta 7.0, value(cyclic, 'level_ias_max_off_kt'), 0.3
    assert_in_delta 0.0, value(cyclic, 'level_height_max_ft'), 1.0
    assert_in_delta 60.0, value(collective, 'level_height_max_ft'), 2.0
  end

  # The last control is held for two minutes at most, whatever else is on the file.
  def test_the_last_one_counts_for_two_minutes
    long = WrittenFlight.new(160.0) { { 'agl_ft' => 1500.0, 'ias_kt' => 68.0, 'gs_kt' => 68.0 } }

    assert_equal([118.0, 120.0], [118.0, 140.0].map do |seconds|
      value(found(long, taps: [[10.0, 'cyclic'], [10.0 + seconds, 'following']]).first, 'held_s').round
    end)
  end

  # Not the exercise, no clock, too low and too slow to be level flight.
  def test_what_is_none
    assert_empty found(flight, exercise: 'hover')
    assert_empty found(flight, clock: false)
    assert_empty found(flight { { 'agl_ft' => 90.0 } })
    assert_empty found(flight { { 'ias_kt' => 24.0 } })
    assert_empty found(flight, taps: [[10.0, 'following'], [40.0, 'instructor']])
    assert_empty found(flight, taps: [[10.0, 'cyclic'], [13.5, 'following']])
  end

  # Who has one control answers for that one's measures.
  def test_a_heading_left_alone_is_named
    strayed = found(flight { |t| { 'hdg_deg' => 350.0 + (t.between?(20.0, 30.0) ? 17.0 : 0.0) } }).first

    assert_equal 'out', strayed.measures['level_heading_max_deg'].verdict
    assert_equal ['drifted_off_track'], strayed.faults.map(&:id)
    assert Fujin::Grading::PartTask.judges?('pedals', 'level_heading_max_deg')
    assert Fujin::Grading::PartTask.judges?('cyclic', 'level_ias_max_off_kt')
    refute Fujin::Grading::PartTask.judges?('cyclic', 'level_height_max_ft')
  end

  # By hand: from 68 to 78 kt at sea level, (40.13² - 34.98²) / 2g = 19.7 m; 300 ft/min of 585 kg are 8.7 kW of lifting,
  # so no less of the engine, and not much more.
  def test_the_plan_by_hand
    plan = plan('effects_in_flight')
    more_kw = plan.value('climb_step_power_kw') - plan.value('level_power_kw')

    assert_in_delta 68.0, plan.value('level_speed_kt'), 0.01
    assert_in_delta 64.6, plan.value('nose_down_height_ft'), 0.3
    assert_operator more_kw, :>, 585.0 * 9.80665 * 300.0 * 0.00508 / 1000.0
    assert_in_delta 1.2, more_kw / (585.0 * 9.80665 * 300.0 * 0.00508 / 1000.0), 0.15
    # A gyroplane has other controls, and says them.
    gyro = plan('effects_in_flight', type: 'sorrel-g').tables.first.rows.map(&:first)

    assert_equal ['stick forward', 'throttle open'], gyro & ['stick forward', 'throttle open', 'collective up']
  end
end
