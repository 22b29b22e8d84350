# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'found_help'

# Approaches, run-on landings and take-offs in a recording.
class FindingApproachesTest < Minitest::Test
  include FoundHelp

  { 'normal_approach' => [9.0, 55.0], 'steep_approach' => [14.0, 42.0] }.each do |kind, (angle, speed)|
    (1..4).each do |seed|
      define_method("test_a_#{kind}_with_noise_#{seed}") do
        flown =
          airborne(flight(seed: seed))
            .leg(8, gs_kt: speed)
            .mark(:descent)
            .approach(angle, from_kt: speed)
            .leg(20, gs_kt: 0.0)
        found = the(graded(flown), kind)

        assert_in_delta flown.marks[:descent], at(found, 'descent'), 1.0
        assert_in_delta flown.marks[:still], at(found, 'termination'), 1.0
        assert_in_delta angle, found.measures['approach_angle_deg'].value, 0.7
        assert_in_delta 5.0, found.measures['hover_height_ft'].value, 0.8
        refute_includes found.grades.map(&:grade), nil
      end
    end
  end

  # Down to 150 ft and on along the ground: an approach is left only by climbing away from it; on either side of 60 ft.
  { 50.0 => [], 75.0 => %w[go_around] }.each do |climbs_ft, results|
    define_method("test_a_descent_that_climbs_#{climbs_ft.round}_ft_again") do
      flown = airborne(flight).leg(8, gs_kt: 55.0).leg(32, gs_kt: 40.0, agl_ft: 150.0).leg(10)
        .leg(15, agl_ft: 150.0 + climbs_ft, gs_kt: 55.0).leg(20)

      approaches = graded(flown).map(&:attempt).select { |one| one.manoeuvre.end_with?('_approach') }

      assert_equal(results, approaches.map { |one| one.result.to_s })
    end
  end

  def test_an_approach_off_the_houses_angle_and_too_fast_down_when_slow
    flown = airborne(flight).leg(20, gs_kt: 40.0).approach(17.0, from_kt: 40.0).leg(20, gs_kt: 0.0)
    found = the(graded(flown), 'steep_approach')

    assert_equal 'too_steep', found.first_fault.id
    assert_match(/1[67]\.\d° over the ground, 13\.5° is wanted/, found.first_fault.evidence)
  end

  def test_sinking_fast_at_low_airspeed_is_named_with_where
    flown =
      airborne(flight(wind_kt: 0.0))
        .leg(10, gs_kt: 7.0)
        .mark(:sinks)
        .leg(8, agl_ft: 380.0)
        .leg(40, agl_ft: 5.0, gs_kt: 5.0)
        .leg(20, gs_kt: 0.0)
    found = graded(flown, wind: Fujin::Wind.calm).find { |p| p.attempt.manoeuvre == 'steep_approach' }

    assert_includes found.faults.map(&:id), 'sank_at_low_speed'
    assert_operator found.measures['vortex_ring_index_max'].value, :>, 0.1
  end

  def test_a_run_on_landing
    flown =
      airborne(flight, agl_ft: 300.0)
        .leg(8, gs_kt: 45.0)
        .mark(:descent)
        .leg(60, agl_ft: 8.0, gs_kt: 24.0)
        .leg(4, agl_ft: 0.0, gs_kt: 18.0)
        .mark(:contact)
    flown.leg(6, gs_kt: 0.0).mark(:stop).leg(8)
    found = the(graded(flown), 'run_on_landing')

    assert_equal %w[descent touchdown slide], found.attempt.phase_ids
    assert_in_delta flown.marks[:descent], at(found, 'descent'), 1.0
    assert_in_delta flown.marks[:contact], at(found, 'touchdown'), 0.6
    assert_in_delta flown.marks[:stop], found.attempt.end_s, 1.0
    assert_in_delta 18.0, found.measures['contact_groundspeed_kt'].value, 2.0
    assert_in_delta 0.5 * 18.0 * 1.68781 * 6.0, found.measures['slide_ft'].value, 15.0
  end

  def test_take_offs_at_hover_power_and_at_maximum_performance
    normal = graded(airborne(flight))
    steep =
      graded(
        flight
          .leg(5)
          .leg(3, agl_ft: 4.0)
          .leg(8)
          .mark(:off)
          .leg(10, agl_ft: 60.0, gs_kt: 18.0)
          .leg(15, agl_ft: 220.0, gs_kt: 35.0)
          .leg(10, agl_ft: 300.0, gs_kt: 55.0)
          .leg(20)
      )

    assert_includes kinds(normal), 'hover_power_take_off'
    measures = the(normal, 'hover_power_take_off').measures

    assert_in_delta 70.0, measures['climb_speed_height_ft'].value, 30.0
    assert_operator measures['transition_sink_ft'].value, :<, 2.0
    refute_includes kinds(normal), 'maximum_performance_take_off'
    assert_includes kinds(steep), 'maximum_performance_take_off'
  end

  # One sample a second: kind and order the same, boundaries within a second and a half.
  def test_at_one_hertz
    flown = airborne(flight).leg(8, gs_kt: 55.0).mark(:descent).approach(9.0, from_kt: 55.0).leg(30, gs_kt: 0.0)
    lines = flown.csv.lines
    found = the(grade_csv(lines.first + lines.drop(1).each_slice(10).map(&:first).join).proposals, 'normal_approach')

    assert_in_delta flown.marks[:descent], at(found, 'descent'), 1.5
    assert_in_delta flown.marks[:still], at(found, 'termination'), 1.5
  end
end
