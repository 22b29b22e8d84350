# frozen_string_literal: true

require_relative 'test_helper'

# Each number has its own name, unit and reason: a unit is what the id says, a control answers for what is judged, and
# what has no entry fails where it is asked for, by name.
class GlossaryTest < Minitest::Test
  G = Fujin::Glossary
  # Endings of ids, the longest first, with the unit that they promise.
  ENDINGS = { '_deg_s' => 'deg_s', '_pct_s' => 'pct_s', '_per_min' => 'per_min', '_m_s' => 'm_s', '_kt' => 'kt',
              '_ft' => 'ft', '_fpm' => 'fpm', '_deg' => 'deg', '_pct' => 'pct', '_s' => 's', '_kw' => 'kw',
              '_kg' => 'kg', '_inhg' => 'inhg', '_kj' => 'kj', '_ratio' => 'index' }.freeze

  def test_the_unit_of_every_measure_and_planned_number_is_what_its_id_says
    entries = [*G.measures.values, *G.numbers.values]
    wrong = entries.filter_map do |entry|
      promised = ENDINGS.find { |ending, _| entry.id.end_with?(ending) }&.last
      "#{entry.id} is in #{entry.unit}" if promised && promised != entry.unit
    end

    assert_operator entries.size, :>, 300
    assert_empty wrong
  end

  # Nobody flies 907 ft or 30.0°: tens from a hundred on, whole percents, no tenths that are nought, each half a step
  # either way.
  def test_what_is_flown_by_is_said_as_a_person_says_it
    told = { [907.4, 'ft'] => '910 ft', [904.9, 'ft'] => '900 ft', [99.4, 'ft'] => '99 ft', [-104.9, 'ft'] => '-100 ft',
             [1578.0, 'fpm'] => '1580 ft/min', [100.04, 'pct'] => '100 %', [30.0, 'deg'] => '30°',
             [8.5, 'deg'] => '8.5°', [12.04, 's'] => '12 s', [0.68, 's'] => '0.7 s', [62.6, 'kt'] => '63 kt' }
    told.each { |(value, unit), words| assert_equal words, G.said(value, unit), "#{value} #{unit}" }
  end

  def test_nought_has_no_sign
    assert_equal '0.0 °', G.figure(-0.01, 'deg', 1).sub('°', ' °').squeeze(' ')
    assert_equal '0 kt', G.figure(-0.4, 'kt', 0)
  end

  # Rates were shown in seconds.
  def test_rates_are_read_as_rates
    assert_equal '12%/s', G.figure(12.0, G.measure('power_rise_pct_s').unit, 0).delete(' ')
    assert_equal '31°/s', G.figure(31.0, G.measure('turn_rate_max_deg_s').unit, 0)
  end

  # A part-task leaves out what the student had not in hand, and only that.
  def test_a_part_task_judges_every_measure_that_its_control_answers_for
    judged = Fujin::Catalogue.all.filter_map(&:standard).flat_map { |standard| standard.rules.keys }.uniq
    in_none = judged.reject do |id|
      %w[cyclic collective pedals].any? { |task| Fujin::Grading::PartTask.judges?(task, id) }
    end

    # Where it was, how long it took and what two hands do in which order is nobody's one control; the throttle is none
    # of the three.
    assert_equal %w[
      avoid_area_s break_off_height_ft control_reversals_per_min decision_height_ft descent_sink_max_fpm entry_height_ft
      height_beyond_glide_ft held_s hover_in_box_pct joining_rotor_rpm_max_pct joining_s manual_rotor_rpm_max_pct
      pitch_before_collective_s power_on_s prerotation_pct rpm_in_band_pct set_up_distance_ft set_up_height_ft
      setup_steady_s throttle_before_collective_s throttle_reduction_s turn_height_ft
    ], in_none.sort
    { 'collective_delay_s' => 'collective', 'entry_yaw_deg' => 'pedals', 'glide_ias_mean_kt' => 'cyclic',
      'taxi_heading_max_deg' => 'pedals', 'taxi_height_max_off_ft' => 'collective' }.each do |id, control|
      assert_equal([control], %w[cyclic collective pedals].select { |task| Fujin::Grading::PartTask.judges?(task, id) })
    end
  end

  # One reason for all manoeuvres was often another one's.
  def test_a_number_that_means_something_else_elsewhere_says_so
    hover, lost, sunk =
      %w[straight_in_autorotation low_speed_autorotation gyro_balked_landing]
        .map { |id| G.number('recovery_height_ft', id) }

    assert_match(/hover/, hover.why)
    assert_equal ['Height lost, recovery'] * 2, [lost.label, sunk.label]
    assert_equal 3, [hover, lost, sunk].map(&:why).uniq.size
    refute_equal G.number('turn_start_height_ft', 'circuit').why,
                 G.number('turn_start_height_ft', 'turning_autorotation').why
  end

  # Of two entries the last would win without a word.
  def test_an_id_stands_once_in_its_file
    Dir[File.expand_path('../data/**/*.yml', __dir__)].each do |file|
      twice = Psych.parse_file(file).grep(Psych::Nodes::Mapping).flat_map do |node|
        keys = node.children.each_slice(2).map { |key, _| key.value if key.is_a?(Psych::Nodes::Scalar) }
        keys.tally.select { |_, times| times > 1 }.keys
      end

      assert_empty twice, file
    end
  end

  def test_every_planned_number_has_its_place_on_the_card
    groups = Fujin::Glossary.numbers.values.group_by(&:group)

    assert_equal Fujin::Glossary::GROUPS.sort, groups.keys.sort
    assert(groups['model'].any? { |entry| entry.id == 'induced_velocity_m_s' })
    # What no gauge shows is the model's.
    assert_equal ['model'], Fujin::Glossary.numbers.values.select { |entry| entry.unit == 'kw' }.map(&:group).uniq
  end

  def test_what_has_no_entry_is_named
    error = assert_raises(Fujin::UnknownName) { G.measure('height_of_folly_ft') }

    assert_match(/measures\.yml has no height_of_folly_ft/, error.message)
    assert_match(/plan_numbers\.yml/, assert_raises(Fujin::UnknownName) { G.number('folly_kt') }.message)
  end

  def test_an_entry_that_is_wrong_is_named_with_what_is_wrong
    good = YAML.safe_load_file(File.join(G::DATA, 'measures.yml')).fetch('miss_ft')
    { good.except('unit') => /folly: unit missing/, good.merge('unit' => 'furlong') => /no unit "furlong"/,
      good.merge('control' => 'feet') => /control is one of/,
      good.merge('uncertainty' => 'some') => /uncertainty is a number/,
      good.merge('uncertainty_estimated' => 'some') => /uncertainty_estimated is a number/ }
      .each do |fields, words|
      assert_match words, assert_raises(ArgumentError) { G::MeasureEntry.of('folly', fields, G.units) }.message
    end
  end
end
