# frozen_string_literal: true

require_relative 'test_helper'

# The same flight through other recorders: rates, noise, zero errors, clocks, missing or strange channels.
class RobustnessTest < Minitest::Test
  def changed(csv, &)
    columns = csv.lines.first.chomp.split(',')
    rows = csv.lines.drop(1).map { |line| columns.zip(line.chomp.split(',').map(&:to_f)).to_h }.filter_map(&)
    ([columns.join(',')] + rows.map { |row| row.values_at(*columns).join(',') }).join("\n") << "\n"
  end

  def landing = fly(ending: 'touchdown')
  def house = Fujin::Planning::HouseMethod.new('ending' => 'touchdown')
  def grade(csv, **options) = grade_csv(csv, house: house, **options)

  def assert_same_phases(found, tolerance, message = nil)
    assert_equal landing.proposal.attempt.phase_ids, found.proposal.attempt.phase_ids, message
    landing
      .proposal
      .attempt
      .phases
      .zip(found.proposal.attempt.phases)
      .each { |a, b| assert_in_delta a.start_s, b.start_s, tolerance, "#{message} #{a.id}" }
  end

  { 2.0 => 1.0, 5.0 => 0.8, 20.0 => 0.5, 50.0 => 0.5 }.each do |rate, tolerance|
    define_method("test_at_#{rate.to_i}_hertz") do
      assert_same_phases(fly(ending: 'touchdown', rate_hz: rate), tolerance, "#{rate} Hz")
    end
  end

  def test_twice_the_noise
    assert_same_phases(fly(ending: 'touchdown', noise: 2.0, seed: 3), 0.8)
  end

  [-3.0, 2.0, 5.0].each do |error|
    define_method("test_a_height_zero_error_of_#{error.to_i}_ft_is_found_and_taken_off") do
      found = grade(changed(landing.csv) { |row| row.merge('agl_ft' => row['agl_ft'] + error) })

      assert_in_delta error, found.signals.agl_zero_ft, 0.5
      assert_same_phases(found, 0.6)
      assert_in_delta landing.measure('flare_height_ft'), found.measure('flare_height_ft'), 3.0
    end
  end

  def test_a_clock_that_counts_from_midnight_or_from_1970
    [86_000.0, 1_795_000_000.0].each do |start|
      found = grade(changed(landing.csv) { |row| row.merge('t_s' => (row['t_s'] + start).round(3)) })

      assert_in_delta landing.proposal.attempt.start_s + start, found.proposal.attempt.start_s, 0.2
      assert_in_delta landing.measure('contact_sink_fpm'), found.measure('contact_sink_fpm'), 100
    end
  end

  def test_a_throttle_that_shows_only_open_and_shut
    found = grade(changed(landing.csv) { |row| row.merge('throttle_pct' => row['throttle_pct'] > 20 ? 100.0 : 0.0) })

    assert_same_phases(found, 0.2)
  end

  def test_rotor_rpm_in_turns_a_minute
    normal = type.fetch('rotor.normal_speed_rad_s') * 60 / (2 * Math::PI)
    csv = changed(landing.csv) { |row| row.merge('nr_pct' => row['nr_pct'] * normal / 100) }.sub('nr_pct', 'rotor_rpm')
    found = grade(csv)

    assert_in_delta landing.measure('min_rotor_rpm_pct'), found.measure('min_rotor_rpm_pct'), 0.01
  end

  def test_headings_across_north
    csv =
      changed(landing.csv) do |row|
        row.merge('hdg_deg' => (row['hdg_deg'] + 12.0) % 360.0, 'track_deg' => (row['track_deg'] + 12.0) % 360.0)
      end
    found = grade(csv)

    assert_in_delta landing.measure('entry_yaw_deg'), found.measure('entry_yaw_deg'), 0.1
    assert_in_delta landing.measure('contact_drift_kt'), found.measure('contact_drift_kt'), 0.05
  end

  def test_a_southern_and_eastern_place_over_the_date_line
    day = conditions(wind: Fujin::Wind.parse('350/8'))
    spot = [-41.3, 179.9995]
    csv = Fujin::Flight::Recorder.new(type: type, origin: spot, seed: 1).csv(landing.run)
    signals = signals_of(csv, day)
    context =
      Fujin::Lessons.context(
        conditions: day,
        house: house,
        spot: spot,
        course_deg: 350.0,
        wind: day.wind,
        planned: true
      )
    measures = Fujin::Grading::Grader.new(signals, context).proposals.first.measures

    assert_in_delta landing.measure('miss_along_ft'), measures['miss_along_ft'].value, 3
    assert_in_delta landing.measure('miss_across_ft'), measures['miss_across_ft'].value, 3
  end

  def test_a_recording_that_ends_in_the_glide_has_what_it_has
    stop = landing.proposal.attempt.phase('glide').start_s + 12
    found = grade(changed(landing.csv) { |row| row if row['t_s'] < stop })

    assert_equal %w[entry glide], found.proposal.attempt.phase_ids
    assert_equal 'not_recorded', found.proposal.measures['gate_ias_kt'].verdict
    refute_nil found.proposal.grade_of('entry').grade
  end

  def test_a_recording_that_begins_after_the_closure_holds_no_attempt
    start = landing.proposal.attempt.start_s + 2

    assert_empty grade(changed(landing.csv) { |row| row if row['t_s'] > start }).proposals
  end

  def test_drop_outs_of_one_channel_leave_the_others
    entry = landing.proposal.attempt.phase('entry')
    lines = landing.csv.lines
    column = lines.first.chomp.split(',').index('nr_pct')
    csv = lines.map do |line|
      cells = line.chomp.split(',', -1)
      cells[column] = '' if cells[0].to_f.between?(entry.start_s - 1, entry.end_s + 3)
      cells.join(',')
    end.join("\n") << "\n"
    found = grade(csv)

    assert_equal 'not_recorded', found.proposal.measures['min_rotor_rpm_pct'].verdict
    assert_in_delta landing.measure('collective_delay_s'), found.measure('collective_delay_s'), 0.05
    refute_nil found.proposal.grade_of('entry').grade
  end

  def test_a_frozen_vertical_speed_does_not_freeze_the_sink_in_the_glide
    found = grade(changed(landing.csv) { |row| row.merge('vs_fpm' => 0.0) })

    assert_in_delta landing.measure('glide_sink_fpm'), found.measure('glide_sink_fpm'), 1
    assert_in_delta landing.measure('gate_sink_fpm'), found.measure('gate_sink_fpm'), 1
  end

  def test_without_a_spot_there_is_no_miss_and_nothing_is_missing
    day = conditions(wind: Fujin::Wind.parse('350/8'))
    signals = signals_of(landing.csv, day)
    measures =
      Fujin::Grading::Grader
        .new(signals, Fujin::Lessons.context(conditions: day, house: house, wind: day.wind))
        .proposals
        .first
        .measures

    refute_includes measures.keys, 'miss_ft'
    refute_includes measures.keys, 'entry_offset_ft'
  end

  def test_without_a_plan_the_entry_is_shown_and_not_judged
    found = grade(landing.csv, planned: false)

    assert_nil found.proposal.measures['entry_height_ft'].verdict
    assert_in_delta 1000, found.measure('entry_height_ft'), 10
    assert_equal 'polished', found.proposal.measures['glide_ias_mean_kt'].verdict
  end

  def test_a_kinder_stage_never_gives_a_worse_verdict
    rank = %w[polished in marginal out]
    early = fly(ending: 'touchdown', stage: 'early').proposal.measures
    strict = fly(ending: 'touchdown', stage: 'instructor').proposal.measures
    early.each do |id, measure|
      assert_operator rank.index(measure.verdict), :<=, rank.index(strict[id].verdict), id if measure.judged?
    end
  end

  def test_every_measure_says_where_it_comes_from
    landing.proposal.measures.each_value do |measure|
      refute_empty measure.source, measure.id
      assert_equal Fujin::Glossary.measure(measure.id).unit, measure.unit, measure.id
    end
  end

  def test_a_missed_gate_flown_through_is_critical_and_no_limit_of_the_aircraft
    found = fly(faults: { 'slow_glide' => 17 })
    gate = found.proposal.measures['gate_ias_kt']

    assert_equal 'out', gate.verdict
    assert gate.critical
    assert_equal 1, found.proposal.grade_of('glide').grade
    refute_includes found.fault_ids, 'exceeded_limit'
  end

  def test_rotor_under_its_absolute_limit_is_named
    found = fly(faults: { 'late_collective' => 2.5 })

    assert_equal %w[late_collective exceeded_limit], found.fault_ids & %w[late_collective exceeded_limit]
    assert found.proposal.measures['min_rotor_rpm_pct'].critical
  end
end
