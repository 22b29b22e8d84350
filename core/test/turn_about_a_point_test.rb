# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# A turn about a point, flown in closed form over the ground in a wind: found against the planned figure, measured,
# explained.
class TurnAboutAPointTest < Minitest::Test
  WIND = '350/12'
  AIR_KT = 70.0

  def day = conditions(wind: Fujin::Wind.parse(WIND))

  def planned_ft =
    @planned_ft ||=
      Fujin::Catalogue.find('turn_about_a_point').plan(day, Fujin::Planning::HouseMethod.new).value('turn_radius_ft')

  # Straight in, `turns` times round to the left, straight out. `spiral` is how much the radius changes each turn, ft.
  def csv(turns: 1.25, radius_ft: planned_ft, spiral: 0.0, noise: 1.0, seed: 1)
    random = Random.new(seed)
    gauss = -> { noise * Math.sqrt(-2.0 * Math.log(1.0 - random.rand)) * Math.cos(2.0 * Math::PI * random.rand) }
    wind_north, wind_east = day.wind.vector
    angle = 90.0 * Q::DEG
    north = radius_ft * Q::FT * Math.cos(angle)
    east = radius_ft * Q::FT * Math.sin(angle)
    course = 0.0
    gone = 0.0
    rows =
      (0..1800).map do |i|
        radius = (radius_ft + (spiral * gone)) * Q::FT
        turning = i >= 300 && gone < turns
        bearing = Math.atan2(east, north)
        course = bearing - (Math::PI / 2.0) if turning
        ground = ground_speed(course, wind_north, wind_east)
        bank = turning ? -Math.atan(ground * ground / (Q::G * radius)) / Q::DEG : 0.0
        row = [
          i * 0.1,
          47.2104 + ((north + gauss.call) / 111_180.0),
          -14.332 + ((east + gauss.call) / 75_532.0),
          600.0 + gauss.call,
          (ground / Q::KT) + (0.4 * gauss.call),
          (course / Q::DEG) % 360.0,
          (course / Q::DEG) % 360.0,
          AIR_KT + gauss.call,
          0.0,
          bank + (0.4 * gauss.call),
          100.0, 45.0, 20.0, 80.0
        ]
        if turning
          step = ground * 0.1 / radius
          gone += step / (2.0 * Math::PI)
          north = (radius_ft + (spiral * gone)) * Q::FT * Math.cos(bearing - step)
          east = (radius_ft + (spiral * gone)) * Q::FT * Math.sin(bearing - step)
        elsif i < 300
          # On the tangent, due to arrive abeam at 30 s.
          north = radius_ft * Q::FT * Math.cos(angle)
          north += (300 - i - 1) * 0.1 * ground
        else
          north += ground * 0.1 * Math.cos(course)
          east += ground * 0.1 * Math.sin(course)
        end
        row.map { |v| v.round(7) }
      end
    't_s,lat_deg,lon_deg,agl_ft,gs_kt,track_deg,hdg_deg,ias_kt,vs_fpm,roll_deg,nr_pct,collective_pct,map_inhg,throttl' \
      "e_pct\n#{rows.map { |row| row.join(',') }.join("\n")}\n"
  end

  # Ground speed along a track at the airspeed, m/s.
  def ground_speed(track, north, east)
    along = (north * Math.cos(track)) + (east * Math.sin(track))
    across = (east * Math.cos(track)) - (north * Math.sin(track))
    Math.sqrt(((AIR_KT * Q::KT)**2) - (across**2)) + along
  end

  def found(text, exercise: 'turn_about_a_point')
    signals = signals_of(text, day)
    context = Fujin::Lessons.context(conditions: day, spot: SPOT, wind: day.wind, planned: true, exercise: exercise)
    Fujin::Grading::Grader.new(signals, context).proposals.select { |p| p.attempt.manoeuvre == 'turn_about_a_point' }
  end

  def one(...) = found(csv(...)).then { |all| all.size == 1 ? all.first : flunk("#{all.size} found") }

  # Round and round at the planned radius in no wind, so slow over the ground.
  def circled(kt)
    seconds = 2.0 * Math::PI * planned_ft / (kt * WrittenFlight::FT_S)
    WrittenFlight.new((2.2 * seconds).round) do |t|
      angle = 360.0 * t / seconds
      { 'north_ft' => planned_ft * Math.cos(angle * Q::DEG), 'east_ft' => planned_ft * Math.sin(angle * Q::DEG),
        'track_deg' => (angle + 90.0) % 360.0, 'hdg_deg' => (angle + 90.0) % 360.0, 'agl_ft' => 600.0, 'gs_kt' => kt,
        'ias_kt' => kt, 'roll_deg' => 5.0 }
    end.csv
  end

  # Slower than 25 kt it is flown round by a hover.
  def test_how_slow_a_turn_may_be
    assert_equal([0, 1], [24.0, 26.0].map { |kt| [found(circled(kt)).size, 1].min })
  end

  def value(proposal, id) = proposal.measures.fetch(id).value

  def test_a_good_turn_by_its_figure
    turn = one

    assert_in_delta 30.0, turn.attempt.start_s, 1.5
    assert_in_delta planned_ft, value(turn, 'turn_radius_mean_ft'), 12
    assert_operator value(turn, 'turn_radius_max_off_ft'), :<, 25
    assert_in_delta 0.0, value(turn, 'spiral_ft'), 12
    assert_operator value(turn, 'turn_height_max_off_ft'), :<, 5
    assert_operator value(turn, 'turn_bank_off_deg'), :<, 2.0
    assert_empty turn.faults
  end

  # Steepest downwind: the ground speed there, at this radius.
  def test_the_steepest_bank_is_the_downwind_one
    fastest = (AIR_KT + 12.0) * Q::KT

    assert_in_delta Math.atan(fastest * fastest / (Q::G * planned_ft * Q::FT)) / Q::DEG,
                    value(one, 'turn_bank_max_deg'),
                    2.0
  end

  def test_a_spiral_inwards_is_named_with_how_much
    turn = one(spiral: -220.0, turns: 1.5)

    assert_in_delta(-220.0, value(turn, 'spiral_ft'), 25)
    assert_equal 'spirals_in', turn.first_fault.id
    assert_match(/2[0-4]\d ft a turn/, turn.first_fault.evidence)
    refute_includes one(spiral: 220.0, turns: 1.5).faults.map(&:id), 'spirals_in'
  end

  def test_another_radius_is_off_the_figure
    turn = one(radius_ft: planned_ft * 1.5)

    assert_equal ['drifted_off_track'], turn.faults.map(&:id)
    assert_in_delta planned_ft * 0.5, value(turn, 'turn_radius_max_off_ft'), 30
  end

  # From 330 degrees round it is one; nearer than 0.4 of the planned radius or beyond 1.8 it is no turn about the point.
  def test_how_far_round_and_how_near
    { 0.88 => 0, 0.95 => 1 }.each do |turns, count|
      assert_equal count, found(csv(turns: turns, noise: 0.0)).size, "#{turns} times round"
    end
    { 0.36 => 0, 0.44 => 1, 1.75 => 1, 1.86 => 0 }.each do |share, count|
      assert_equal count, found(csv(radius_ft: planned_ft * share, noise: 0.0)).size, "#{share} of the radius"
    end
  end

  def test_only_against_a_planned_figure_and_only_all_the_way_round
    assert_empty found(csv, exercise: 'straight_in_autorotation')
    assert_empty found(csv, exercise: nil)
    assert_empty found(csv(turns: 0.6))
  end
end
