# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'
require_relative '../../test/by_lot'

# The flight model asked about states drawn by lot: steady flight, the rotor in every state of its inflow, engines,
# gusts, the run-down and the recovery of speed, of every type and in any air.
class KeptTrimsTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_what_/)

  Flight = Fujin::Flight
  STATES = 12

  Fujin::Aircraft::Library.all.each do |type|
    define_method("test_what_the_model_says_of_#{type.id.tr('-', '_')}") do
      random = Random.new(type.id.sum)
      found = Array.new(STATES) { |i| ["state #{i}", answers(type, random)] }.to_h

      assert_empty Kept.differences("trims_#{type.id}", found)
    end
  end

  private

  def answers(type, random)
    day = drawn(type, random)
    parts = { steady: steady(day, random), rotor: rotor(day.trim.rotor, random), engine: engine(day, random),
              gusts: gusts(day.wind, random) }
    parts.merge!(type.helicopter? ? helicopter(day, random) : gyroplane(day, random))
    Kept.sums(parts)
  end

  def drawn(type, random)
    speed = random.rand(2..20)
    Fujin::Planning::Conditions.build(
      type: type, people: %w[solo dual].sample(random: random), oat_c: random.rand(-15.0..38.0).round,
      elevation_ft: random.rand(0..5000).to_f, wind: Fujin::Wind.parse("#{random.rand(360)}/#{speed}G#{speed + 9}")
    )
  end

  def asked(&) = Kept.asked(&)

  def steady(day, random)
    trim = day.trim
    kt = random.rand(0.0..95.0)
    pct = random.rand(92.0..108.0)
    bank = random.rand(0.0..40.0)
    [asked { trim.at(kt, random.rand(-6.0..22.0), rotor_pct: pct, bank_deg: bank).to_h },
     asked { trim.at(kt, 0.0, height_m: random.rand(0.3..30.0)).to_h },
     asked { trim.vortex_ring_sinks_m_s(random.rand(0.0..14.0)) },
     asked { trim.floor_rotor_rpm_pct(kt, bank_deg: bank) }]
  end

  # From the windmill's state through the vortex ring into a climb, pushed down and stalled.
  def rotor(rotor, random)
    thrust = random.rand(3000.0..16_000.0)
    hover = rotor.hover_induced_velocity(thrust)
    climb = hover * random.rand(-3.5..1.5)
    edge = hover * random.rand(0.0..2.5)
    mu = random.rand(0.0..0.35)
    loading = random.rand(-0.06..0.2)
    limited = rotor.limited(loading, mu)
    [rotor.steady_inflow(climb, edge, thrust), limited, rotor.ring_strength(climb / hover, edge / hover),
     rotor.inflow_rate(random.rand(-0.2..9.0), climb, edge, edge.abs, thrust, hover * random.rand(0.1..1.8)),
     rotor.inflow_rate(2.0, 0.0, 0.0, 0.0, 0.5, 3.0), rotor.ring_thrust(limited, rotor.normal_speed, climb, edge),
     rotor.profile_power(rotor.normal_speed * 0.96, mu, limited, loading),
     rotor.ground_factor(random.rand(0.0..8.0), random.rand(0.0..20.0), random.rand(0.0..9.0))]
  end

  # Shut, opened again behind the rotor, joined to it, governed through a droop, pushed.
  def engine(day, random)
    engine = Flight::Engine.new(day.type, day.atmosphere)
    running = Flight::RunningEngine.new(engine)
    running.start(engine.max_power_w * random.rand(0.3..0.9), fraction: 1.0, collective_share: random.rand(0.2..0.7))
    told = Array.new(160) do |i|
      droop = 1.0 + (0.06 * Math.sin(i / 9.0))
      running.drive(!i.between?(20, 60), droop, 0.3 + (0.3 * Math.cos(i / 17.0)), 0.05)
      [running.power_w / 1000.0, running.fraction]
    end
    running.push(random.rand(0.2..1.0), 0.1)
    shown = engine.instrument(engine.max_power_w * random.rand, random.rand(0.1..1.1))
    [told.each_slice(8).map(&:last), running.power_w, running.fraction, shown,
     engine.power_of(shown, random.rand(0.1..1.1))]
  end

  def gusts(wind, random)
    field = Flight::WindField.new(wind, exponent: 0.14, seed: random.rand(1000))
    Array.new(12) { field.call(random.rand(0.0..300.0), random.rand(0.0..700.0)) }
  end

  def helicopter(day, random)
    kt = random.rand(40.0..80.0)
    pct = random.rand(94.0..106.0)
    { glide: [asked { day.trim.autorotation_sink_m_s(kt, rotor_pct: pct, bank_deg: random.rand(0.0..40.0)) },
              asked { day.trim.minimum_sink(rotor_pct: pct) },
              asked { day.trim.best_glide(rotor_pct: pct, headwind_kt: random.rand(-10.0..25.0)) },
              asked { day.trim.lowest_level_speed_kt(day.trim.power_available_w) },
              asked { Fujin::Planning::Performance.of(day).climb_m_s(kt) }],
      run_down: asked { Flight::RotorDecay.new(day, speed_kt: kt).seconds_to(97.0, 90.0) },
      recovery: asked { recovery(day, random) } }
  end

  def recovery(day, random)
    result = Flight::SpeedRecovery.new(day, to_kt: random.rand(45.0..60.0), from_kt: random.rand(0.0..15.0),
                                            disc_pitch_deg: random.rand(-25.0..-10.0)).run
    result.to_h.except(:rows).values
  end

  def gyroplane(day, random)
    gyro = day.gyro_trim
    kt = random.rand(25.0..70.0)
    { gyro: [asked { gyro.power_off(kt, bank_deg: random.rand(0.0..30.0)).to_h }, asked { gyro.full_power(kt).to_h },
             asked { gyro.level(kt, sink_m_s: random.rand(-1.0..4.0)).to_h }, asked { gyro.minimum_sink },
             asked { gyro.best_glide(headwind_kt: random.rand(0.0..20.0)) }, asked { gyro.best_climb },
             asked { gyro.lowest_level_speed_kt }] }
  end
end
