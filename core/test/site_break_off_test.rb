# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Where a go-around is still possible: flown by the model, and held to simple mechanics.
class SiteBreakOffTest < Minitest::Test
  include SiteHelp

  FT = 0.3048
  Confined = Fujin::Manoeuvres::Confined

  def flown(*features, wind: '360/10', **rest)
    found = site(ground, spot, approach, *features)
    Confined::FlownApproach.new(found.approaches[0], day(found, wind, **rest))
  end

  # With nothing in the way a go-around is possible from the hover itself; the gate stands where 20 kt are left.
  def test_with_nothing_ahead_it_is_possible_anywhere
    found = flown

    assert_equal 'anywhere', found.break_off.last_m
    assert_in_delta 20.0, found.at(found.break_off.gate_m, :ias_kt), 1.0
  end

  # With more wind than that on the nose there always is that airspeed: it is decided at the spot itself.
  def test_in_a_strong_wind_with_nothing_ahead_it_is_decided_at_the_spot
    off = flown(wind: '360/22').break_off

    assert_equal 'anywhere', off.last_m
    assert_in_delta 0.0, off.gate_m
  end

  # A wall higher than the approach begins: nowhere.
  def test_in_front_of_what_is_higher_than_the_start_it_is_possible_nowhere
    found = flown(wood(60, 80, -60, 60, 1500))

    assert_equal 'nowhere', found.break_off.last_m
    assert_equal 'nowhere', found.break_off.gate_m
  end

  # From the last point everything is cleared by what is kept, a second later nothing like it: the search ended there.
  def test_the_last_point_is_the_last
    found = flown(wood(60, 80, -60, 60, 90))
    last = found.break_off.last_m

    assert_kind_of Float, last
    assert found.break_off.clears?(last)
    refute found.break_off.clears?(last - 25.0)
    over = found.break_off.away_from(last).min_by { |point| (point.along_m - 60.0).abs }

    assert_operator over.height_m / FT, :>=, 91 + 20 - 8
  end

  # Not every point of the search is flown: those well over everything go by the lowest of them. Flown one by one, each
  # farther out than the last possible clears, for low and high tops, near and far, ahead and beneath.
  def test_what_the_search_passes_over_does_clear
    [wood(60, 80, -60, 60, 90), wood(300, 340, -60, 60, 200), wood(-200, -180, -60, 60, 60)].each do |wood|
      found = flown(wood)
      last = found.break_off.last_m
      last = 0.0 if last == 'anywhere'

      (last.ceil..found.start_m.floor).step(25).each do |metres|
        assert found.break_off.clears?(metres.to_f), "#{metres} m out, last #{last}"
      end
    end
  end

  # Whatever stands beyond the spot is passed over by 20 ft, a wire too. Its top may be a foot higher.
  def test_a_go_around_keeps_twenty_feet_over_what_stands_beyond
    outcomes = [120, 160, 200].flat_map do |top_ft|
      found = flown(wire([150, -80], [150, 80], top_ft))
      (0..100).step(10).map do |metres|
        over_ft = over(found.break_off.away_from(metres.to_f), 150.0, top_ft + 1.0)
        next if over_ft.nil? || (over_ft - 20.0).abs < 4.0

        found.break_off.clears?(metres.to_f).tap { |clear| assert_equal over_ft >= 20.0, clear, "#{top_ft} ft" }
      end
    end

    assert_equal 2, outcomes.compact.uniq.size, 'some do and some do not'
  end

  # Feet by which a go-around passes over a top; nil when it began behind it, or strikes the ground.
  def over(points, at, top_ft)
    after = points.index { |point| point.along_m >= at }
    return nil if after.nil? || after.zero? || points.any? { |point| point.height_m <= 0.0 }

    (points[after].height_m / FT) - top_ft
  end

  # The gate is two seconds of flight before the last point, or 20 ft over the highest top, whichever is farther out.
  def test_the_gate_keeps_two_seconds_and_twenty_feet_in_hand
    found = flown(wood(60, 80, -60, 60, 90))
    gate = found.break_off.gate_m
    two_seconds = found.break_off.last_m + (found.at(found.break_off.last_m, :groundspeed_kt) * 1852 / 3600 * 2)

    assert_operator gate, :>=, two_seconds - 0.1
    assert_operator found.plan_height_m(gate) / FT, :>=, 91 + 20 - 1
  end

  def test_higher_things_ahead_and_less_power_bring_it_out
    distance = ->(*features, **rest) { flown(*features, **rest).break_off.last_m }
    usual = distance.call(wood(60, 80, -60, 60, 90))

    assert_operator distance.call(wood(60, 80, -60, 60, 120)), :>, usual
    assert_operator distance.call(wood(60, 80, -60, 60, 90), k: 1.08), :>=, usual
    assert_operator distance.call(wood(60, 80, -60, 60, 90), people: 'solo'), :<=, usual
  end

  # The climb away: rotor rpm not let under 98 %, the nose never lower than ten degrees, and in the end the steady climb
  # that the power gives at that speed, from the trim.
  def test_the_climb_away_ends_in_the_steady_climb
    today = day(site(ground, spot, approach))
    away = Confined::ClimbAway.new(today.conditions, speed_kt: 50.0, headwind: ->(_, _) { 0.0 })
    points = away.fly(Confined::ClimbAway::State.new(along_m: 0.0, height_m: 60.0, ias_kt: 35.0, sink_m_s: 3.0)) { false }
    steady = today.performance.climb_m_s(50.0)

    assert_in_delta 50.0, points.last.ias_kt, 1.0
    assert_in_delta steady, points.last.climb_m_s, 0.2 * steady
    assert_operator points.map(&:rotor_pct).min, :>=, 97.9
    lost = (60.0 - points.map(&:height_m).min) / FT

    assert_in_delta 15.0, lost, 12.0, 'a second and a half of 3 m/s, arrested'
  end

  # The same flown with a fifth of the step ends within a metre.
  def test_the_steps_are_short_enough
    today = day(site(ground, spot, approach))
    state = Confined::ClimbAway::State.new(along_m: 0.0, height_m: 60.0, ias_kt: 40.0, sink_m_s: 3.5)
    usual, fine = [Confined::ClimbAway::STEP_S, 0.02].map do |step|
      Confined::ClimbAway.new(today.conditions, speed_kt: 45.0, headwind: ->(_, _) { 8.0 }, step_s: step)
        .fly(state) { |point| point.t_s > 9.95 }.last
    end

    assert_in_delta fine.height_m, usual.height_m, 1.0
    assert_in_delta fine.along_m, usual.along_m, 1.0
  end

  # Round a bend to the side instead of straight on over a wood: an escape makes possible what was not.
  def test_an_escape_leads_round
    tall = wood(60, 80, -60, 60, 300)
    escape = feature('escape', 'LineString', line([-150, 0], [0, 200], [200, 500]), id: 'away', line: 'in')

    assert_operator(flown(tall, escape).break_off.then { |off| off.last_m == 'anywhere' ? 0.0 : off.last_m }, :<,
                    flown(tall).break_off.then { |off| off.last_m == 'nowhere' ? 1e9 : off.last_m })
  end
end
