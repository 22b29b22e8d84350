# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# Approaches and run-on landings as planned: angle, sink, decision, cap, each against hand arithmetic.
class ApproachPlansTest < Minitest::Test
  include PlanHelp

  def test_approach_angle_and_sink_by_hand
    found = plan('normal_approach', wind: '350/10')
    start = found.path.first
    ground = (63 - 10) * Q::KT

    assert_in_delta ground * Math.tan(10 * Q::DEG) / Q::FPM, start.sink_fpm, 0.5
    assert_in_delta (500 - 4) / Math.tan(10 * Q::DEG), found.value('entry_distance_ft'), 0.5
  end

  def test_a_course_is_one_of_the_compass
    [0.0, 360.0].each { |course| assert_kind_of Fujin::Planning::Plan, plan('normal_approach', course: course) }
    [-1.0, 361.0].each do |course|
      refused = assert_raises(Fujin::InvalidInput) { plan('normal_approach', course: course) }

      assert_equal 'course_deg', refused.problems[0][:path]
    end
  end

  def test_the_steep_approach_keeps_to_the_sink_it_is_allowed
    %w[curve flat].each do |limit|
      found = plan('steep_approach', house: { 'sink_limit' => limit })
      house = found.house

      found.path.each do |p|
        assert_operator p.sink_fpm, :<=, house.sink_allowed_fpm(p.ias_kt) + 1e-6, "#{limit} at #{p.ias_kt}"
      end
    end
    assert_includes text_of(plan('steep_approach', settings: { 'approach_angle_deg' => 17 }), 'too_steep'), 'by 2.0°'
  end

  def test_vortex_ring_onset_of_the_reference
    assert_within 608, plan('steep_approach').value('vortex_ring_sink_fpm'), 2
  end

  def test_run_on_by_hand
    found = plan('run_on_landing', wind: '350/5', settings: { 'power_limit_pct' => 85 })

    assert_in_delta 12.8, found.value('lowest_level_speed_kt'), 0.3
    assert_in_delta 13.8, found.value('lowest_level_speed_oge_kt'), 0.3
    # Translational lift where the way through the air is 1.3 times the hover's induced velocity: 6.86 m/s, so 17.3 kt.
    assert_in_delta 1.3 * 6.86 / Q::KT, found.value('touchdown_ias_kt'), 0.1
    assert_in_delta found.value('touchdown_ias_kt') - 5, found.value('touchdown_groundspeed_kt'), 0.01
    assert_in_delta found.value('touchdown_ias_kt') - found.value('lowest_level_speed_kt'),
                    found.value('cap_margin_kt'), 1e-6
    assert_nil found.numbers['final_pull_kw']
    assert_in_delta ((found.value('touchdown_groundspeed_kt') * Q::KT)**2) / (2 * 0.35 * Q::G) / Q::FT,
                    found.value('slide_ft'),
                    0.01
    wet = plan('run_on_landing', wind: '350/5', settings: { 'surface' => 'wet_grass' })

    assert_operator wet.value('slide_ft'), :>, found.value('slide_ft')
  end

  def test_a_cap_that_hovers_is_said
    assert_includes text_of(plan('run_on_landing', settings: { 'power_limit_pct' => 100 }), 'cap_hovers'), 'also hovers'
  end

  def test_a_cap_that_asks_for_more_than_translational_lift_gets_it_with_three_knots_over
    found = plan('run_on_landing', wind: '350/0', settings: { 'power_limit_pct' => 70 })

    assert_in_delta found.value('lowest_level_speed_kt') + 3, found.value('touchdown_ias_kt'), 1e-6
    assert_operator found.value('cap_margin_inhg'), :>, 0
    assert_match(/under 5 it is no run-on/, text_of(plan('run_on_landing', wind: '350/18'), 'no_run_on'))
  end

  # 66 % of power asks for 34.3 kt over the ground with 4 kt from behind, 64 % for 36.8.
  def test_a_touchdown_at_more_than_thirty_five_knots_over_the_ground_is_too_fast
    slower, faster = [66, 64].map do |pct|
      plan('run_on_landing', wind: '170/4', course: 350.0, settings: { 'power_limit_pct' => pct })
    end

    assert_equal([34.3, 36.8], [slower, faster].map { |found| found.value('touchdown_groundspeed_kt').round(1) })
    assert_nil text_of(slower, 'fast_touchdown')
    assert_match(/\A37 kt over the ground at touchdown, 35 at most/, text_of(faster, 'fast_touchdown'))
  end

  def test_the_flat_sink_limit_is_held_past_the_decision_and_what_fits_is_said
    found = plan('steep_approach', wind: '350/0', house: { 'sink_limit' => 'flat' })

    assert_operator found.value('entry_speed_kt'), :>, 44
    assert_operator found.value('decision_height_ft'), :>, 250
    # 300 ft/min at just under 30 kt, less the plan's twentieth: atan(285 / (30·101.3)) is 5.4°.
    assert_match(/All the way within it: 5\.4°, or 13\.5° with 18 kt of headwind/, text_of(found, 'angle_not_held'))
    assert_raises(Fujin::OutsideModel) { plan('steep_approach', wind: '170/30', course: 350.0) }
  end

  def test_a_decision_is_never_under_the_lowest_gate_and_its_target_lies_in_its_band
    %w[normal_approach steep_approach run_on_landing].product(%w[350/35 350/0 170/4]).each do |kind, wind|
      plan(kind, wind: wind, course: 350.0).gates.each do |gate|
        assert_operator gate.height_ft, :>=, 95, "#{kind} #{wind} #{gate.id}" if gate.id == 'decision'
        gate.measures.each_value { |m| assert_includes m[:low]..m[:high], m[:target], "#{kind} #{wind} #{gate.id}" }
      end
    end
  end

  # Through the air the way is the true airspeed's: at 5,000 ft and 25 °C a tenth more than the dial's.
  def test_the_angle_through_the_air_is_the_true_one
    still = plan('normal_approach', wind: '350/0', elevation_ft: 5000.0, oat_c: 25.0)

    assert_in_delta still.value('approach_angle_deg'), still.value('air_angle_deg'), 0.05
  end
end
