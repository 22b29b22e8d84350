# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# What holds of every manoeuvre that is found in recordings: each fault it declares has a rule by its name, and an
# attempt that a person cut out anywhere, with any of its phases, is measured without a fall.
class EveryManoeuvreTest < Minitest::Test
  extend ByLot

  by_lot(/_cut_by_hand_keeps_to_/)

  RECORDED = Fujin::Catalogue.recorded

  RECORDED.each do |manoeuvre|
    define_method("test_each_fault_of_#{manoeuvre.id}_has_a_rule_by_its_name") do
      missing = manoeuvre.faults.map(&:id).reject { |id| manoeuvre.fault_finder.private_method_defined?(id) }

      assert_empty missing
    end

    define_method("test_#{manoeuvre.id}_cut_by_hand_keeps_to_what_it_declares") do
      day = conditions(manoeuvre.kinds.include?('helicopter') ? 'tansy-2' : 'sorrel-g')
      flown = fly(ending: 'touchdown')
      signals = signals_of(flown.csv, day, wind: Fujin::Wind.parse('350/8'))
      context =
        Fujin::Lessons.context(
          conditions: day,
          spot: SPOT,
          wind: Fujin::Wind.parse('350/8'),
          exercise: manoeuvre.id,
          course_deg: 350.0
        )
      recut = Fujin::Grading::Recut.new(signals, context)
      end_s = signals.end_s - 0.5
      manoeuvre.phases.each_with_index do |phase, i|
        from = phase == 'touchdown' ? flown.proposal.attempt.event(:contact_s) : 20.0 + i
        proposal = recut.propose(manoeuvre.id, [{ 'id' => phase, 'start_s' => from, 'end_s' => end_s }])

        assert_empty proposal.measures.keys - manoeuvre.measure_ids, "#{phase}: measured but not declared"
        assert_empty(proposal.measures.values.select { |m| m.value&.nan? }.map(&:id))
      end
    end
  end

  # Of what it ends with, only the house's own way.
  def test_an_ending_leaves_out_the_phases_of_the_others
    straight = Fujin::Catalogue.find('straight_in_autorotation')

    assert_equal %w[entry glide flare recovery], straight.phases_for('power_recovery')
    assert_equal %w[entry glide flare cushion touchdown], straight.phases_for('touchdown')
    assert_equal straight.phases_for('power_recovery'), straight.phases_for('recovery_run')
    assert_equal straight.phases, straight.phases_for('an ending of another exercise')
  end
end
