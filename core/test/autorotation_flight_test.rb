# frozen_string_literal: true

require_relative 'test_helper'

# Autorotations with turns flown by the model at a known truth: they come out where they were planned to, are found
# with their kind and boundaries, and the planted fault is the first one named.
class AutorotationFlightTest < Minitest::Test
  Turned = Struct.new(:run, :proposal, :found) do
    def first(phase) = run.rows.find { |row| row.phase == phase }.t_s
  end

  def turned(kind, **how)
    flown = flown_by_pilot(kind, **how)
    Turned.new(flown.run, flown.proposal, flown.proposals.map { |p| p.attempt.manoeuvre })
  end

  [
    ['turning_autorotation', 'tansy-2', '350/8', {}],
    ['turning_autorotation', 'bracken-2', '020/12', { 'turn_deg' => 90.0 }],
    ['turning_autorotation', 'yarrow-4', '350/0', { 'turn_deg' => 360.0, 'turn_side' => 'right' }],
    ['s_turn_autorotation', 'bracken-2', '350/8', {}],
    ['s_turn_autorotation', 'yarrow-4', '020/12', { 'turn_side' => 'right' }]
  ].each do |kind, id, wind, settings|
    define_method(
      "test_#{kind}_of_a_#{id}_#{settings.values.join('_')}_ends_at_the_spot_is_found_and_accused_of_nothing"
    ) do
      flown = turned(kind, id: id, wind: wind, settings: settings, seed: 5)

      assert_equal [kind], flown.found
      assert_in_delta flown.first(:entry), flown.proposal.attempt.event(:closure_s), 0.5
      assert_in_delta flown.first(:turn), flown.proposal.attempt.phase('turn').start_s, 1.0
      assert_in_delta flown.first(:flare), flown.proposal.attempt.phase('flare').start_s, 0.5
      assert_operator flown.proposal.measures['miss_ft'].value, :<, 200.0
      assert_empty flown.proposal.faults.map(&:id)
    end
  end

  def test_the_turn_is_measured_as_it_was_flown
    flown = turned('turning_autorotation')
    rows = flown.run.rows.select { |row| row.phase == :turn }

    assert_in_delta rows.map { |row| row.bank.abs / Q::DEG }.max,
                    flown.proposal.measures['turn_bank_max_deg'].value,
                    1.5
    assert_in_delta flown.first(:turn) - flown.first(:entry), flown.proposal.measures['turn_delay_s'].value, 1.0
    assert_operator flown.proposal.measures['roll_out_height_ft'].value, :>, 200.0
  end

  # Planted in feet: so much farther from the spot along the course that was flown in, or nearer to it.
  def test_an_entry_is_misplaced_by_as_many_feet_as_asked_for
    start = ->(faults) do
      Complex(*Fujin::Manoeuvres::Autorotation::WholeFlight.new(conditions, faults: faults).send(:start_m)) / 0.3048
    end
    planned = start.call({})

    assert_in_delta 300.0, (start.call('entered_too_far' => 300.0) - planned).abs, 1e-6
    assert_in_delta planned.abs + 300.0, start.call('entered_too_far' => 300.0).abs, 1e-6
    assert_in_delta planned.abs - 300.0, start.call('entered_too_close' => 300.0).abs, 1e-6
  end

  [
    ['late_turn', 5.0],
    ['late_collective', 1.3],
    ['slow_glide', 13.0],
    ['early_flare', 45.0],
    ['entered_too_far', 900.0]
  ].each_with_index do |(fault, size), i|
    define_method("test_#{fault}_in_a_turning_autorotation_is_the_first_fault_named") do
      flown =
        turned('turning_autorotation', id: %w[tansy-2 bracken-2 yarrow-4][i % 3], faults: { fault => size }, seed: i)

      assert_equal fault, flown.proposal.faults.first&.id
    end
  end

  # Its own standard: a glide's rows, and the turn's.
  def test_a_turning_autorotation_is_judged_by_its_own_standard
    flown = turned('turning_autorotation', faults: { 'late_collective' => 1.3 })

    assert_equal 'turning-2026.1', flown.proposal.standard_version
    assert_equal 'out', flown.proposal.measures['collective_delay_s'].verdict
    assert_includes %w[polished in], flown.proposal.measures['turn_bank_max_deg'].verdict
    assert_equal 1, flown.proposal.overall
  end

  def test_a_straight_in_has_no_turn_to_be_late
    error =
      assert_raises(Fujin::InvalidInput) do
        Fujin::Manoeuvres::Autorotation::WholeFlight.new(conditions, faults: { 'late_turn' => 3.0 })
      end

    refute_match(/late_turn'|, late_turn/, error.message.sub('fault.late_turn', ''))
  end
end
