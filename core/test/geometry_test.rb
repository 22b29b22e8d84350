# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Places about a spot, planned lines on the ground, turns by their bank: what every figure is measured with.
class GeometryTest < Minitest::Test
  FT_S = WrittenFlight::FT_S

  def signals(flight) = signals_of(flight.csv, conditions, wind: Fujin::Wind.calm)

  def context = Fujin::Lessons.context(conditions: conditions, spot: SPOT)

  # One place for a whole flight.
  def at(north_ft, east_ft) = signals(WrittenFlight.new(2.0) { |_| { 'north_ft' => north_ft, 'east_ft' => east_ft } })
  def about(found, course_deg, spot = SPOT) = Fujin::Grading::AboutSpot.new(found, spot, course_deg)

  # Along, + beyond; across, + right; by course.
  {
    0.0 => [300.0, 40.0],
    90.0 => [40.0, -300.0],
    180.0 => [-300.0, -40.0],
    270.0 => [-40.0, 300.0]
  }.each do |course, (along, across)|
    define_method("test_a_place_on_a_course_of_#{course.round}") do
      place = about(at(300.0, 40.0), course)

      assert_in_delta along, place.along(0), 0.05
      assert_in_delta across, place.across(0), 0.05
    end
  end

  def test_turning_the_course_keeps_the_distance_and_moves_the_bearing
    found = at(-220.0, 130.0)
    random = Random.new(7)
    50.times do
      course = 360.0 * random.rand
      place = about(found, course)
      bearing = Math.atan2(place.across(0), place.along(0)) / Q::DEG

      assert_in_delta Math.hypot(220.0, 130.0), place.distance(0), 0.05
      assert_in_delta 0.0, Q.wrap_deg(bearing + course - (Math.atan2(130.0, -220.0) / Q::DEG)), 0.02
    end
  end

  def test_a_moment_between_samples_lies_on_the_line_between_them
    found = signals(WrittenFlight.new(4.0) { |t| { 'north_ft' => 100.0 * t, 'gs_kt' => 100.0 / FT_S } })

    assert_in_delta 125.0, about(found, 0.0).place_at(1.25)[0], 0.05
  end

  def test_without_a_position_there_is_no_place
    found = signals(WrittenFlight.new(2.0, columns: WrittenFlight::STILL.keys - %w[north_ft east_ft]) { |_| {} })

    assert about(found, 0.0).place(0).all?(&:nan?)
    assert about(found, 0.0).place_at(1.0).all?(&:nan?)
    assert_predicate about(found, 0.0).distance(0), :nan?
  end

  def figure(id = 'rectangle') = Fujin::Manoeuvres::Figures::PlannedFigure.new(plan(id))

  def plan(id) =
    Fujin::Catalogue.find(id).plan(
      conditions(wind: Fujin::Wind.parse('320/12')),
      Fujin::Planning::HouseMethod.new,
      course_deg: 350.0
    )

  def corners(id) = [[0.0, 0.0], *plan(id).path.map { |p| [p.along_ft, p.across_ft] }]

  # Against a search along the line foot by foot.
  %w[rectangle turns_across_a_line].each do |id|
    define_method("test_the_nearest_place_of_a_#{id}_is_the_nearest_there_is") do
      line =
        corners(id)
          .each_cons(2)
          .flat_map { |a, b| (0..40).map { |k| a.zip(b).map { |p, q| p + ((q - p) * k / 40.0) } } }
      random = Random.new(3)
      30.times do
        place = [random.rand(-3000.0..6000.0), random.rand(-4000.0..4000.0)]
        searched = line.map { |p| Math.hypot(p[0] - place[0], p[1] - place[1]) }.min

        assert_operator figure(id).nearest(*place).beside_ft, :<=, searched + 1e-6
        assert_in_delta searched, figure(id).nearest(*place).beside_ft, 60.0
      end
    end
  end

  def test_a_place_on_the_line_is_none_beside_it_and_its_way_grows_along_it
    points = corners('rectangle')
    ways = points.first(points.size / 2).map { |p| figure.nearest(*p) }

    ways.each { |place| assert_in_delta 0.0, place.beside_ft, 1e-6 }
    assert_equal ways.map(&:way_ft).sort, ways.map(&:way_ft)
  end

  def test_parts_follow_each_other_and_cover_the_whole_line
    parts = figure.parts

    parts.each_cons(2) { |a, b| assert_in_delta a.to_ft, b.from_ft, 1e-6 }
    assert_in_delta figure.length_ft, parts.last.to_ft, 1e-6
  end

  # A flight at 65 kt that turns with 30° of bank at the rate that goes with it, by a list of [seconds, side], level
  # for five seconds between.
  def turning(*turns, bank: 30.0, roll: true)
    rate = Q::G * Math.tan(bank * Q::DEG) / (65.0 * Q::KT) / Q::DEG
    legs = [[10.0, 0.0], *turns.flat_map { |seconds, side| [[seconds, side], [5.0, 0.0]] }, [10.0, 0.0]]
    heading =
      ->(t) do
        legs
          .inject([350.0, t]) do |(deg, left), (seconds, side)|
            [deg + (side * rate * left.clamp(0.0, seconds)), [left - seconds, 0.0].max]
          end
          .first % 360.0
      end
    banked =
      ->(t) do
        ends = legs.map(&:first).inject([]) { |sums, s| sums << (s + (sums.last || 0.0)) }
        legs[ends.index { |e| t < e } || -1][1] * bank
      end
    columns = roll ? WrittenFlight::STILL.keys : WrittenFlight::STILL.keys - ['roll_deg']
    [
      WrittenFlight.new(legs.sum(&:first), columns: columns) do |t|
        {
          'agl_ft' => 900.0,
          'gs_kt' => 65.0,
          'ias_kt' => 65.0,
          'hdg_deg' => heading.call(t),
          'track_deg' => heading.call(t),
          'roll_deg' => banked.call(t)
        }
      end,
      rate
    ]
  end

  def turns(flight) = Fujin::Grading::Turns.new(signals(flight), context)

  { 'right' => 1.0, 'left' => -1.0 }.each do |side, sign|
    define_method("test_a_turn_to_the_#{side}_by_how_far_and_when") do
      flight, rate = turning([12.0, sign])
      found, = turns(flight).find(0.0, 37.0)

      assert_in_delta sign * 12.0 * rate, found.turned_deg, 5.0
      assert_in_delta 10.0, found.start_s, 1.0
      assert_in_delta 22.0, found.end_s, 1.2
      refute found.estimated
    end
  end

  # Without a bank, by what the track's rate asks for: found alike, and said to be estimated.
  def test_a_turn_without_a_roll_column
    flight, rate = turning([12.0, 1.0], roll: false)
    found, = turns(flight).find(0.0, 37.0)

    assert_in_delta 12.0 * rate, found.turned_deg, 10.0
    assert found.estimated
  end

  def test_a_correction_is_no_turn
    flight, = turning([2.0, 1.0])

    assert_empty turns(flight).find(0.0, 27.0)
  end

  def test_one_way_and_back_is_an_s_and_round_the_same_way_is_none
    s, = turning([5.0, -1.0], [10.0, 1.0], [5.0, -1.0])
    circle, = turning([8.0, 1.0], [8.0, 1.0])
    half, = turning([4.0, -1.0], [12.0, 1.0])

    assert_equal([-1, 1, -1], turns(s).s_turn(0.0, 50.0).map { |turn| turn.turned_deg <=> 0 })
    assert_empty turns(circle).s_turn(0.0, 46.0)
    assert_empty turns(half).s_turn(0.0, 46.0), 'what does not come back to its course is no S'
  end

  def flown_turn(flight, seconds, planned = {}, course_deg: 350.0)
    phase = Fujin::Grading::Phase.new(id: 'turn', start_s: 10.0, end_s: seconds)
    attempt =
      Fujin::Grading::Attempt.new(
        manoeuvre: 'turning_autorotation',
        start_s: 10.0,
        end_s: seconds,
        phases: [phase],
        events: {}
      )
    Fujin::Manoeuvres::Autorotation::FlownTurn.settings(signals(flight), context, attempt, planned, course_deg)
  end

  # The final course is where the turn ended: a half turn is told as a half turn, whichever way.
  def test_a_flown_turn_as_settings_of_its_plan
    flight, rate = turning([180.0 / 10.0, -1.0], bank: 18.5)
    course = (350.0 - (18.0 * rate)) % 360.0
    found = flown_turn(flight, 28.0, course_deg: course)

    assert_equal 'left', found['turn_side']
    assert_in_delta 18.0 * rate, found['turn_deg'], 2.0
    assert_in_delta 18.5, found['bank_deg'], 0.6
  end

  def test_more_than_half_way_round_is_more_than_half_way_round
    flight, rate = turning([29.0, 1.0])
    turned = 29.0 * rate

    assert_operator turned, :>, 270.0
    assert_in_delta turned, flown_turn(flight, 39.0, course_deg: (350.0 + turned) % 360.0)['turn_deg'], 4.0
  end

  def test_what_the_sortie_planned_is_what_was_asked_for
    flight, = turning([12.0, 1.0])

    assert_equal 180, flown_turn(flight, 22.0, { 'turn_deg' => 180 })['turn_deg']
  end

  def test_no_turn_is_no_setting
    flight, = turning([1.0, 1.0])

    assert_empty flown_turn(flight, 22.0)
  end

  # The sides of the wind triangle, for any wind and track: the drift that was flown gives the wind back.
  def test_the_wind_of_a_drift
    random = Random.new(11)
    100.times do
      wind = Fujin::Wind.new(from_deg: random.rand(0.0..360.0), speed_kt: random.rand(1.0..30.0))
      track = random.rand(0.0..360.0)
      ground = wind.groundspeed_kt(track, 70.0)
      heading = track + wind.drift_angle_deg(track, 70.0)
      found = Fujin::Wind.from_drift(heading_deg: heading, airspeed_kt: 70.0, track_deg: track, groundspeed_kt: ground)

      assert_in_delta wind.speed_kt, found.speed_kt, 1e-6
      assert_in_delta 0.0, Q.wrap_deg(found.from_deg - wind.from_deg), 1e-4
    end
  end
end
