# frozen_string_literal: true

module Fujin
  module Planning
    # Where a planned path asks for more care than its line says: inside the height-velocity area, and slow with power
    # on and the air on the tail rotor.
    class WatchedStretches
      Q = Quantities
      TailRotor = Aircraft::TailRotor
      # Shorter is over before anybody looks, seconds.
      SHORTEST_S = 0.5

      # @param conditions [Conditions], @param path [Array<PathPoint>]
      # @param course_deg [Float] along which the path goes
      # @param nose_deg [Float, nil] where the nose points while it is slow; nil where it goes round
      def initialize(conditions, path, course_deg:, nose_deg:)
        @type = conditions.type
        @wind = conditions.wind
        @trim = conditions.trim
        @path = path.select(&:ias_kt)
        @course_deg = course_deg
        @nose_deg = nose_deg
      end

      # Inside the type's height-velocity area.
      # @return [Array<WatchedStretch>]
      def avoid_area
        area = HeightVelocity.new(@type)
        stretches('avoid_area', 'in the avoid area') { |point| area.inside?(point.height_ft, point.ias_kt) }
      end

      # Slow, with power on, and the air from a sector that disturbs the tail rotor: what the grading calls exposed,
      # with the power of steady flight at that speed and sink.
      # @param phases [Array<Symbol>, nil] with power on; nil is all of them
      # @return [Array<WatchedStretch>]
      def tail_rotor(phases: nil)
        return [] if !@type.helicopter? || @nose_deg.nil? || @wind.speed_kt < TailRotor::LEAST_KT

        stretches('tail_rotor', 'tail rotor disturbed') do |point|
          (phases.nil? || phases.include?(point.phase)) && exposed?(point)
        end
      end

      private

      def stretches(id, words, &held)
        WatchedStretch.runs(@path, &held).filter_map do |first, last|
          seconds = last.t_s - first.t_s
          next if seconds < SHORTEST_S

          WatchedStretch.new(id: id, from_s: first.t_s, until_s: last.t_s,
                             words: Text.of('%{what}: %{seconds} s', what: words, seconds: [seconds.round, 1].max))
        end
      end

      def exposed?(point)
        air = air_from(point)
        TailRotor::AIRSPEED_KT.cover?(air.abs) &&
          TailRotor.disturbed?(@type, (air.arg / Q::DEG) + @course_deg - @nose_deg) && high_power?(point, air.abs)
      end

      # Where the air comes from, along the course and to its right, knots.
      def air_from(point) =
        point.groundspeed_kt + Complex.polar(@wind.speed_kt, (@wind.from_deg - @course_deg) * Q::DEG)

      def high_power?(point, air_kt)
        needed = @trim.at(@trim.atmosphere.equivalent_speed(air_kt), point.sink_fpm * Q::FPM).engine_power_w
        needed > TailRotor::HIGH_POWER_PCT / 100.0 * @trim.power_available_w
      rescue OutsideModel
        false
      end
    end
  end
end
