# frozen_string_literal: true

require_relative 'test_helper'

# Attempts found, phases cut, measures taken: against what the model really flew.
class GradingTest < Minitest::Test
  def test_one_attempt_with_its_phases_in_order
    assert_equal 1, fly.proposals.size
    assert_equal %w[entry glide flare recovery], fly.proposal.attempt.phase_ids
    assert_equal %w[entry glide flare cushion touchdown], fly(ending: 'touchdown').proposal.attempt.phase_ids
  end

  def test_phases_follow_one_another_without_holes
    fly.proposal.attempt.phases.each_cons(2) { |a, b| assert_in_delta a.end_s, b.start_s, 1e-6 }
  end

  def test_closure_is_where_the_throttle_closed
    closed = fly.run.rows.find { |row| !row.throttle_open }.t_s

    assert_in_delta closed, fly.proposal.attempt.start_s, 0.2
  end

  def test_contact_time_and_sink
    [1, 2, 3].each do |seed|
      found = fly(ending: 'touchdown', seed: seed)

      assert_in_delta found.run.contact[:time_s], found.proposal.attempt.event(:contact_s), 0.35
      assert_in_delta found.run.contact[:sink_m_s] / Q::FPM, found.measure('contact_sink_fpm'), 160
    end
  end

  def test_measures_are_near_the_truth
    rows = fly.run.rows
    glide = fly.proposal.attempt.phase('glide')
    inside = rows.select { |row| row.t_s.between?(glide.start_s, glide.end_s) }
    mean = ->(index) { inside.sum { |row| row[index] } / inside.size }

    assert_in_delta mean.call(11), fly.measure('glide_rotor_rpm_mean_pct'), 0.2
    assert_in_delta mean.call(7) / Q::KT, fly.measure('glide_ias_mean_kt'), 0.5
    assert_in_delta rows.map(&:rotor_pct).min, fly.measure('min_rotor_rpm_pct'), 0.7
    assert_in_delta(
      (inside.first[3] - inside.last[3]) / (inside.last[0] - inside.first[0]) / Q::FPM,
      fly.measure('glide_sink_fpm'),
      20
    )
  end

  def test_miss_is_where_the_hover_or_the_contact_was
    landed = fly(ending: 'touchdown')
    contact = landed.run.contact[:position]
    course = 350 * Q::DEG
    along = ((contact[0] * Math.cos(course)) + (contact[1] * Math.sin(course))) / Q::FT

    assert_in_delta along, landed.measure('miss_along_ft'), 15
  end

  def test_a_clean_flight_names_no_fault_and_is_to_standard
    %w[tansy-2 bracken-2].each do |id|
      %w[power_recovery touchdown].each do |ending|
        found = fly(id: id, ending: ending, people: 'solo')

        assert_empty found.fault_ids, "#{id} #{ending}"
        found
          .proposal
          .grades
          .reject { |g| g.grade.nil? }
          .each { |g| assert_operator g.grade, :>=, 2, "#{id} #{ending} #{g.phase} #{g.driver}" }
      end
    end
  end

  PLANTED = {
    'late_collective' => 1.5,
    'slow_glide' => 13,
    'fast_glide' => 14,
    'early_flare' => 45,
    'entered_too_far' => 600,
    'entered_too_close' => 600,
    'weak_flare' => 0.4,
    'collective_not_down' => 1.5,
    'low_rotor_rpm' => 8
  }.freeze

  PLANTED.each do |fault, value|
    define_method("test_the_planted_#{fault}_is_the_first_fault") do
      %w[tansy-2 bracken-2].each do |id|
        assert_equal fault, fly(id: id, people: 'dual', faults: { fault => value }).fault_ids.first, id
      end
    end
  end

  # Where the entry began is shown until a second after the throttle closed.
  def test_a_wrong_entry_is_shown_where_it_was
    { 'entered_too_far' => 'farther from', 'entered_too_close' => 'nearer' }.each do |fault, side|
      flown = fly(people: 'dual', faults: { fault => 600 })
      found = flown.proposal.faults.find { |one| one.id == fault }

      assert_equal flown.proposal.attempt.start_s, found.from_s
      assert_in_delta flown.proposal.attempt.event(:closure_s) + 1.0, found.to_s, 0.01, fault
      assert_match(/\Athe entry began [56]\d\d ft #{side} the spot than planned/, Fujin::Text.told(found.evidence))
    end
  end

  def test_faults_at_contact
    assert_equal ['drift_at_contact'],
                 fly(ending: 'touchdown', people: 'solo', faults: { 'drift_at_contact' => 5 }).fault_ids
    assert_includes fly(ending: 'touchdown', people: 'dual', faults: { 'weak_cushion' => 0.85 }).fault_ids,
                    'weak_cushion'
  end

  def test_faults_come_in_causal_order
    declared = Fujin::Catalogue.find('straight_in_autorotation').faults.map(&:id)
    ids = fly(faults: { 'late_collective' => 1.5, 'slow_glide' => 13, 'weak_flare' => 0.4 }).fault_ids

    assert_operator ids.size, :>=, 2
    assert_equal ids.sort_by { |id| declared.index(id) }, ids
  end

  def test_cues_follow_the_rotor
    manoeuvre = Fujin::Catalogue.find('straight_in_autorotation')

    assert_includes manoeuvre.words('late_collective', type('tansy-2')).cue, 'right pedal'
    assert_includes manoeuvre.words('late_collective', type('bracken-2')).cue, 'left pedal'
  end

  def test_no_rotor_rpm_is_not_recorded_and_never_passed
    found = grade_csv(without(fly.csv, 'nr_pct', 'ne_pct'))
    measure = found.proposal.measures.fetch('min_rotor_rpm_pct')

    assert_equal 'not_recorded', measure.verdict
    assert_nil measure.value
    assert_includes measure.reason, 'not in the file'
    refute_equal 'min_rotor_rpm_pct', found.proposal.grade_of('entry').driver
  end

  # Each channel that tells the closure, taken away in turn, leaves the next one to tell it.
  [
    %w[throttle_pct],
    %w[throttle_pct ne_pct],
    %w[throttle_pct ne_pct map_inhg],
    %w[throttle_pct ne_pct map_inhg collective_pct],
    %w[throttle_pct ne_pct map_inhg collective_pct nr_pct]
  ].each do |missing|
    define_method("test_closure_without_#{missing.join('_and_')}") do
      found = grade_csv(without(fly.csv, *missing))

      assert_equal 1, found.proposals.size
      assert found.proposal.attempt.estimated
      tolerance = missing.include?('nr_pct') ? 3.0 : 1.0

      assert_in_delta fly.proposal.attempt.start_s, found.proposal.attempt.start_s, tolerance
    end
  end

  def test_without_height_there_is_no_contact_and_the_rest_still_stands
    found = grade_csv(without(fly(ending: 'touchdown').csv, 'agl_ft', 'alt_msl_ft'))

    refute_includes found.proposal.attempt.phase_ids, 'touchdown'
    assert_equal 'not_recorded', found.proposal.measures.fetch('entry_height_ft').verdict
    assert_in_delta fly(ending: 'touchdown').measure('glide_ias_mean_kt'), found.measure('glide_ias_mean_kt'), 2.0
  end

  def test_height_from_altitude_is_marked_estimated
    found = grade_csv(without(fly(ending: 'touchdown').csv, 'agl_ft'))

    assert found.proposal.measures.fetch('entry_height_ft').estimated
    assert_in_delta 1000, found.measure('entry_height_ft'), 12
  end

  def test_airspeed_from_the_wind_triangle_and_never_from_calm
    derived = grade_csv(without(fly.csv, 'ias_kt'))
    unknown = grade_csv(without(fly.csv, 'ias_kt'), wind: nil)

    assert derived.proposal.measures.fetch('glide_ias_mean_kt').estimated
    assert_in_delta fly.measure('glide_ias_mean_kt'), derived.measure('glide_ias_mean_kt'), 2.5
    assert_equal 'not_recorded', unknown.proposal.measures.fetch('glide_ias_mean_kt').verdict
  end

  def test_wind_from_the_drift_when_nobody_gave_it
    found = grade_csv(fly(wind: '020/12').csv, wind: nil)

    assert_equal :drift, found.signals.wind_source
    assert_in_delta 12, found.signals.wind.speed_kt, 2
    assert_in_delta 20, found.signals.wind.from_deg, 12
  end

  def test_a_gap_over_the_gate_is_not_recorded
    gate = fly.proposal.gate_s
    lines = fly.csv.lines
    kept = lines.reject.with_index { |line, i| i.positive? && line.to_f.between?(gate - 2.0, gate + 2.0) }
    found = grade_csv(kept.join)

    assert_equal 'not_recorded', found.proposal.measures.fetch('gate_ias_kt').verdict
  end

  def test_one_hertz_is_enough_for_the_phases
    slow = fly(rate_hz: 1.0).proposal.attempt
    fast = fly.proposal.attempt

    assert_equal fast.phase_ids, slow.phase_ids
    fast.phases.zip(slow.phases).each { |a, b| assert_in_delta a.start_s, b.start_s, 1.6, a.id }
  end

  def test_a_level_flight_holds_no_attempt
    rows = (0..600).map { |i| "#{i / 10.0},78,1000,78,100,100,60,36,350,350,0" }
    csv =
      "t_s,ias_kt,agl_ft,gs_kt,nr_pct,ne_pct,throttle_pct,collective_pct,hdg_deg,track_deg,pitch_deg\n" \
        "#{rows.join("\n")}\n"

    assert_empty grade_csv(csv).proposals
  end

  def test_a_go_around_is_neutral
    csv = fly.csv
    columns = csv.lines.first.chomp.split(',')
    gate = fly.proposal.gate_s
    rows =
      csv
        .lines
        .drop(1)
        .map { |line| columns.zip(line.chomp.split(',').map(&:to_f)).to_h }
        .take_while { |row| row['t_s'] < gate - 2 }
    last = rows.last
    climb =
      (1..200).map do |i|
        last.merge(
          't_s' => (last['t_s'] + (i / 10.0)).round(1),
          'agl_ft' => last['agl_ft'] + (i * 1.0),
          'alt_msl_ft' => last['alt_msl_ft'] + (i * 1.0),
          'throttle_pct' => 80.0,
          'map_inhg' => 24.0,
          'ne_pct' => 100.0,
          'vs_fpm' => 600.0
        )
      end
    found =
      grade_csv(
        ([columns.join(',')] + (rows + climb).map { |row| row.values_at(*columns).join(',') }).join("\n") << "\n"
      )

    assert_equal :go_around, found.proposal.attempt.result
    refute_predicate found.proposal, :critical?
  end

  def test_several_attempts_of_one_lesson
    day = conditions(wind: Fujin::Wind.parse('350/8'))
    lesson =
      Fujin::Lessons::FlownLesson.new(
        day,
        faults: [{}, { 'late_collective' => 1.5 }, { 'fast_glide' => 14 }],
        origin: SPOT,
        seed: 4
      )
    found = grade_csv(lesson.csv, day: day)

    landings, others = found.proposals.partition { |p| p.attempt.manoeuvre == 'straight_in_autorotation' }

    assert_equal([nil, 'late_collective', 'fast_glide'], landings.map { |p| p.first_fault&.id })
    assert(others.all? { |p| p.attempt.manoeuvre.end_with?('take_off') }, 'between them lie only the departures')
  end
end
