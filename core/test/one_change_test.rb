# frozen_string_literal: true

require_relative 'test_helper'

# What one change would have done: the fit finds the planted fault, mending it mends what it caused, and a flight that is
# not the model's claims nothing.
class OneChangeTest < Minitest::Test
  def asked(flown, fault: flown.fault_ids.first) = Fujin::Grading::OneChange.new(flown.signals, flown.proposal, flown.context, fault).answer

  { 'late_collective' => [1.5, 0.2], 'fast_glide' => [14.0, 1.5], 'low_rotor_rpm' => [7.0, 1.0], 'early_flare' => [45.0, 8.0], 'entered_too_far' => [700.0, 40.0] }
    .each do |fault, (size, tolerance)|
    define_method("test_the_fit_finds_how_much_#{fault}_there_was") do
      found = asked(fly(id: 'bracken-2', faults: { fault => size }, ending: 'touchdown'), fault: fault)

      assert_predicate found, :claimed?, found.reason
      assert_in_delta size, found.amount.abs, tolerance
      assert_operator found.fit[:height_ft], :<, 20
    end
  end

  def test_the_collective_down_in_time_keeps_the_rotor_rpm
    flown = fly(faults: { 'late_collective' => 1.5 })
    found = asked(flown)

    assert_in_delta flown.measure('min_rotor_rpm_pct'), found.fitted.value('min_rotor_rpm_pct'), 1.5
    assert_operator found.mended.value('min_rotor_rpm_pct'), :>, found.fitted.value('min_rotor_rpm_pct') + 5
    assert_match(/collective down 1\.[45] s sooner/, found.change)
  end

  def test_an_entry_too_far_out_mended_reaches_the_spot
    found = asked(fly(faults: { 'entered_too_far' => 700 }))

    assert_operator found.mended.value('miss_along_ft').abs, :<, 120
    assert_match(/nearer/, found.change)
  end

  # Another aircraft than the one it is said to be: the model cannot fly it so.
  def test_a_poor_fit_claims_nothing_and_says_by_how_much
    flown = fly(id: 'yarrow-4', faults: { 'fast_glide' => 20 }, ending: 'touchdown')
    day = conditions('bracken-2', wind: Fujin::Wind.parse('350/8'))
    context = Fujin::Grading::Context.new(conditions: day, house: Fujin::Planning::HouseMethod.new('ending' => 'touchdown'), spot: SPOT, course_deg: 350.0, wind: day.wind)
    signals = Fujin::Recordings::Signals.new(Fujin::Recordings.read(flown.csv), type: day.type, atmosphere: day.atmosphere, wind: day.wind)
    proposal = Fujin::Grading::Grader.new(signals, context).proposals.first
    found = Fujin::Grading::OneChange.new(signals, proposal, context, 'fast_glide').answer

    refute_predicate found, :claimed?
    assert_match(/does not fit|outside|limits/i, found.reason)
  end

  def test_a_fault_the_pilot_model_does_not_fly_is_said
    found = asked(fly(faults: { 'late_collective' => 1.5 }), fault: 'rushed_setup')

    refute_predicate found, :claimed?
    assert_match(/rushed setup/, found.reason)
  end
end
