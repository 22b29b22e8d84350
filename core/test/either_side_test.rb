# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Thresholds of rules, each tried just inside and just outside. The numbers are the definitions' own
# (docs/reference/), written out here.
class EitherSideTest < Minitest::Test
  def refused(&) = assert_raises(Fujin::InvalidInput, &)

  def test_winds_that_are_none
    { '360/100' => true, '361/10' => false, '350/101' => false, '350/10G100' => true, '350/10G101' => false,
      '350/10G10' => true, '350/10G9' => false }.each do |text, good|
      good ? refute_nil(Fujin::Wind.parse(text)) : refused { Fujin::Wind.parse(text) }
    end
  end

  # Seconds that a hand needs to the collective, a student's at the throttle, and the engine's spool from idle.
  def test_seconds_of_the_house_method
    seconds = ->(**choice) { Fujin::Planning::HouseMethod.new(choice.transform_keys(&:to_s)) }
    plain = seconds.call.collective_reaction_s

    assert_in_delta plain, seconds.call(collective_hand: 'on').collective_reaction_s
    assert_in_delta plain + 0.3, seconds.call(collective_hand: 'beside').collective_reaction_s
    assert_in_delta plain + 0.6, seconds.call(collective_hand: 'friction').collective_reaction_s
    { 'tansy-2' => 0.6, 'yarrow-4' => 2.0 }.each do |id, spool_s|
      split = seconds.call.gate_time_s(type(id))

      assert_in_delta split + 0.3, seconds.call(throttle_by: 'student').gate_time_s(type(id)), 1e-9, id
      assert_in_delta split + spool_s, seconds.call(throttle_position: 'idle').gate_time_s(type(id)), 1e-9, id
    end
  end

  def test_sink_allowed_on_an_approach
    house = Fujin::Planning::HouseMethod.new
    flat = Fujin::Planning::HouseMethod.new('sink_limit' => 'flat')

    assert_in_delta 300.0, house.sink_allowed_fpm(10.0)
    assert_in_delta 330.0, house.sink_allowed_fpm(11.0)
    assert_in_delta 300.0, flat.sink_allowed_fpm(29.9)
    assert_in_delta 900.0, flat.sink_allowed_fpm(30.0)
  end

  # The sun of a summer morning once it has risen over so many degrees.
  def risen_over(degrees)
    (0..720).lazy.map { |m| Fujin::Sun.new(Time.utc(2026, 6, 21, 3) + (m * 60), 47.0, 0.0) }
      .find { |sun| sun.elevation_deg > degrees }
  end

  # 35° high or 45° to the side blinds nobody.
  def test_a_sun_in_the_eyes
    low = risen_over(34.5)
    high = risen_over(35.1)

    assert low.in_the_eyes?(low.azimuth_deg + 44.0)
    refute low.in_the_eyes?(low.azimuth_deg + 46.0)
    refute high.in_the_eyes?(high.azimuth_deg)
  end

  Flown = Struct.new(:level, :flown_at, :grades, keyword_init: true)

  def trend(*levels)
    flown = levels.each_with_index.map { |level, i| Flown.new(level: level, flown_at: i, grades: {}) }
    Fujin::Progress::Standing.new(flown).trend
  end

  # Slopes of the last five by hand: 3 2 3 3 3 rises by 0.1 each, 2 3 3 3 3 by 0.2; 3 3 3 3 2 falls by 0.2.
  def test_a_trend_is_a_slope_over_0_15
    assert_equal 'steady', trend(3, 2, 3, 3, 3)
    assert_equal 'rising', trend(2, 3, 3, 3, 3)
    assert_equal 'falling', trend(3, 3, 3, 3, 2)
    assert_equal 'steady', trend(0, 0, 3, 3, 3, 3, 3)
    assert_nil trend(0, 4)
  end

  def told_after(attempts)
    given = attempts.product([['orla', 4], ['wim', 3]]).map do |attempt, (by, grade)|
      Fujin::Progress::Agreement::Given.new(attempt: attempt, phase: 'flare', by: by, grade: grade)
    end
    Fujin::Progress::Agreement.new(given).differences.select(&:telling?)
  end

  def test_two_attempts_tell_nothing_of_how_somebody_grades
    assert_empty told_after(%w[a b])
    assert_equal 2, told_after(%w[a b c]).size
  end

  # A glide that somebody follows, at 1,200 ft/min, 20 ft a second, through all of its heights.
  # @yield [height] whether it is lost there
  # @return [Array<Array(Float, Fujin::Live::Reading)>] height and reading
  def glide_down(watched)
    monitor = Fujin::Live::Monitor.new(watched.exercise)
    monitor.follow(watched)
    (0..440).map do |i|
      height = 900.0 - (2.0 * i) + (0.1 * (i % 3))
      values = { 'nr_pct' => 100.0, 'ias_kt' => watched.context.glide_speed_kt + (0.1 * (i % 2)), 'agl_ft' => height }
      values.delete('agl_ft') if block_given? && yield(height)
      [height, monitor.take('t_s' => i * 0.1, **values)]
    end
  end

  def watched(phase, exercise = 'straight_in_autorotation')
    context = Fujin::Lessons.context(conditions: conditions, stage: 'solo', planned: true, exercise: exercise)
    one = Fujin::Lessons::Exercise.new(id: 'one', context: context)
    manoeuvre = Fujin::Catalogue.find(exercise)
    Fujin::Live::Watched.new(exercise: one, phase: phase, since_s: 0.0, so_far: [],
                             targets: context.targets_of(manoeuvre, context.targets))
  end

  # The gate is told four seconds, 80 ft, before.
  def test_the_gate_is_told_four_seconds_ahead
    on = watched('glide')
    height, = glide_down(on).find { |_, reading| reading.gate&.call == 'ahead' }

    assert_in_delta on.context.gate_height_ft + 80.0, height, 4.0
  end

  # Once said it stays said though the sink eases, up to eight seconds before.
  def test_what_has_been_said_of_a_gate_stays_for_eight_seconds
    gate_ft = watched('glide').context.gate_height_ft
    ahead = ->(*sinks) do
      watch = Fujin::Live::GateWatch.new(watched('glide').exercise)
      watch.take(0.0, { 'height_ft' => gate_ft + 201.0 }, 'glide')
      sinks.map { |fpm| watch.take(1.0, { 'height_ft' => gate_ft + 100.0, 'sink_fpm' => fpm }, 'glide')&.call }
    end

    # A hundred feet in 3.95 s, in 7.9, in 8.1; and not said before, 4.1.
    assert_equal ['ahead', 'ahead', nil], ahead.call(1519.0, 760.0, 741.0)
    assert_equal [nil], ahead.call(1464.0)
  end

  # The flare's own gate begins the flare; of a flare that goes on, or what comes after it, nothing begins.
  def test_a_phase_begins_where_the_gate_of_its_name_is_passed
    watch = Fujin::Live::GateWatch.new((on = watched('glide')).exercise)
    flare_ft = on.exercise.plan.gates.find { |gate| gate.id == 'flare' }.height_ft
    begun = ->(height, phase) do
      watch.take(0.0, { 'height_ft' => height }, phase)
      watch.begun(phase)
    end

    assert_nil watch.begun('glide'), 'no height yet'
    assert_nil begun.call(flare_ft + 0.5, 'glide')
    assert_equal 'flare', begun.call(flare_ft - 0.5, 'glide')
    assert_equal 'flare', begun.call(flare_ft - 0.5, nil)
    assert_nil begun.call(flare_ft - 5.0, 'flare')
    assert_nil begun.call(flare_ft - 5.0, 'cushion')
  end

  # While the height is lost nothing is judged; a gate that was passed meanwhile is the instructor's own call.
  def test_a_gate_passed_without_a_height_is_nobody_s_but_the_instructor_s
    gate_ft = watched('glide').context.gate_height_ft
    calls = [60.0, -30.0].map do |below_ft|
      lost = ->(height) { height.between?(gate_ft - below_ft, gate_ft + 60.0) }
      glide_down(watched('glide')) { |height| lost.call(height) }.filter_map { |_, reading| reading.gate }
        .select { |gate| gate.title == 'Gate' && gate.call != 'ahead' }.map { |gate| [gate.call, gate.reasons] }.uniq
    end

    assert_equal [['not_recorded', ['the height was not sent as it was passed']]], calls[0]
    assert_equal %w[continue go_around], (calls[1].map(&:first) | %w[continue go_around]).sort
    refute_includes calls[1].flatten, 'the height was not sent as it was passed'
  end

  # At 20 ft of a run-on landing there is nothing to be decided any more; at the decision height of an approach is.
  def test_so_low_there_is_nothing_to_be_decided
    { 'run_on_landing' => false, 'normal_approach' => true }.each do |kind, called|
      on = watched('descent', kind)
      watch = Fujin::Live::GateWatch.new(on.exercise)
      gate = on.exercise.plan.gates.last
      calls = [gate.height_ft + 1.0, gate.height_ft - 1.0].map do |height|
        watch.take(height, { 'height_ft' => height, 'ias_kt' => 40.0, 'sink_fpm' => 500.0 }, 'descent')
      end

      assert_equal called, %w[continue go_around].include?(calls.last&.call), kind
    end
  end

  # The turn must be over where the house has it; on either side of being so.
  def test_a_turn_that_goes_on_at_its_height_is_a_go_around
    { 'turn' => %w[go_around], 'glide' => [] }.each do |phase, calls|
      gates = glide_down(watched(phase, 'turning_autorotation')).filter_map { |_, reading| reading.gate }
      out = gates.select { |gate| gate.title == 'Out of the turn' && gate.call != 'ahead' }.map(&:call).uniq

      assert_equal calls, out - %w[continue], phase
    end
  end

  # @param bank [Float, #call] held from 5 to 25 s, or of time
  def turn(bank)
    roll = bank if bank.respond_to?(:call)
    roll ||= ->(t) { t.between?(5.0, 25.0) ? bank : 0.0 }
    flight = WrittenFlight.new(40.0) do |t|
      heading = 350.0 + (6.0 * (t - 5.0).clamp(0.0, 20.0))
      { 'agl_ft' => 900.0, 'gs_kt' => 65.0, 'ias_kt' => 65.0, 'hdg_deg' => heading, 'track_deg' => heading,
        'roll_deg' => roll.call(t) }
    end
    Fujin::Grading::Turns.new(signals_of(flight.csv), Fujin::Lessons.context(conditions: conditions)).find(0.0, 40.0)
  end

  # 25° for fifteen seconds, rolled out evenly over 12.5 s more: half of it is reached 6.25 s into that, less the 0.6 s
  # of the rule.
  def test_a_turn_ends_where_the_bank_drops_below_half
    found, = turn(->(t) { t < 5.0 ? 0.0 : (25.0 * (1.0 - ((t - 20.0) / 12.5))).clamp(0.0, 25.0) })

    assert_in_delta 26.25 - 0.6, found.end_s, 0.3
  end

  def test_five_degrees_of_bank_make_a_turn
    assert_empty turn(4.9)
    assert_equal 1, turn(5.1).size
  end

  # Turns one after the other, each of so many degrees at five a second in 18 degrees of bank, some seconds apart.
  def turns(*degrees, apart_s: 3.0)
    ends = degrees.reduce([10.0]) { |times, deg| [*times, times.last + (deg.abs / 5.0) + apart_s] }
    at = degrees.zip(ends).map { |deg, from| [from, from + (deg.abs / 5.0), deg] }
    flight = WrittenFlight.new(ends.last + 20.0) do |t|
      gone = at.sum { |from, to, deg| deg * ((t - from) / (to - from)).clamp(0.0, 1.0) }
      now = at.find { |from, to, _| t.between?(from, to) }
      { 'agl_ft' => 900.0, 'gs_kt' => 65.0, 'ias_kt' => 65.0, 'hdg_deg' => (350.0 + gone) % 360.0,
        'track_deg' => (350.0 + gone) % 360.0, 'roll_deg' => now ? 18.0 * (now[2] <=> 0.0) : 0.0 }
    end
    [Fujin::Grading::Turns.new(signals_of(flight.csv), Fujin::Lessons.context(conditions: conditions)), ends.last]
  end

  def test_sixty_degrees_make_a_turn_and_half_a_second_of_wings_level_ends_none
    count = ->(*degrees, **how) { turns(*degrees, **how).then { |all, to| all.find(0.0, to).size } }

    assert_equal([0, 1], [57.0, 64.0].map { |deg| count.call(deg) })
    assert_equal([0, 1], [-57.0, -64.0].map { |deg| count.call(deg) })
    assert_equal([1, 2], [0.4, 1.6].map { |seconds| count.call(80.0, 80.0, apart_s: seconds) })
  end

  # From 25 degrees either way; what is left of both is less than half of the larger.
  def test_an_s_is_two_turns_that_all_but_cancel_each_other
    count = ->(*degrees) { turns(*degrees).then { |all, to| all.s_turn(0.0, to).size } }

    assert_equal([0, 2], [23.0, 29.0].map { |deg| count.call(deg, -deg) })
    assert_equal([0, 2], [36.0, 46.0].map { |deg| count.call(80.0, -deg) })
    assert_equal 0, count.call(40.0, 40.0)
  end

  # 100 mph are 86.9 kt, 100 km/h 54.0 kt, 10 m/s 19.4 kt or 1,969 ft/min.
  def test_units_of_a_device
    row = 't,v,w'
    { ['ias_kt', 'mph', 100.0] => 86.898, ['ias_kt', 'km/h', 100.0] => 53.996, ['ias_kt', 'm/s', 10.0] => 19.438,
      ['vs_fpm', 'm/s', 10.0] => 1968.5, ['vs_fpm', 'ft/s', 10.0] => 600.0, ['oat_c', '°F', 50.0] => 10.0,
      ['oat_c', 'K', 283.15] => 10.0, ['pitch_deg', 'rad', 0.5] => 28.648 }.each do |(channel, unit, value), expected|
      meanings = [{ 'heading' => 't', 'channel' => 't_s', 'unit' => 's' },
                  { 'heading' => 'v', 'channel' => channel, 'unit' => unit }]
      csv = "#{row}\n#{(0..9).map { |i| "#{i * 0.1},#{value},0" }.join("\n")}\n"
      read = Fujin::Recordings.read(csv, headings: Fujin::Recordings::Headings.new(meanings))

      assert_in_delta expected, read[channel].first, 0.01, unit
    end
  end

  # Power with altitude: a piston loses 1.132 points for each of density, a turbine its 0.8th power.
  def test_power_with_density
    thin = Fujin::Atmosphere.new(elevation_m: 2000.0)
    ratio = thin.density / Fujin::Atmosphere.new.density
    { 'tansy-2' => (1.132 * ratio) - 0.132, 'yarrow-4' => ratio**0.8 }.each do |id, share|
      engine = Fujin::Flight::Engine.new(type(id), thin)
      rated = type(id).fetch('engine.rated_kw') * 1000.0
      cap = type(id).fetch('engine.limit_kw') * 1000.0

      assert_in_delta [cap, rated * share].min, engine.max_power_w, 1.0, id
    end
  end

  # A power law about 10 m: at 40 m with 0.2 it is 4^0.2 = 1.3195 as much; no more above 150 m, no less under half a
  # metre.
  def test_wind_with_height
    field = Fujin::Flight::WindField.new(Fujin::Wind.parse('360/20'), exponent: 0.2)
    north = ->(height) { field.call(height, 0.0)[0] / (-20.0 * Q::KT) }

    { 10.0 => 1.0, 40.0 => 1.3195, 150.0 => 15.0**0.2, 400.0 => 15.0**0.2, 0.1 => 0.05**0.2 }.each do |height, factor|
      assert_in_delta factor, north.call(height), 1e-3, "#{height} m"
    end
  end

  # Reported gusts are 2.5 standard deviations above the mean, and die away in four seconds.
  def test_gusts_by_their_spread_and_their_time
    field = Fujin::Flight::WindField.new(Fujin::Wind.parse('360/10G20'), seed: 5)
    north = (0..1199).map { |i| field.call(10.0, i * 0.5)[0] + (10.0 * Q::KT) }
    mean = north.sum / north.size
    variance = north.sum { |v| (v - mean)**2 } / north.size
    after_4_s = north.each_cons(9).sum { |some| (some.first - mean) * (some.last - mean) } / (north.size - 8) / variance

    assert_within 10.0 * Q::KT / 2.5, Math.sqrt(variance), 15
    assert_in_delta 0.0, mean, 0.5
    assert_in_delta Math.exp(-1.0), after_4_s, 0.12
  end
end
