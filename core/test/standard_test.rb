# frozen_string_literal: true

require_relative 'test_helper'

# Verdicts and grades as docs/reference/standards.md has them.
class StandardTest < Minitest::Test
  TARGETS = {
    'entry_height_ft' => 1000.0,
    'entry_speed_kt' => 78.0,
    'glide_speed_kt' => 63.0,
    'target_rotor_rpm_pct' => 100.0,
    'glide_sink_fpm' => 1500.0,
    'flare_height_ft' => 72.0,
    'flare_pitch_max_deg' => 18.5,
    'hover_height_ft' => 4.0,
    'power_off_low_pct' => 91.0,
    'power_off_high_pct' => 111.0,
    'absolute_rotor_rpm_low_pct' => 80.0,
    'absolute_rotor_rpm_high_pct' => 114.0,
    'lowest_rotor_rpm_pct' => 90.0
  }.freeze

  def standard = Fujin::Catalogue.find('straight_in_autorotation').standard
  def verdict(measure, value, stage = 'solo') = standard.band(measure, stage, TARGETS).verdict(value)

  # measure, stage => [value, verdict] on both sides of each limit
  CASES = {
    %w[glide_ias_mean_kt solo] => {
      66.5 => 'polished',
      66.6 => 'in',
      70.0 => 'in',
      70.1 => 'marginal',
      73.5 => 'marginal',
      73.6 => 'out',
      52.4 => 'out'
    },
    %w[glide_ias_mean_kt early] => {
      72.9 => 'in',
      73.1 => 'marginal'
    },
    %w[glide_ias_min_kt solo] => {
      80.0 => 'polished',
      50.0 => 'in',
      49.9 => 'marginal'
    },
    %w[collective_delay_s solo] => {
      1.0 => 'polished',
      1.1 => 'in',
      1.2 => 'in',
      1.5 => 'marginal',
      1.51 => 'out'
    },
    %w[min_rotor_rpm_pct early] => {
      88.0 => 'in',
      87.9 => 'marginal',
      84.9 => 'out',
      91.0 => 'polished'
    },
    %w[min_rotor_rpm_pct solo] => {
      93.0 => 'polished',
      92.9 => 'in',
      90.0 => 'in',
      89.9 => 'marginal',
      87.0 => 'marginal',
      86.9 => 'out'
    },
    %w[min_rotor_rpm_pct test] => {
      91.0 => 'in',
      90.9 => 'marginal'
    },
    %w[glide_rotor_rpm_mean_pct early] => {
      102.9 => 'polished',
      94.1 => 'in'
    },
    %w[glide_rotor_rpm_max_pct solo] => {
      108.0 => 'polished',
      111.0 => 'in',
      113.0 => 'marginal',
      113.1 => 'out'
    },
    %w[glide_sink_fpm solo] => {
      1687.0 => 'polished',
      1875.0 => 'in',
      1876.0 => 'marginal',
      2063.0 => 'out'
    },
    %w[flare_height_ft solo] => {
      81.0 => 'polished',
      63.0 => 'polished',
      90.0 => 'in',
      54.0 => 'in',
      53.9 => 'marginal',
      45.0 => 'marginal',
      44.9 => 'out'
    },
    %w[flare_height_ft early] => {
      97.2 => 'in',
      97.3 => 'marginal',
      46.8 => 'in'
    },
    %w[flare_rotor_rpm_max_pct solo] => {
      111.0 => 'polished',
      112.0 => 'in',
      113.0 => 'marginal',
      113.1 => 'out'
    },
    %w[recovery_groundspeed_kt solo] => {
      25.0 => 'polished',
      32.0 => 'in',
      38.0 => 'marginal',
      38.1 => 'out'
    },
    %w[recovery_min_height_ft solo] => {
      3.0 => 'polished',
      2.0 => 'in',
      1.0 => 'marginal',
      0.9 => 'out'
    },
    %w[contact_sink_fpm solo] => {
      150.0 => 'polished',
      275.0 => 'in',
      375.0 => 'marginal',
      376.0 => 'out'
    },
    %w[contact_sink_fpm instructor] => {
      225.0 => 'in',
      226.0 => 'marginal'
    },
    %w[contact_drift_kt instructor] => {
      1.5 => 'in',
      -3.5 => 'marginal',
      3.6 => 'out'
    },
    %w[contact_pitch_deg solo] => {
      7.0 => 'polished',
      9.0 => 'in',
      12.0 => 'marginal',
      12.1 => 'out'
    },
    %w[miss_along_ft solo] => {
      -100.0 => 'polished',
      200.0 => 'in',
      -300.0 => 'marginal',
      301.0 => 'out'
    }
  }.freeze

  CASES.each do |(measure, stage), values|
    define_method("test_#{measure}_#{stage}") do
      values.each { |value, expected| assert_equal expected, verdict(measure, value, stage), "#{measure} #{value}" }
    end
  end

  def test_rotor_outside_the_band_is_at_least_marginal
    narrow = TARGETS.merge('power_off_high_pct' => 101.0)

    assert_equal 'marginal', standard.band('glide_rotor_rpm_mean_pct', 'solo', narrow).verdict(101.5)
  end

  def test_critical_limits
    assert standard.band('min_rotor_rpm_pct', 'solo', TARGETS).critical?(79.9)
    refute standard.band('min_rotor_rpm_pct', 'solo', TARGETS).critical?(80.1)
    assert standard.band('flare_rotor_rpm_max_pct', 'solo', TARGETS).critical?(114.1)
    assert standard.band('recovery_min_height_ft', 'solo', TARGETS).critical?(-0.1)
  end

  def test_how_much_room_a_standard_leaves
    band = standard.band('glide_ias_mean_kt', 'solo', TARGETS)

    assert_in_delta 14.0, band.room
    assert_in_delta 225.0, standard.band('contact_sink_fpm', 'solo', TARGETS).room
  end

  def test_entry_height_is_judged_only_against_a_plan
    assert_nil standard.band('entry_height_ft', 'solo', TARGETS, planned: false)
    refute_nil standard.band('entry_height_ft', 'solo', TARGETS)
  end

  def test_every_judged_measure_is_declared_and_every_standard_has_a_version
    declared = Fujin::Catalogue.find('straight_in_autorotation').measure_ids

    assert_empty standard.rules.keys - declared
    refute_empty standard.version
  end

  def test_an_unknown_stage_says_which_there_are
    assert_includes assert_raises(Fujin::UnknownName) { standard.band('balloon_ft', 'expert', TARGETS) }.message, 'solo'
  end

  def measure(verdict, critical: false) =
    Fujin::Grading::Measure.new(
      id: "m_#{verdict}",
      phase: 'glide',
      value: 1.0,
      unit: 'kt',
      verdict: verdict,
      critical: critical
    )

  def grade(*verdicts, **options) =
    Fujin::Grading::Grader.grade('glide', verdicts.map { |v| v.is_a?(String) ? measure(v) : v }, **options)

  def test_grade_of_a_phase
    assert_equal 4, grade('polished', 'polished').grade
    assert_equal 3, grade('polished', 'in').grade
    assert_equal 2, grade('polished', 'marginal', 'in').grade
    assert_equal 1, grade('out', 'marginal').grade
    assert_equal 'm_out', grade('marginal', 'out').driver
  end

  def test_not_recorded_abstains_and_nothing_recorded_has_no_proposal
    assert_equal 4, grade('polished', 'not_recorded').grade
    assert_nil grade('not_recorded').grade
    assert_nil grade.grade
  end

  def test_critical_is_one_and_flagged
    found = grade('polished', measure('in', critical: true))

    assert_equal 1, found.grade
    assert found.critical
    assert_equal 'm_in', found.driver
  end

  def test_help_can_only_lower_and_zero_comes_only_from_taps
    assert_equal 2, grade('polished', help: 'prompted').grade
    assert_equal 'prompted', grade('polished', help: 'prompted').driver
    assert_equal 1, grade('out', help: 'prompted').grade
    assert_equal 0, grade('polished', help: 'taken_over').grade
  end
end
