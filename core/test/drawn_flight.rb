# frozen_string_literal: true

require_relative 'scripted_flight'

# A flight of exercises drawn by lot, each of which takes it on from a hover or from level flight: at a height, a speed,
# a rate and for a time of its own.
class DrawnFlight
  attr_reader :flight

  def initialize(random, course_deg)
    @random = random
    @flight = ScriptedFlight.new(seed: random.rand(1000), wind_kt: random.rand(0.0..14.0), heading_deg: course_deg)
  end

  def any(range) = @random.rand(range)
  def one_of(*all) = all.sample(random: @random)
  def side = one_of(-1.0, 1.0)

  def helicopter(count)
    flight.leg(any(2.0..8.0), collective_pct: 10.0)
    lift
    count.times { send(one_of(:taxi, :turn, :set_down, :slope, :stand, *([:quick_circuit] * 3))) }
    lower(any(2.0..6.0), any(0.5..2.5))
    flight.leg(any(2.0..6.0), collective_pct: 5.0)
    self
  end

  # Once round, each leg and each corner a little otherwise.
  def circuit
    hand = side
    lift
    flight.leg(any(9.0..14.0), gs_kt: 25.0, agl_ft: 10.0).leg(any(15.0..30.0), gs_kt: 58.0, agl_ft: any(220.0..480.0))
    corner(hand, agl_ft: any(400.0..560.0)).leg(any(5.0..12.0))
    corner(hand, agl_ft: any(520.0..700.0)).leg(any(30.0..60.0), gs_kt: any(62.0..85.0), agl_ft: any(520.0..700.0))
    corner(hand, gs_kt: any(50.0..65.0)).leg(any(5.0..12.0), agl_ft: any(380.0..520.0))
    corner(hand).leg(any(15.0..35.0), gs_kt: any(44.0..58.0), agl_ft: any(250.0..400.0))
    down_to_a_hover
    self
  end

  def gyroplane
    flight.leg(any(2.0..4.0)).leg(any(8.0..24.0), nr_pct: any(50.0..72.0))
      .leg(any(6.0..12.0), gs_kt: any(22.0..34.0), nr_pct: 90.0, pitch_deg: any(0.0..6.0))
      .leg(any(2.0..6.0), gs_kt: any(34.0..44.0), nr_pct: 100.0, pitch_deg: any(4.0..14.0))
    return hop if any(0..3).zero?

    flight.leg(any(8.0..16.0), gs_kt: any(44.0..58.0), agl_ft: any(20.0..110.0), pitch_deg: 4.0)
      .leg(any(40.0..70.0), gs_kt: any(50.0..62.0), agl_ft: any(350.0..1200.0)).leg(any(5.0..20.0))
    any(1..2).times { one_of(:slow_flight, :vertical).then { |name| send(name) } }
    gyroplane_landing
  end

  private

  def corner(hand, **more)
    rate = any(6.0..12.0)
    flight.leg(any(78.0..102.0) / rate, turn_deg_s: hand * rate, roll_deg: hand * 2.2 * rate, **more)
      .leg(0.5, roll_deg: 0.0)
  end

  def lift
    flight.leg(any(1.5..6.0), agl_ft: any(2.0..9.0), collective_pct: any(38.0..55.0)).leg(any(1.0..24.0))
  end

  def stand = flight.leg(any(2.0..28.0), roll_deg: any(-3.0..3.0))

  def taxi
    to_deg = flight.heading_deg + one_of(0.0, 0.0, 90.0, -90.0, 180.0) + any(-25.0..25.0)
    speed = any(1.5..14.0)
    flight.leg(any(1.0..4.0), gs_kt: speed, track_deg: to_deg).leg(any(3.0..24.0), track_deg: to_deg)
      .leg(any(1.0..4.0), gs_kt: 0.0, track_deg: to_deg).leg(any(1.0..9.0))
  end

  def turn
    rate = any(5.0..40.0)
    flight.leg(any(40.0..400.0) / rate, turn_deg_s: side * rate, pedal_pct: any(-20.0..20.0))
      .leg(any(0.5..8.0), pedal_pct: 0.0)
  end

  def lower(seconds, faster)
    flight.leg(seconds, agl_ft: any(0.5..1.5)).leg(faster, agl_ft: 0.0, gs_kt: any(0.0..2.0))
      .leg(0.3, gs_kt: 0.0)
  end

  def set_down
    lower(any(1.5..8.0), any(0.3..3.0))
    flight.leg(any(0.5..12.0), collective_pct: any(5.0..30.0), roll_deg: any(-2.0..2.0))
    lift
  end

  def slope
    lean = side * any(1.0..9.0)
    lower(any(2.0..6.0), any(1.0..3.0))
    flight.leg(any(2.0..8.0), roll_deg: lean, collective_pct: any(8.0..32.0)).leg(any(1.0..6.0))
      .leg(any(1.0..6.0), roll_deg: any(-1.0..1.0), collective_pct: 45.0)
    lift
  end

  def quick_circuit
    flight.leg(any(6.0..14.0), gs_kt: any(14.0..30.0), agl_ft: any(5.0..22.0), collective_pct: any(50.0..75.0))
      .leg(any(8.0..18.0), gs_kt: any(40.0..60.0), agl_ft: any(40.0..160.0))
      .leg(any(20.0..50.0), gs_kt: any(52.0..70.0), agl_ft: any(320.0..700.0)).leg(any(5.0..12.0))
    any(1..3).times { send(one_of(:change_of_speed, :low_rotor, :level_turn, :governor)) }
    send(one_of(:down_to_a_hover, :down_to_a_hover, :run_on, :power_off))
  end

  def change_of_speed
    flight.leg(any(6.0..30.0), gs_kt: flight.gs_kt + (side * any(6.0..30.0)).clamp(40.0 - flight.gs_kt, 40.0))
      .leg(any(3.0..25.0), agl_ft: flight.agl_ft + any(-60.0..60.0))
  end

  def low_rotor
    low = any(87.0..99.0)
    flight.leg(any(1.0..5.0), nr_pct: low, ne_pct: low).leg(any(0.5..6.0), collective_pct: any(25.0..48.0))
      .leg(any(1.0..6.0), nr_pct: 100.0, ne_pct: 100.0).leg(any(2.0..10.0), collective_pct: 45.0)
  end

  def governor
    away = any(-5.0..5.0)
    flight.leg(any(2.0..4.0), nr_pct: 100.0 + away, throttle_pct: 80.0 + any(-9.0..9.0)).leg(any(5.0..30.0))
      .leg(3.0, nr_pct: 100.0, throttle_pct: 80.0).leg(4.0)
  end

  def level_turn
    rate = any(2.0..10.0)
    flight.leg(any(60.0..380.0) / rate, turn_deg_s: side * rate, roll_deg: any(8.0..30.0)).leg(2.0, roll_deg: 0.0)
  end

  def down_to_a_hover
    speed = any(38.0..58.0)
    flight.leg(any(4.0..10.0), gs_kt: speed)
      .approach(any(4.0..16.0), from_kt: speed, agl_to: any(2.0..8.0)).leg(any(0.5..20.0), gs_kt: 0.0)
  end

  def run_on
    speed = any(42.0..55.0)
    at = any(4.0..35.0)
    flight.leg(any(4.0..8.0), gs_kt: speed).leg(any(25.0..50.0), agl_ft: any(25.0..80.0), gs_kt: any(36.0..44.0))
      .leg(any(5.0..14.0), agl_ft: any(0.5..3.0), gs_kt: at).leg(any(0.5..2.0), agl_ft: 0.0)
      .leg(any(2.0..9.0), gs_kt: 0.0, collective_pct: any(10.0..40.0)).leg(any(2.0..6.0))
    lift
  end

  def power_off
    flight.leg(any(0.5..3.0), collective_pct: any(0.0..8.0), throttle_pct: 0.0, ne_pct: any(55.0..75.0),
                              map_inhg: 11.0, nr_pct: any(92.0..108.0))
    while flight.agl_ft > 120.0
      flight.leg(1.0, agl_ft: flight.agl_ft - any(18.0..32.0), gs_kt: any(48.0..66.0), nr_pct: any(94.0..108.0))
    end
    flight.leg(any(3.0..6.0), agl_ft: any(12.0..45.0), gs_kt: any(12.0..38.0), pitch_deg: any(6.0..18.0))
      .leg(any(1.0..3.0), agl_ft: any(3.0..9.0), gs_kt: any(0.0..14.0), pitch_deg: 1.0, collective_pct: 45.0,
                          throttle_pct: 80.0, ne_pct: 100.0, map_inhg: 20.0, nr_pct: any(90.0..101.0))
      .leg(any(3.0..8.0), gs_kt: 0.0, nr_pct: 100.0)
  end

  def hop
    flight.leg(any(2.0..5.0), agl_ft: any(2.0..9.0)).leg(any(1.0..8.0)).leg(any(1.0..4.0), agl_ft: 0.0)
      .leg(any(3.0..9.0), gs_kt: 0.0, pitch_deg: 0.0).leg(3.0)
    self
  end

  def slow_flight
    flight.leg(any(6.0..14.0), gs_kt: any(8.0..34.0)).leg(any(4.0..25.0)).leg(any(8.0..14.0), gs_kt: any(45.0..58.0))
      .leg(any(3.0..8.0))
  end

  def vertical
    flight.leg(any(3.0..8.0), gs_kt: any(2.0..16.0))
      .leg(any(5.0..16.0), agl_ft: [flight.agl_ft - any(60.0..320.0), 150.0].max)
      .leg(any(4.0..9.0), gs_kt: any(42.0..56.0)).leg(any(3.0..8.0))
  end

  def gyroplane_landing
    flight.leg(any(30.0..60.0), agl_ft: any(12.0..60.0), gs_kt: any(38.0..56.0))
    return balked if any(0..3).zero?

    flight.leg(any(2.0..6.0), agl_ft: 0.0, gs_kt: any(8.0..34.0), pitch_deg: any(3.0..13.0))
      .leg(any(1.0..12.0), gs_kt: 0.0, pitch_deg: 0.0).leg(any(3.0..6.0))
    self
  end

  def balked
    flight.leg(any(2.0..5.0), agl_ft: any(2.0..16.0), gs_kt: any(24.0..44.0), throttle_pct: any(70.0..100.0))
      .leg(any(2.0..6.0), gs_kt: any(42.0..52.0)).leg(any(8.0..20.0), agl_ft: any(60.0..200.0), gs_kt: 54.0).leg(5.0)
    self
  end
end
