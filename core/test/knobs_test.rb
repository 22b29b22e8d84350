# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'

# How faults are flown, for every manoeuvre that has a pilot: each knob moves what shows it, the right way, and tells
# the change in words.
class KnobsTest < Minitest::Test
  FLOWN = Fujin::Catalogue.all.select(&:pilot)

  def day = conditions(wind: Fujin::Wind.parse('350/8'))

  def settings(manoeuvre) =
    if manoeuvre.phases.include?('turn')
      { 'turn_deg' => 180, 'turn_side' => 'left', 'bank_deg' => 25 }.slice(*manoeuvre.settings)
    else
      {}
    end

  def pilot(manoeuvre, faults) =
    manoeuvre.pilot.call(
      day,
      house: Fujin::Planning::HouseMethod.new('ending' => 'touchdown'),
      faults: faults,
      settings: settings(manoeuvre)
    )

  FLOWN.each do |manoeuvre|
    define_method("test_every_knob_of_#{manoeuvre.id}_is_a_fault_that_its_pilot_flies_and_the_manoeuvre_declares") do
      manoeuvre.knobs.flat_map { |knob| [knob.more, knob.less] }.compact.each do |fault|
        pilot(manoeuvre, fault => 0.0)

        assert_includes Fujin::Catalogue.faults.keys, fault
      end
    end

    define_method("test_what_shows_each_knob_of_#{manoeuvre.id}_is_measured") do
      manoeuvre.knobs.each do |knob|
        next assert_equal(1, knob.measure.arity, knob.id) if knob.measure.respond_to?(:call)

        assert_includes manoeuvre.measure_ids, knob.measure, knob.id
      end
      assert_operator (manoeuvre.told & manoeuvre.measure_ids).size, :>=, 4, 'what the change is told in'
    end

    define_method("test_a_fault_that_the_pilot_of_#{manoeuvre.id}_does_not_fly_is_refused_by_name") do
      error = assert_raises(Fujin::InvalidInput) { pilot(manoeuvre, 'barrel_roll' => 1.0) }

      assert_equal 'fault.barrel_roll', error.problems.first[:path]
      assert_raises(Fujin::InvalidInput) { pilot(manoeuvre, manoeuvre.knobs.first.more => Float::NAN) }
    end
  end

  ALL = FLOWN.flat_map(&:knobs).uniq(&:id)

  ALL.each do |knob|
    define_method("test_the_words_of_#{knob.id}_say_how_much_and_which_way") do
      much = knob.range.end / 2.0
      said = knob.words.call(much)

      assert_match(/\d/, said)
      refute_match(/-\d|NaN/, said)
      # Drift is taken off, whichever way it went.
      next unless knob.range.begin.negative? && knob.id != :drift

      other = knob.words.call(-much)

      refute_match(/-\d/, other)
      refute_equal said, other, 'the other way is another change'
    end

    define_method("test_the_fault_of_#{knob.id}_by_its_sign") do
      assert_nil knob.fault(0.0)
      assert_equal [knob.more, 2.0], knob.fault(2.0)
      assert_equal knob.less ? [knob.less, 2.0] : [knob.more, -2.0], knob.fault(-2.0)
      assert knob.flies?(knob.more)
      refute knob.flies?('barrel_roll')
    end
  end

  # What docs/one-change.md was flown with: where one of them is another, it is flown again.
  def test_knobs_are_those_that_the_twins_were_flown_with
    found = FLOWN.to_h do |manoeuvre|
      [manoeuvre.id, manoeuvre.knobs.to_h do |knob|
        ends = [knob.range.begin, knob.range.end]
        [knob.id.to_s, [*ends, knob.gain, knob.least, *ends.map { |value| knob.words.call(value).to_s }].join(' | ')]
      end]
    end

    assert_empty Kept.differences('knobs', found)
  end

  def measured(manoeuvre, faults, measure)
    run = pilot(manoeuvre, faults).run
    csv = Fujin::Flight::Recorder.new(type: day.type, origin: SPOT, noise: 0.0).csv(run)
    signals = signals_of(csv, day)
    context =
      Fujin::Lessons.context(
        conditions: day,
        spot: SPOT,
        course_deg: 350.0,
        wind: day.wind,
        exercise: manoeuvre.id,
        settings: settings(manoeuvre)
      )
    Fujin::Grading::Grader
      .new(signals, context)
      .proposals
      .find { |p| p.attempt.manoeuvre == manoeuvre.id }
      .measures
      .fetch(measure)
      .value
  end

  # More of a fault shows as more of its measure (a cap broken less: what was kept is speed), by about what its gain
  # says.
  {
    'straight_in_autorotation' => {
      'late_collective' => [1.0, 'collective_delay_s', 0.8..1.2],
      'fast_glide' => [8.0, 'glide_ias_mean_kt', 6.0..9.5],
      'high_rotor_rpm' => [4.0, 'glide_rotor_rpm_mean_pct', 2.5..5.0],
      'early_flare' => [25.0, 'flare_height_ft', 18.0..32.0],
      'drift_at_contact' => [4.0, 'contact_drift_kt', 3.0..5.0]
    },
    'steep_approach' => {
      'too_steep' => [2.0, 'approach_angle_deg', 1.5..2.5]
    },
    'hovering_autorotation' => {
      'yaw_uncorrected' => [1.0, 'entry_yaw_deg', 5.0..25.0],
      'not_level' => [5.0, 'contact_pitch_deg', 2.0..7.0]
    }
  }.each do |id, faults|
    faults.each do |fault, (amount, measure, moves)|
      define_method("test_#{fault}_in_a_#{id}_moves_#{measure}") do
        manoeuvre = Fujin::Catalogue.find(id)
        difference = measured(manoeuvre, { fault => amount }, measure) - measured(manoeuvre, {}, measure)

        assert_includes moves, difference
      end
    end
  end
end
