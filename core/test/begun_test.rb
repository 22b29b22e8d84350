# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'cut_off'
require_relative 'found_help'
require_relative 'written_edges'

# What the debrief will find is seen while it goes on, of every kind that is flown: cut off at some share of an attempt,
# the recording shows the same one, begun where it began.
class BegunTest < Minitest::Test
  include CutOff
  include FoundHelp
  include WrittenEdges

  L = Fujin::Lessons
  COURSE = 350.0
  NEAR_S = 3.0

  def context(kind, day, **more)
    L.context(conditions: day, wind: day.wind, exercise: kind, spot: SPOT, course_deg: COURSE, planned: true, **more)
  end

  # @param shares [Array<Float>] of the attempt after which it is looked for
  def assert_begun(kind, csv, day, shares: [0.4, 0.7])
    context = context(kind, day)
    whole = Fujin::Grading::Grader.new(signals_of(csv, day, wind: day.wind), context).attempts
      .find { |attempt| attempt.manoeuvre == kind } || flunk("no #{kind} in it")
    shares.each do |share|
      at_s = whole.start_s + (share * (whole.end_s - whole.start_s))
      seen = going_on(csv, at_s, context)

      assert_equal kind, seen&.manoeuvre, "#{kind} at #{at_s.round(1)} s"
      assert_in_delta whole.start_s, seen.start_s, NEAR_S, kind
    end
  end

  def calm(id = 'tansy-2') = conditions(id, wind: CALM)
  def written(seconds = 90.0, &) = WrittenFlight.new(seconds, &).csv

  # Of two half circles the one that is flown is told.
  { 'rectangle' => [0.4, 0.7], 'turns_across_a_line' => [0.3, 0.45],
    'turn_about_a_point' => [0.4, 0.7] }.each do |kind, shares|
    define_method("test_a_#{kind}_is_seen_while_it_is_flown") do
      day = conditions(wind: Fujin::Wind.parse('320/12'))
      plan = Fujin::Catalogue.find(kind).plan(day, Fujin::Planning::HouseMethod.new, course_deg: COURSE)
      line = plan.path.map { |point| [point.along_ft, point.across_ft] }
      before = Fujin::Flight::FigureFlight.before(line)
      csv = Fujin::Flight::FigureFlight.new([before, *line], origin: SPOT, course_deg: COURSE, wind: day.wind,
                                                             air_kt: plan.value('entry_speed_kt'), seed: 1).csv
      assert_begun kind, csv, day, shares: shares
    end
  end

  def gyroplane
    flight(origin: SPOT)
      .leg(3).leg(20, nr_pct: 62.0).leg(9, gs_kt: 30.0, nr_pct: 90.0).leg(4, gs_kt: 38.0, nr_pct: 100.0, pitch_deg: 9.0)
      .leg(12, gs_kt: 50.0, agl_ft: 70.0, pitch_deg: 4.0).leg(60, gs_kt: 55.0, agl_ft: 600.0).leg(20)
      .leg(10, gs_kt: 18.0).leg(20).leg(12, gs_kt: 52.0).leg(10)
      .leg(45, agl_ft: 25.0, gs_kt: 45.0).leg(4, agl_ft: 0.0, gs_kt: 20.0, pitch_deg: 9.0)
      .leg(10, gs_kt: 0.0, pitch_deg: 0.0).leg(6).csv
  end

  { 'gyro_take_off' => [0.3, 0.6], 'gyro_slow_flight' => [0.8], 'gyro_landing' => [0.5, 0.8] }.each do |kind, shares|
    define_method("test_a_#{kind}_is_seen_while_it_is_flown") do
      assert_begun kind, gyroplane, calm('sorrel-g'), shares: shares
    end
  end

  def test_a_vertical_descent_is_seen_while_it_is_flown
    kt = along([0.0, 60.0], [20.0, 60.0], [21.0, 6.0], [40.0, 6.0], [50.0, 60.0], [90.0, 60.0])
    csv = written do |t|
      { 'agl_ft' => 1200.0 - (10.0 * (t.clamp(20.0, 40.0) - 20.0)), 'gs_kt' => kt.call(t), 'ias_kt' => kt.call(t) }
    end

    assert_begun 'gyro_vertical_descent', csv, calm('sorrel-g'), shares: [0.5, 0.8]
  end

  def test_a_hover_and_a_taxi_are_seen_while_they_are_flown
    csv = written { |t| { 'agl_ft' => t < 5.0 || t > 80.0 ? 0.0 : 4.0 } }
    assert_begun 'hover', csv, calm

    gone = along([0.0, 0.0], [30.0, 0.0], [60.0, 240.0], [90.0, 240.0])
    moved = written do |t|
      { 'agl_ft' => t < 5.0 ? 0.0 : 4.0, 'gs_kt' => t.between?(30.0, 60.0) ? 8.0 / WrittenFlight::FT_S : 0.0,
        'north_ft' => gone.call(t), 'track_deg' => 0.0, 'hdg_deg' => 0.0 }
    end
    assert_begun 'hover_taxi', moved, calm
  end

  def test_level_flight_that_changes_its_speed_is_seen_while_it_does
    speed = along([0.0, 75.0], [30.0, 75.0], [50.0, 50.0], [90.0, 50.0])

    assert_begun 'level_speed_change', written { |t|
      { 'agl_ft' => 800.0, 'gs_kt' => speed.call(t), 'ias_kt' => speed.call(t) }
    }, calm, shares: [0.5, 0.8]
  end

  def test_a_low_rotor_rpm_is_seen_before_it_is_mended
    rotor = along([0.0, 100.0], [20.0, 100.0], [24.0, 90.0], [32.0, 90.0], [36.0, 100.0], [90.0, 100.0])

    assert_begun 'low_rotor_rpm_recovery', written { |t|
      { 'agl_ft' => 500.0, 'gs_kt' => 60.0, 'ias_kt' => 60.0, 'nr_pct' => rotor.call(t), 'ne_pct' => rotor.call(t),
        'collective_pct' => t < 30.0 ? 50.0 : 40.0 }
    }, calm, shares: [0.5, 0.7]
  end

  def test_a_lift_off_is_seen_before_it_is_over
    feet = along([0.0, 0.0], [20.0, 0.0], [26.0, 4.0], [50.0, 4.0], [56.0, 0.0], [90.0, 0.0])

    assert_begun 'lift_off_and_set_down', written { |t| { 'agl_ft' => feet.call(t) } }, calm
  end
end
