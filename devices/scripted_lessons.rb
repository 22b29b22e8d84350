# frozen_string_literal: true

module Fujin
  # Recordings of what no pilot model flies yet, along scripts: hovering, circuits, a figure, gyroplanes. `tries` has a
  # number each, how far that one is off: 0 is clean, 1 clearly outside what is wanted. For the demo's records and the
  # stand-in recorder.
  class ScriptedLessons
    SCRIPTS = %w[hovers pedal_turns taxis circuits speed_changes circles gyro_circuits].freeze
    CIRCLE_FT = 1000.0
    CIRCLE_KT = 60.0
    # What is flown straight before the circle.
    RUN_UP_FT = 1470.0

    # @param spot [Array(Float, Float)] latitude and longitude, @param course_deg [Float] into the wind
    def initialize(spot, course_deg:, wind_kt:, seed:)
      @spot = spot
      @course_deg = course_deg
      @wind_kt = wind_kt
      @seed = seed
    end

    # @return [String] CSV in the recording format
    def csv(script, tries, **how) = flown(script, tries, **how).csv

    # @param script [String] of SCRIPTS
    # @return [Flight::ScriptedFlight]
    def flown(script, tries, **how) = public_send(SCRIPTS.fetch(SCRIPTS.index(script)), tries, **how)

    # Lift off, hold it, set it down: to and fro by as many feet as it is off, hands as busy.
    def hovers(tries)
      tries.reduce(flight.leg(5)) do |flown, off|
        to_and_fro(flown.leg(3, agl_ft: 5.0).leg(4), off).leg(4, agl_ft: 0.0).leg(8)
      end
    end

    def to_and_fro(flown, off)
      3.times do
        [off, -off].each do |kt|
          flown.leg(3, gs_kt: 1.6 * kt, agl_ft: 5.0 + (2.0 * kt), collective_pct: 45.0 + (6.0 * kt)).leg(2, gs_kt: 0.0)
        end
      end
      flown.leg(2, agl_ft: 5.0, collective_pct: 45.0)
    end

    # A quarter turn and back in the hover, quicker the further it is off.
    def pedal_turns(tries)
      tries.each_with_index.reduce(flight.leg(5).leg(3, agl_ft: 5.0).leg(12)) do |(flown), (off, i)|
        rate = 10.0 + (12.0 * off)
        flown.leg(90.0 / rate, turn_deg_s: i.even? ? rate : -rate).leg(12)
      end
    end

    # Along a line in the hover, the nose turning all the way on it; off makes it quicker.
    def taxis(tries)
      tries.each_with_index.reduce(flight.leg(5).leg(3, agl_ft: 4.0).leg(6)) do |(flown), (off, i)|
        line = i.even? ? @course_deg : @course_deg + 180.0
        flown.leg(2, gs_kt: 5.0, track_deg: line).leg(20, track_deg: line, turn_deg_s: 9.0 + (6.0 * off))
          .leg(2, gs_kt: 0.0, track_deg: line).leg(8)
      end
    end

    # Out, round and back to the spot; off puts the downwind leg too high and the approach too steep.
    def circuits(tries)
      tries.reduce(flight.leg(5)) do |flown, off|
        back_to_the_spot(flown, CIRCUIT_KT) { |one, down_s, base_s| circuit(one, off, down_s, base_s) }
        flown.leg(14, gs_kt: 0.0).leg(5, agl_ft: 0.0).leg(8)
      end
    end
    CIRCUIT_KT = 60.0

    def circuit(flown, off, down_s, base_s)
      flown.leg(3, agl_ft: 4.0).leg(8).leg(12, gs_kt: 25.0, agl_ft: 10.0).leg(14, gs_kt: 52.0, agl_ft: 110.0)
      turn(flown.leg(32, gs_kt: CIRCUIT_KT, agl_ft: 500.0)).leg(20, roll_deg: 0.0)
      turn(flown).leg(50 + down_s, agl_ft: 500.0 + (160.0 * off), roll_deg: 0.0)
      turn(flown).leg(5 + base_s, agl_ft: 500.0, roll_deg: 0.0)
      turn(flown).leg(4, gs_kt: 55.0, roll_deg: 0.0)
      flown.approach(8.0 + (4.0 * off), from_kt: 55.0)
    end

    # Faster and slower at one height.
    def speed_changes(tries)
      tries.each_with_index.reduce(aloft(1000.0, 55.0)) do |(flown), (off, i)|
        flown.leg(25 + (20 * off), gs_kt: i.even? ? 75.0 : 50.0, agl_ft: 1000.0 + (140.0 * off)).leg(14, agl_ft: 1000.0)
      end
    end

    # Round the spot at one distance, in still air; off makes each round wider.
    def circles(tries)
      north, east = LocalMap.from_along_across(-RUN_UP_FT * Quantities::FT, -CIRCLE_FT * Quantities::FT, @course_deg)
      beside = LocalMap.new(*@spot).lat_lon(north, east)
      tries.reduce(aloft(800.0, CIRCLE_KT, origin: beside)) do |flown, off|
        radius = CIRCLE_FT * (1.0 + (0.25 * off))
        rate = CIRCLE_KT * Quantities::KT / (radius * Quantities::FT) / Quantities::DEG
        bank = Math.atan2((CIRCLE_KT * Quantities::KT)**2, Quantities::G * radius * Quantities::FT) / Quantities::DEG
        flown.leg(360.0 / rate, turn_deg_s: rate, roll_deg: bank)
      end
    end

    # Prerotation, roll, balance, climb; away and back again; a landing to a stop, and once more. Off rolls fast with a
    # slow rotor, and lands firmly.
    # @param down_s [Float] from the closed throttle to the round-out, less with less power
    def gyro_circuits(tries, down_s: 36.0)
      tries.reduce(flight.leg(2, nr_pct: 0.0)) do |flown, off|
        back_to_the_spot(flown, GYRO_KT) { |one, away_s, _| gyro_circuit(one, off, down_s, away_s) }
        flown.leg(9, gs_kt: 0.0, pitch_deg: 0.0, nr_pct: 70.0).leg(8, nr_pct: 20.0)
      end
    end
    GYRO_KT = 48.0

    def gyro_circuit(flown, off, down_s, away_s)
      flown.leg(6, nr_pct: 20.0).leg(20, nr_pct: 62.0 - (10.0 * off), throttle_pct: 40.0)
      flown.leg(9 - (2 * off), gs_kt: 30.0, nr_pct: 90.0 - (14.0 * off), throttle_pct: 100.0)
      flown.leg(4, gs_kt: 38.0, nr_pct: 100.0, pitch_deg: 9.0).leg(12, gs_kt: 50.0, agl_ft: 70.0, pitch_deg: 4.0)
      turn(flown.leg(36, gs_kt: GYRO_KT, agl_ft: 500.0), 180.0).leg(20 + away_s, roll_deg: 0.0)
      turn(flown, 180.0).leg(3, roll_deg: 0.0)
      flown.leg(12, gs_kt: 44.0 + (9.0 * off)).leg(1, throttle_pct: 2.0).leg(4)
      flown.leg(down_s, agl_ft: 25.0, pitch_deg: 0.0).leg(4, agl_ft: 0.0, gs_kt: 20.0, pitch_deg: 9.0)
    end

    private

    # Flown once for itself, to see where it ends, then with its legs so much longer that it ends on the spot.
    # @yield [flight, down_s, base_s] what makes the leg against the course, and the one back to its line, longer
    def back_to_the_spot(flown, speed_kt)
      ends = along_across(yield(flight, 0.0, 0.0))
      begins = along_across(flown)
      down_s, base_s = [begins[0] + ends[0], -(begins[1] + ends[1])].map { |metres| metres / (speed_kt * Quantities::KT) }
      yield(flown, [down_s, 0.0].max, [base_s, 0.0].max)
    end

    def along_across(flown) = LocalMap.along_across(*flown.place_m, @course_deg)

    RATE_DEG_S = 6.0
    BANK_DEG = 17.0
    private_constant :RATE_DEG_S, :BANK_DEG

    # To the left at a steady rate, rolled into first.
    def turn(flown, deg = 90.0) =
      flown.leg(1, roll_deg: -BANK_DEG)
        .leg(deg / RATE_DEG_S, turn_deg_s: -RATE_DEG_S, roll_deg: -BANK_DEG)

    def flight(**options) =
      Flight::ScriptedFlight.new(origin: @spot, wind_kt: @wind_kt, heading_deg: @course_deg, seed: @seed, **options)

    def aloft(height_ft, speed_kt, **options) = flight(agl_ft: height_ft, **options).leg(1, gs_kt: speed_kt).leg(14)
  end
end
