# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# What a recording shows where its instruments do not: a dead pitot tube, a governor that asks for nothing, a barometer
# for a height, a touch in a recovery, the last sample.
class SlowAndLightTest < Minitest::Test
  # The columns of a recording changed row by row.
  def changed(csv)
    head, *rows = csv.lines.map { |line| line.chomp.split(',', -1) }
    rows.each do |row|
      values = head.zip(row).to_h
      yield values
      row.replace(head.map { |name| values[name] })
    end
    [head, *rows].map { |row| row.join(',') }.join("\n") << "\n"
  end

  def approach(kind, **how) = flown_by_pilot(kind, exercise: kind, **how)
  def regraded(flown, csv, **about) = grade_csv(csv, day: flown.context.conditions, course_deg: 350.0, **about)

  # Light, or downhill with the wind behind, the governor's demand reads next to nothing while the needles stay joined.
  def test_an_approach_at_low_power_is_an_approach_while_the_needles_are_joined
    %w[normal_approach steep_approach].each do |kind|
      flown = approach(kind)
      asked = changed(flown.csv) { |row| row['throttle_pct'] = '4.0' if row['throttle_pct'].to_f.positive? }

      assert_equal([kind], regraded(flown, asked).proposals.map { |p| p.attempt.manoeuvre })
    end
  end

  # The needle sticks at 12 kt while the wind carries the rest: what is allowed goes by the air that is really there.
  def test_a_dead_pitot_tube_accuses_nobody
    flown = approach('steep_approach', wind: '350/14')
    stuck = changed(flown.csv) { |row| row['ias_kt'] = '6.0' if row['ias_kt'].to_f < 20.0 }
    found = regraded(flown, stuck).proposal

    refute_includes found.faults.map(&:id), 'sank_at_low_speed'
    assert_in_delta flown.measure('sink_over_allowed_fpm'), found.measures['sink_over_allowed_fpm'].value, 60
    assert_in_delta flown.measure('vortex_ring_index_max'), found.measures['vortex_ring_index_max'].value, 0.15
  end

  # By hand: 10 kt over the ground into 14 kt of wind is 24 kt through the air; standing still, 14.
  def test_slow_airspeed_by_the_wind_triangle
    flight =
      WrittenFlight.new(30.0) do |t|
        { 'agl_ft' => 50.0, 'gs_kt' => t < 15.0 ? 10.0 : 0.0, 'track_deg' => 350.0, 'heading_deg' => 350.0,
          'ias_kt' => t < 5.0 ? 24.0 : 3.0 }
      end
    given = signals_of(flight.csv, conditions, wind: Fujin::Wind.parse('350/14'))
    unknown = signals_of(flight.csv, conditions, wind: nil)

    assert_in_delta 24.0, given[:airspeed][20], 0.6
    assert_in_delta 24.0, given[:airspeed][120], 0.3
    assert_in_delta 14.0, given[:airspeed].last, 0.3
    assert_predicate unknown[:airspeed][120], :nan?
  end

  # Five of thirty-one clean recoveries had their aircraft grounded by a barometer that trembled below nothing.
  def test_a_height_off_a_barometer_grounds_nobody
    flown = fly
    low = changed(without(flown.csv, 'agl_ft')) { |row| row['alt_ft'] = (row['alt_ft'].to_f - 9.0).to_s }
    found = grade_csv(low, day: flown.context.conditions, elevation_ft: 0.0)

    refute_includes found.proposal.faults.map(&:id), 'exceeded_limit'
    refute_predicate found.proposal, :critical?
  end

  # The skids met the ground at over 1,000 ft/min and it bounced off: no touchdown, and no recovery that was clean.
  def test_a_touch_in_a_power_recovery_is_critical_in_every_autorotation
    %w[straight_in_autorotation turning_autorotation].each do |kind|
      touched = approach(kind, faults: { 'late_flare' => 60.0 }, seed: 9)
      clear = approach(kind, seed: 9)

      assert touched.run.contact
      assert_predicate touched.proposal, :critical?, kind
      assert_match(/touched the ground in a power recovery/, touched.proposal.faults.find do |f|
        f.id == 'exceeded_limit'
      end.evidence)
      assert_nil clear.run.contact
      refute_predicate clear.proposal, :critical?, kind
    end
  end

  # 54.8 s in tenths are 549 samples, the last one included.
  def test_the_last_sample_counts
    [54.8, 10.3, 7.7].each do |seconds|
      csv = WrittenFlight.new(seconds) { |t| { 'agl_ft' => 50.0 + t, 'gs_kt' => 20.0 } }.csv

      assert_in_delta seconds, signals_of(csv).end_s, 1e-6
    end
  end

  # Four points of collective are five points of rotor rpm: that is a collective to lower.
  def test_a_low_rotor_with_a_little_collective_is_a_low_rotor
    low = fly(faults: { 'low_rotor_rpm' => 9.0 })
    held = low.signals.window(:collective, low.proposal.attempt.phase('glide').start_s + 6.0,
                              low.proposal.attempt.phase('glide').end_s)

    assert_operator Fujin::Quantities.median(held), :>, 1.5
    assert_includes low.fault_ids, 'low_rotor_rpm'
  end

  # Gusts moved the collective before the closure, not at it: its level at the closure counts.
  def test_a_collective_that_was_higher_before_was_not_raised
    flown = fly
    closure = flown.proposal.attempt.event(:closure_s)
    dipped = changed(flown.csv) do |row|
      before = closure - row['t_s'].to_f
      row['collective_pct'] = (row['collective_pct'].to_f - 6.0).to_s if before.between?(0.5, 1.6)
    end

    refute_includes regraded(flown, dipped).fault_ids, 'raised_collective'
  end

  # 20° from 500 ft on, and from 260 ft on slow enough for that sink to be too much: both are said. By hand, the sink of
  # 24 kt down 20° is 24 · 101.3 · tan 20°, 885 ft/min, where 720 are allowed.
  def test_a_steep_line_is_named_though_it_sank_high_up
    height = 500.0
    states = Hash.new do |all, t|
      kt = height > 260.0 ? 40.0 : 24.0
      sink = kt * 101.27 * Math.tan(20.0 * Q::DEG)
      height = [height - (sink / 600.0), 3.0].max
      all[t] = { 'agl_ft' => height, 'gs_kt' => height > 3.0 ? kt : 0.0, 'ias_kt' => kt, 'track_deg' => 350.0 }
    end
    flight = WrittenFlight.new(40.0) { |t| states[t] }
    ids = flight.measured('steep_approach', { 'descent' => [0.5, 26.0] }, course_deg: 350.0).faults.map(&:id)

    assert_includes ids, 'too_steep'
    assert_includes ids, 'sank_at_low_speed'
  end
end
