# frozen_string_literal: true

require_relative 'test_helper'

# What acts on an aircraft, against the first law, steady flight worked out another way, and turning the compass.
class ForcesTest < Minitest::Test
  ALL = %w[tansy-2 bracken-2 yarrow-4 sorrel-g].freeze
  CALM = ->(_height_m, _time_s) { [0.0, 0.0] }
  AIR = Fujin::Atmosphere.new

  def rotor_of(type) = Fujin::Flight::SteadyTrim.new(type, type.mass_kg('dual'), AIR).rotor

  def forces(type, wind: CALM)
    Fujin::Flight::Forces.new(type: type, mass_kg: type.mass_kg('dual').to_f, density: AIR.density,
                              rotor: rotor_of(type), propeller: Fujin::Flight::Propeller.of(type, AIR), wind: wind)
  end

  # Any state at all: what an aircraft has of energy changes by what the engine brings less what the air takes.
  def test_energy_changes_by_what_is_brought_in_less_what_is_lost
    chance = Random.new(7)
    (ALL * 25).each do |id|
      type = type(id)
      rotor = rotor_of(type)
      velocity = [chance.rand(-10.0..45.0), chance.rand(-12.0..12.0), chance.rand(-14.0..6.0)]
      speed = rotor.normal_speed * chance.rand(0.88..1.1)
      acting = forces(type)
      held = acting.held(0.0, collective: chance.rand(rotor.collective_min..rotor.collective_max),
                              power_w: chance.rand(0.0..90_000.0), heading: chance.rand(-3.0..3.0),
                              disc_pitch: chance.rand(-0.3..0.3), bank: chance.rand(-0.6..0.6))
      rates = acting.rates(held, chance.rand(1.0..300.0), velocity, speed, chance.rand(0.5..12.0))
      mass = type.mass_kg('dual')
      lifted = Fujin::Quantities::G * velocity[2]
      gained = (mass * (lifted + velocity.zip(rates.acceleration).sum { |v, a| v * a })) +
        (rotor.inertia * speed * rates.spin)

      assert_in_delta rates.drive_w - rates.loss_w, gained, 1e-6 * (rates.loss_w.abs + rates.drive_w.abs + 1.0), id
    end
  end

  # The steady trim is found by another way: there nothing changes.
  def test_nothing_changes_in_steady_flight
    %w[tansy-2 bracken-2 yarrow-4].product([[0.0, 0.0], [60.0, 0.0], [60.0, 7.6]]).each do |id, (speed_kt, sink_m_s)|
      type = type(id)
      trim = Fujin::Flight::SteadyTrim.new(type, type.mass_kg('dual'), AIR)
      point = trim.at(speed_kt, sink_m_s)
      acting = forces(type)
      held = acting.held(0.0, collective: point.collective_rad, power_w: point.engine_power_w, heading: 0.0,
                              disc_pitch: point.disc_pitch_rad, bank: 0.0)
      velocity = [speed_kt * Fujin::Quantities::KT, 0.0, -sink_m_s]
      rates = acting.rates(held, 900.0, velocity, trim.rotor.normal_speed, point.induced_m_s)

      rates.acceleration.each { |axis| assert_in_delta 0.0, axis, 0.02, "#{id} #{speed_kt} kt" }
      assert_in_delta 0.0, rates.spin / trim.rotor.normal_speed, 0.002, "#{id} #{speed_kt} kt"
    end
  end

  # Nose east and the disc tilted back, then nose north and the disc to the right: by hand.
  def test_nose_and_disc_point_where_they_are_turned
    held = forces(type).held(0.0, collective: 0.1, power_w: 0.0, heading: Math::PI / 2, disc_pitch: 0.2, bank: 0.0)

    [0.0, 1.0].zip(held.nose) { |wanted, axis| assert_in_delta wanted, axis, 1e-12 }
    [0.0, -Math.sin(0.2), Math.cos(0.2)].zip(held.normal) { |wanted, axis| assert_in_delta wanted, axis, 1e-12 }
    level = forces(type).held(0.0, collective: 0.1, power_w: 0.0, heading: 0.0, disc_pitch: 0.0, bank: 0.3)

    [0.0, Math.sin(0.3), Math.cos(0.3)].zip(level.normal) { |wanted, axis| assert_in_delta wanted, axis, 1e-12 }
  end

  # A wind is nothing but another speed of the air: blown along with it, an aircraft feels none.
  def test_a_wind_carries_everything_along
    type = type('bracken-2')
    rotor = rotor_of(type)
    state = { collective: 0.12, power_w: 50_000.0, heading: 0.4, disc_pitch: -0.05, bank: 0.1 }
    rates = ->(acting, velocity) { acting.rates(acting.held(0.0, **state), 200.0, velocity, rotor.normal_speed, 3.0) }
    calm = rates.call(forces(type), [25.0, 3.0, -4.0])
    blown = rates.call(forces(type, wind: ->(_height_m, _time_s) { [5.0, -7.0] }), [30.0, -4.0, -4.0])

    calm.acceleration.zip(blown.acceleration) { |still, carried| assert_in_delta still, carried, 1e-9 }
    assert_in_delta calm.spin, blown.spin, 1e-12
    assert_in_delta calm.loss_w, blown.loss_w, 1e-6
  end
end
