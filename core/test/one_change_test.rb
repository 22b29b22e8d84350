# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# What one change would have done: the fit finds the planted fault, mending it mends what it caused, and a flight that
# is not the model's claims nothing.
class OneChangeTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_(the_fit_finds|one_change_to)_/)

  def asked(flown, fault: flown.fault_ids.first) =
    Fujin::Grading::OneChange.new(flown.signals, flown.proposal, flown.context, fault).answer

  {
    'late_collective' => [1.5, 0.2],
    'fast_glide' => [14.0, 1.5],
    'low_rotor_rpm' => [7.0, 1.0],
    'early_flare' => [45.0, 8.0],
    'entered_too_far' => [700.0, 40.0]
  }.each do |fault, (size, tolerance)|
    define_method("test_the_fit_finds_how_much_#{fault}_there_was") do
      found = asked(fly(id: 'bracken-2', faults: { fault => size }, ending: 'touchdown'), fault: fault)

      assert_predicate found, :claimed?, found.reason
      assert_in_delta size, found.amount.abs, tolerance
      assert_operator found.fit[:height_ft], :<, 20
    end
  end

  # By hand: both flights from their own beginning to the earlier end, every quarter of a second.
  def test_how_well_it_fits_is_the_mean_difference_of_both_flights
    flown = fly(faults: { 'late_collective' => 1.5 })
    found = asked(flown)
    one, other = [flown, found.fitted].map { |each| [each.signals, each.proposal.attempt] }
    length = [one, other].map { |_, attempt| attempt.end_s - attempt.start_s }.min
    squares = 0.step(length, 0.25).map do |t|
      one_ft, other_ft = [one, other].map { |signals, attempt| signals.at(:agl, attempt.start_s + t) }
      (one_ft - other_ft)**2
    end

    assert_in_delta Math.sqrt(squares.sum / squares.size), found.fit[:height_ft], 1e-6
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

  # A flight without the fault that is asked about: mending it would change nothing, so nothing is claimed.
  def test_a_fault_that_was_none_claims_nothing
    clean = fly(faults: { 'late_collective' => 1.5 })

    %w[hard_flare entered_too_close].each do |fault|
      found = asked(clean, fault: fault)

      refute_predicate found, :claimed?, fault
      assert_match(/next to nothing of it \(/, found.reason)
    end
    # The other way round of the same knob is another fault.
    refute_predicate asked(fly(faults: { 'fast_glide' => 14.0 }), fault: 'slow_glide'), :claimed?
  end

  # What is claimed against the twin that was flown without the fault, in the same air: the difference it says is
  # within a quarter of the true one.
  def test_what_is_claimed_is_what_the_twin_did
    [
      ['late_collective', 1.5, 'min_rotor_rpm_pct'], ['slow_glide', 12.0, 'miss_along_ft'],
      ['weak_flare', 0.5, 'recovery_groundspeed_kt']
    ].each do |fault, size, measure|
      flown = fly(faults: { fault => size })
      twin = fly(faults: {}).measure(measure)
      found = asked(flown, fault: fault)

      assert_predicate found, :claimed?, "#{fault}: #{found.reason}"
      true_change = twin - flown.measure(measure)
      assert_in_delta true_change, found.mended.value(measure) - found.fitted.value(measure), 0.25 * true_change.abs,
                      fault
      next unless fault == 'late_collective'

      # How far the fit is off counts place, sink and hands too.
      assert_equal %i[height_ft ias_kt rotor_pct sink_fpm collective_pct place_ft], found.fit.keys
      found.fit.each { |name, off| assert_operator off, :<, Fujin::Grading::OneChange::GOOD.fetch(name) / 3.0, name }
    end
  end

  # Late, the flare is met hard and fast; that the flare was weak as well, or the cushion, is not made up to fit it.
  def test_what_came_of_the_fault_is_not_made_a_fault_of_its_own
    flown = fly(faults: { 'late_flare' => 36 }, ending: 'touchdown')
    found = asked(flown, fault: 'late_flare')
    true_change = fly(faults: {}, ending: 'touchdown').measure('contact_groundspeed_kt') -
      flown.measure('contact_groundspeed_kt')

    assert_predicate found, :claimed?, found.reason
    assert_empty found.fitted.faults.keys & %w[weak_flare weak_cushion]
    assert_in_delta true_change, found.mended.value('contact_groundspeed_kt') -
      found.fitted.value('contact_groundspeed_kt'), 0.25 * true_change.abs
  end

  # Where the model cannot fly it with nothing wrong at its end, it is still tried with all that may be.
  def test_a_try_that_cannot_be_flown_does_not_end_the_asking
    flown = fly(faults: { 'late_collective' => 1.5 })
    question = Fujin::Grading::OneChange.new(flown.signals, flown.proposal, flown.context, 'late_collective')
    tried = 0
    question.define_singleton_method(:fitted_values) do |knobs|
      tried += 1
      raise Fujin::OutsideModel, 'not with these' if tried == 1

      super(knobs)
    end

    assert_predicate question.answer, :claimed?
    assert_equal 2, tried
  end

  # Another aircraft than the one it is said to be: the model cannot fly it so.
  def test_a_poor_fit_claims_nothing_and_says_by_how_much
    flown = fly(id: 'yarrow-4', faults: { 'fast_glide' => 20 }, ending: 'touchdown')
    day = conditions('bracken-2', wind: Fujin::Wind.parse('350/8'))
    context =
      Fujin::Lessons.context(
        conditions: day,
        house: Fujin::Planning::HouseMethod.new('ending' => 'touchdown'),
        spot: SPOT,
        course_deg: 350.0,
        wind: day.wind
      )
    signals = signals_of(flown.csv, day)
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

  # An attempt flown by the model with one fault, asked what mending it would have done.
  def mended(kind, id, wind, fault, size)
    flown = flown_by_pilot(kind, id: id, wind: wind, faults: { fault => size }, seed: 3)
    proposal = flown.proposals.find { |p| p.attempt.manoeuvre == kind }
    Fujin::Grading::OneChange.new(flown.signals, proposal, flown.context, fault).answer
  end

  [
    ['normal_approach', 'tansy-2', '350/8', 'too_steep', 4.0, 0.4, 'approach_angle_deg', 10.0, 0.7],
    ['steep_approach', 'bracken-2', '350/0', 'sank_at_low_speed', 300.0, 120.0, 'sink_over_allowed_fpm', -130.0, 160.0],
    ['normal_approach', 'bracken-2', '020/12', 'drifted_off_track', 150.0, 10.0, 'miss_across_ft', 0.0, 15.0],
    ['run_on_landing', 'tansy-2', '350/0', 'power_cap_broken', 10.0, 1.0, 'contact_groundspeed_kt', 17.3, 1.5],
    ['turning_autorotation', 'bracken-2', '020/12', 'fast_glide', 13.0, 1.5, 'miss_along_ft', 0.0, 200.0],
    ['turning_autorotation', 'tansy-2', '350/8', 'late_turn', 5.0, 0.7, 'roll_out_height_ft', 465.0, 25.0],
    ['s_turn_autorotation', 'tansy-2', '350/8', 'entered_too_far', 900.0, 120.0, 'miss_along_ft', 0.0, 150.0]
  ].each do |kind, id, wind, fault, size, within, measure, value, room|
    define_method("test_one_change_to_a_#{kind}_takes_away_#{fault}") do
      found = mended(kind, id, wind, fault, size)

      assert_predicate found, :claimed?, found.reason
      assert_in_delta size, found.amount.abs, within
      assert_in_delta value, found.mended.value(measure), room
      assert_includes found.told, measure
    end
  end

  def test_an_approach_turned_away_from_too_late_is_turned_away_from_in_time
    found = mended('normal_approach', 'bracken-2', '350/8', 'late_decision', 10.0)

    assert_predicate found, :claimed?, found.reason
    assert_match(/turned away (9|10|11) s sooner/, found.change)
    assert_equal :go_around, found.mended.proposal.attempt.result
  end
end
