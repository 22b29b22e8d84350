# frozen_string_literal: true

require_relative 'test_helper'

# Hovering and low-speed autorotations flown by the model: found, measured against the run's own truth, the planted
# fault named first, and what mending it would have done.
class HoveringAndLowSpeedFlightTest < Minitest::Test
  Flown = Struct.new(:run, :signals, :context, :proposals) do
    def proposal = proposals.first
    def value(id) = proposal.measures.fetch(id).value
    def faults = proposal.faults.map(&:id)
  end

  # Found without being told what the flight was for.
  def flown(kind, wind: '350/6', **how)
    course = kind == 'low_speed_autorotation' ? 350.0 : nil
    found = flown_by_pilot(kind, wind: wind, exercise: nil, spot: nil, planned: false, course_deg: course, **how)
    Flown.new(found.run, found.signals, found.context, found.proposals)
  end

  %w[tansy-2 bracken-2 yarrow-4].each do |id|
    define_method("test_a_clean_hovering_autorotation_of_a_#{id}") do
      hover = flown('hovering_autorotation', id: id, seed: 2)

      assert_equal(['hovering_autorotation'], hover.proposals.map { |p| p.attempt.manoeuvre })
      assert_in_delta hover.run.rows.find { |row| !row.throttle_open }.t_s,
                      hover.proposal.attempt.event(:closure_s),
                      0.3
      assert_in_delta hover.run.contact[:time_s], hover.proposal.attempt.event(:contact_s), 0.3
      assert_in_delta hover.run.contact[:sink_m_s] / Q::FPM, hover.value('contact_sink_fpm'), 100.0
      assert_in_delta hover.run.contact[:rotor_pct], hover.value('contact_rotor_rpm_pct'), 3.0
      assert_operator hover.value('collective_after_contact_pct'), :<, 5.0
      assert_operator hover.value('throttle_reduction_s'), :<, 0.5
      assert_empty hover.faults
    end
  end

  [
    ['raised_collective', 8.0],
    ['drift_at_contact', 5.0],
    ['yaw_uncorrected', 2.5]
  ].each_with_index do |(fault, size), i|
    define_method("test_#{fault}_in_a_hovering_autorotation_is_named_first_and_mended") do
      hover = flown('hovering_autorotation', id: %w[tansy-2 bracken-2][i % 2], faults: { fault => size }, seed: i)

      assert_equal fault, hover.faults.first
      found = Fujin::Grading::OneChange.new(hover.signals, hover.proposal, hover.context, fault).answer

      assert_predicate found, :claimed?, found.reason
      assert_in_delta size, found.amount.abs, 0.25 * size
    end
  end

  def test_a_low_speed_autorotation_with_its_way_back
    low = flown('low_speed_autorotation')
    rows = low.run.rows.select { |row| row.phase == :slow }

    assert_equal 'low_speed_autorotation', low.proposal.attempt.manoeuvre
    assert_in_delta rows.map { |row| row.air_speed / Q::KT }.min, low.value('low_ias_min_kt'), 3.0
    assert_operator low.value('height_to_glide_ft'), :>, 200
    assert_operator low.value('height_to_glide_ft'),
                    :<,
                    Fujin::Catalogue
                      .find('low_speed_autorotation')
                      .plan(conditions, Fujin::Planning::HouseMethod.new)
                      .value('recovery_height_ft')
    assert_empty low.faults
  end

  def test_rotor_rpm_too_low_in_it_is_named_and_mended
    low = flown('low_speed_autorotation', id: 'bracken-2', faults: { 'low_rotor_rpm' => 7.0 })
    found = Fujin::Grading::OneChange.new(low.signals, low.proposal, low.context, low.faults.first).answer

    assert_equal 'low_rotor_rpm', low.faults.first
    assert_predicate found, :claimed?, found.reason
    assert_in_delta 7.0, found.amount.abs, 1.0
  end
end
