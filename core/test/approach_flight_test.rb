# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# Approaches flown by the model at a known truth: found with their kind and boundaries, measured, their planted fault
# named first, and none named when there is none.
class ApproachFlightTest < Minitest::Test
  extend ByLot

  by_lot(/_is_found_where_it_is_and_accused_of_nothing\z|_is_the_first_fault_named\z/)

  Flight = Struct.new(:run, :proposals, :signals, :context) do
    def proposal = proposals.size == 1 ? proposals.first : raise("found #{proposals.map { |p| p.attempt.manoeuvre }}")
    def value(id) = proposal.measures.fetch(id).value
    def faults = proposal.faults.map(&:id)
    # Where sink first passes 150 ft/min, as the definition has it.
    def descent_s = run.rows.find { |row| -row.v_up / Fujin::Quantities::FPM > 150.0 }.t_s
  end

  def approach(kind, exercise: kind, **how)
    flown = flown_by_pilot(kind, exercise: exercise, **how)
    Flight.new(flown.run, flown.proposals, flown.signals, flown.context)
  end

  { 'normal_approach' => '350/8', 'steep_approach' => '020/12', 'run_on_landing' => '350/0' }.each do |kind, wind|
    %w[tansy-2 bracken-2 yarrow-4].each do |id|
      define_method("test_a_clean_#{kind}_of_a_#{id}_is_found_where_it_is_and_accused_of_nothing") do
        flown = approach(kind, id: id, wind: wind, seed: 7, exercise: nil)

        assert_equal kind, flown.proposal.attempt.manoeuvre
        assert_in_delta flown.descent_s, flown.proposal.attempt.start_s, 0.5
        assert_empty flown.faults
      end
    end
  end

  def test_the_line_and_the_end_are_measured_as_they_were_flown
    flown = approach('normal_approach')

    assert_in_delta 10.0, flown.value('approach_angle_deg'), 0.4
    assert_operator flown.value('approach_angle_off_deg'), :<, 1.0
    assert_operator flown.value('closing_speed_off_kt'), :<, 3.0
    assert_in_delta 40.0, ias_at(flown, flown.value('decision_height_ft')), 2.0
    assert_in_delta 0.0, flown.value('termination_heading_off_deg'), 2.0
    assert_operator flown.value('miss_ft'), :<, 30.0
  end

  def ias_at(flown, height_ft)
    row = flown.run.rows.find { |r| r.phase == :descent && r.height_m / Q::FT <= height_ft }
    row.air_speed / Q::KT
  end

  def test_contact_on_the_run_is_measured_at_the_ground_s_own_moment
    flown = approach('run_on_landing', wind: '350/0')
    contact = flown.run.contact

    assert_in_delta contact[:time_s], flown.proposal.attempt.event(:contact_s), 0.5
    assert_in_delta Math.hypot(*contact[:velocity][0, 2]) / Q::KT, flown.value('contact_groundspeed_kt'), 1.5
    assert_in_delta contact[:sink_m_s] / Q::FPM, flown.value('contact_sink_fpm'), 100.0
    assert_operator flown.value('bounce_ft'), :<, 2.0
    assert_operator flown.value('lowering_rate_pct_s'), :<, 20.0
  end

  [
    ['normal_approach', 'too_steep', 4.0, '350/8'],
    ['normal_approach', 'too_shallow', 4.0, '350/8'],
    ['normal_approach', 'sank_at_low_speed', 300.0, '350/0'],
    ['normal_approach', 'drifted_off_track', 150.0, '020/12'],
    ['normal_approach', 'late_decision', 10.0, '350/8'],
    ['steep_approach', 'sank_at_low_speed', 300.0, '350/8'],
    ['steep_approach', 'late_decision', 9.0, '350/0'],
    ['run_on_landing', 'too_steep', 4.0, '350/0'],
    ['run_on_landing', 'power_cap_broken', 10.0, '350/0'],
    ['run_on_landing', 'not_level', 18.0, '350/0'],
    ['run_on_landing', 'drift_at_contact', 6.0, '350/0']
  ].each_with_index do |(kind, fault, size, wind), i|
    define_method("test_#{fault}_on_a_#{kind}_is_the_first_fault_named") do
      flown = approach(kind, id: %w[tansy-2 bracken-2][i % 2], wind: wind, faults: { fault => size }, seed: i)

      assert_equal kind, flown.proposal.attempt.manoeuvre
      assert_equal fault, flown.faults.first
    end
  end

  # So far to the right of its course, and to the left where it is less than nothing.
  def test_a_line_beside_the_course_is_flown_on_the_side_that_was_asked_for
    [80.0, -80.0].each do |feet|
      signals = approach('normal_approach', faults: { 'drifted_off_track' => feet }).signals
      about = Fujin::Grading::AboutSpot.new(signals, SPOT, 350.0)

      assert_in_delta feet, about.place_at((signals.start_s + signals.end_s) / 2.0).last, 8.0
    end
  end

  def test_an_approach_that_was_left_is_a_go_around_and_no_fault_by_itself
    flown = approach('normal_approach', faults: { 'late_decision' => 0.0 })

    assert_equal :go_around, flown.proposal.attempt.result
    assert_empty flown.faults
  end

  # Without a sortie the angle decides what it was; with one, what it was meant to be.
  def test_a_normal_approach_flown_steep_is_a_steep_approach_unless_the_sortie_says
    assert_equal 'steep_approach',
                 approach('normal_approach', faults: { 'too_steep' => 4.0 }, exercise: nil).proposal.attempt.manoeuvre
  end

  # Rotor rpm droops when power is pulled quickly: that is no low rotor rpm exercise.
  def test_no_low_rotor_rpm_is_found_where_only_power_was_pulled
    flown = approach('steep_approach', id: 'yarrow-4', faults: { 'late_decision' => 5.0 })

    refute_includes flown.proposals.map { |p| p.attempt.manoeuvre }, 'low_rotor_rpm_recovery'
  end

  def test_the_pilot_says_which_faults_it_cannot_fly
    error = assert_raises(Fujin::InvalidInput) { approach('normal_approach', faults: { 'late_collective' => 1.0 }) }

    assert_match(/too_steep/, error.message)
  end

  # A line that is level or climbs never meets the ground.
  def test_an_approach_too_shallow_to_end_is_refused_by_name
    { 'too_shallow' => 4.0, 'too_steep' => 27.0 }.each do |fault, degrees|
      error = assert_raises(Fujin::InvalidInput) { approach('run_on_landing', faults: { fault => degrees }) }

      assert_match(/fault\.#{fault}.*4\.0°/, error.message)
    end
  end
end
