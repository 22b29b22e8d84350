# frozen_string_literal: true

require_relative 'test_helper'

# Turns, recoveries from no airspeed, hovering autorotations and the air itself, against their
# reference values (docs/reference/flight-model.md).
class ManoeuvreFlightTest < Minitest::Test
  TURNS = {
    'tansy-2' => {
      20 => [719, 804],
      30 => [487, 580],
      45 => [345, 453]
    },
    'bracken-2' => {
      20 => [766, 853],
      30 => [516, 614],
      45 => [361, 475]
    },
    'yarrow-4' => {
      20 => [794, 878],
      30 => [534, 633],
      45 => [372, 491]
    }
  }.freeze
  RADII_M = { 20 => 267, 30 => 168, 45 => 97 }.freeze
  # Seconds and ft/min with the collective left alone; ft/min of the best cushion.
  HOVERING = { 'tansy-2' => [1.42, 505, 266], 'bracken-2' => [1.70, 415, 37], 'yarrow-4' => [1.74, 402, 80] }.freeze

  def turn(id, bank, degrees = 180) =
    Fujin::Manoeuvres::Autorotation::SteadyTurn.of(trim(id), speed_kt: 60, turn_deg: degrees, bank_deg: bank.to_f).fly

  TURNS.each do |id, table|
    define_method("test_half_turns_of_#{id}") do
      table.each do |bank, (steady, rolled)|
        found = turn(id, bank)

        assert_within steady, found.steady_height_lost_m / Q::FT, 1, "#{id} #{bank}°"
        assert_within rolled, found.height_lost_m / Q::FT, 3, "#{id} #{bank}° with roll"
        assert_in_delta RADII_M[bank], found.radius_m, 1
        assert_in_delta 180, found.rows.last.heading_rad / Q::DEG, 1
      end
    end
  end

  def test_a_left_turn_mirrors_a_right_turn
    left = turn('tansy-2', 30, -90).rows.last
    right = turn('tansy-2', 30, 90).rows.last

    assert_in_delta right[1], left[1], 1e-9
    assert_in_delta right[2], -left[2], 1e-9
  end

  def test_more_bank_is_less_height_a_half_turn_to_a_point
    heights = [15, 20, 30, 40].map { |bank| turn('bracken-2', bank).height_lost_m }

    assert_equal heights.sort.reverse, heights
  end

  %w[tansy-2 bracken-2 yarrow-4].each do |id|
    define_method("test_from_no_airspeed_to_sixty_of_#{id}") do
      found = Fujin::Flight::SpeedRecovery.new(conditions(id), to_kt: 60.0).run

      assert_operator found.height_lost_m / Q::FT, :>, 565 * 0.96
      assert_operator found.height_lost_m / Q::FT, :<, 600 * 1.04
      assert_operator found.reached_s, :>, 13.4 * 0.96
      assert_operator found.reached_s, :<, 15.2 * 1.04
      assert_operator found.least_load_factor, :>, 0.8
    end
  end

  HOVERING.each do |id, (seconds, sink, best)|
    define_method("test_hovering_autorotation_of_#{id}") do
      found = Fujin::Manoeuvres::HoveringAutorotation::CushionedFall.new(conditions(id))

      assert_in_delta seconds, found.fixed_collective.time_s, 0.03
      assert_within sink, found.fixed_collective.sink_m_s / Q::FPM, 3
      assert_operator found.best_cushion.sink_m_s / Q::FPM, :<, best + 10
      assert_operator found.best_cushion.time_s, :>, found.fixed_collective.time_s
    end
  end

  def test_a_lighter_aircraft_cushions_softer
    dual = Fujin::Manoeuvres::HoveringAutorotation::CushionedFall.new(conditions('tansy-2')).best_cushion
    solo =
      Fujin::Manoeuvres::HoveringAutorotation::CushionedFall.new(conditions('tansy-2', people: 'solo')).best_cushion

    assert_operator solo.sink_m_s, :<, dual.sink_m_s
  end

  def air(text, **options) = Fujin::Flight::WindField.new(Fujin::Wind.parse(text), **options)

  def test_wind_grows_with_height_by_its_power_law_and_stops_growing
    field = air('270/10', exponent: 0.14)
    at = ->(metres) { field.call(metres, 0.0)[1] }

    assert_in_delta 10 * Q::KT, at.call(10.0), 1e-9
    assert_in_delta 10 * Q::KT * (5.0**0.14), at.call(50.0), 1e-9
    assert_in_delta at.call(150.0), at.call(600.0), 1e-9
    assert_in_delta air('270/10').call(3.0, 0.0)[1], air('270/10').call(100.0, 0.0)[1], 1e-9
  end

  def test_gusts_are_the_same_air_for_the_same_seed_and_as_strong_as_reported
    one = air('350/10G20', seed: 7)
    again = air('350/10G20', seed: 7)
    other = air('350/10G20', seed: 8)
    speeds = (0..1190).map { |i| one.call(20.0, i * 0.5) }

    assert_equal one.call(20.0, 33.3), again.call(20.0, 33.3)
    refute_equal one.call(20.0, 33.3), other.call(20.0, 33.3)
    along = speeds.map { |north, east| Fujin::LocalMap.along_across(-north, -east, 350.0)[0] / Q::KT }
    mean = along.sum / along.size
    spread = Math.sqrt(along.sum { |v| (v - mean)**2 } / along.size)

    assert_in_delta 10, mean, 1.5
    assert_in_delta 10 / Fujin::Flight::WindField::GUST_SIGMAS, spread, 1.2
  end

  def test_gusts_change_little_from_one_moment_to_the_next
    field = air('350/10G25')
    steps =
      (0..500).map { |i| field.call(20.0, i * 0.1) }.each_cons(2).map { |a, b| Math.hypot(a[0] - b[0], a[1] - b[1]) }

    assert_operator steps.max, :<, 1.5
  end

  ['350/8', '350/10G20', '300/15G25'].each do |text|
    define_method("test_energy_balances_in_wind_#{text.tr('/', '_')}") do
      run =
        Fujin::Manoeuvres::Autorotation::WholeFlight.new(
          conditions(wind: Fujin::Wind.parse(text)),
          house: Fujin::Planning::HouseMethod.new('ending' => 'touchdown'),
          course_deg: 350.0,
          shear: 0.14
        ).run

      assert_operator run.energy_residual.abs, :<, 0.001
      refute_nil run.contact
    end
  end

  def test_an_account_that_does_not_balance_is_not_believed
    day = conditions
    model =
      Fujin::Flight::Model.new(
        type: day.type,
        mass_kg: day.mass_kg,
        atmosphere: day.atmosphere,
        wind: ->(_h, _t) { [0.0, 0.0] }
      )
    model.start(height_m: 300.0, speed_kt: 60.0, course_rad: 0.0)
    model.velocity[0] += 3.0

    assert_includes assert_raises(Fujin::OutsideModel) { model.check_energy }.message, 'out by'
  end

  # Of what it began with a thousandth may be out: 500 J put in, 300 lost, and so much left.
  def test_a_thousandth_may_be_out_of_the_account
    account = Fujin::Flight::EnergyAccount.new
    account.open(10_000.0)
    account.supply(500.0)
    account.lose(300.0)
    [10_209.0, 10_191.0].each { |left| account.check(left) }
    [10_211.0, 10_189.0].each { |left| assert_raises(Fujin::OutsideModel) { account.check(left) } }
  end

  # Every run that a plan rests on has its account looked at: hovering falls, rotor decay, low rotor rpm.
  %w[hovering_autorotation low_rotor_rpm_recovery].each do |manoeuvre|
    define_method("test_#{manoeuvre}_is_not_planned_on_a_run_that_does_not_balance") do
      tolerance = Fujin::Flight::EnergyAccount::TOLERANCE
      Fujin::Flight::EnergyAccount.send(:remove_const, :TOLERANCE)
      Fujin::Flight::EnergyAccount.const_set(:TOLERANCE, -1.0)
      plan = -> { Fujin::Catalogue.find(manoeuvre).plan(conditions(mass_kg: 523.0), Fujin::Planning::HouseMethod.new) }

      assert_includes assert_raises(Fujin::OutsideModel, &plan).message, 'energy account'
    ensure
      Fujin::Flight::EnergyAccount.send(:remove_const, :TOLERANCE)
      Fujin::Flight::EnergyAccount.const_set(:TOLERANCE, tolerance)
    end
  end
end
