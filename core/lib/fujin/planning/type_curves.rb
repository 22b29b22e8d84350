# frozen_string_literal: true

module Fujin
  module Planning
    # A type's curves on a day: power required and there against speed, sink and glide angle against speed, solo and
    # dual.
    class TypeCurves
      Q = Quantities
      SPEEDS_KT = (0..100).step(5).map(&:to_f).freeze

      # @param conditions [Conditions] the day; its mass is not used
      def initialize(conditions)
        @type = conditions.type
        @loads = %w[solo dual].to_h { |people| [people, conditions.with(mass_kg: @type.mass_kg(people).to_f)] }
      end

      # @return [Array<Chart>]
      def charts = [power, sink, angle, LimitsMap.height_velocity(@type)].compact

      private

      def speed_axis = Axis.new(label: 'Airspeed', unit: 'kt', low: 0.0, high: 100.0)

      def each_load(unit)
        @loads.map do |people, day|
          points = SPEEDS_KT.filter_map { |kt| point(kt) { yield(day, kt) } }
          Shape.new(id: people, label: people, kind: unit, points: points)
        end
      end

      def point(speed_kt)
        value = yield
        value && [speed_kt, value]
      rescue OutsideModel
        nil
      end

      def power
        there = Performance.of(@loads['dual']).power_available_w / 1000.0
        lines = each_load('plan') { |day, kt| Performance.of(day).level_power_w(kt) / 1000.0 }
        top = [there, *lines.flat_map { |l| l.points.map(&:last) }].max
        lines << Shape.new(id: 'available', label: 'available', kind: 'limit', points: [[0.0, there], [100.0, there]])
        Chart.new(
          id: 'power',
          title: 'Power for level flight',
          x: speed_axis,
          y: Axis.new(label: 'Power', unit: 'kw', low: 0.0, high: top * 1.1),
          areas: [],
          lines: lines,
          track: []
        )
      end

      def power_off(day, speed_kt) = Performance.of(day).power_off_sink_m_s(speed_kt)

      def sink
        lines = each_load('plan') { |day, kt| power_off(day, kt) / Q::FPM }
        Chart.new(
          id: 'sink',
          title: 'Sink without power',
          x: speed_axis,
          y: Axis.new(label: 'Sink', unit: 'fpm', low: 0.0, high: 3500.0),
          areas: [],
          lines: lines,
          track: []
        )
      end

      def angle
        lines =
          each_load('plan') do |day, kt|
            kt < 20 ? nil : Math.atan2(power_off(day, kt), day.atmosphere.true_speed(kt * Q::KT)) / Q::DEG
          end
        Chart.new(
          id: 'glide_angle',
          title: 'Glide angle through the air',
          x: speed_axis,
          y: Axis.new(label: 'Angle', unit: 'deg', low: 0.0, high: 50.0),
          areas: [],
          lines: lines,
          track: []
        )
      end
    end
  end
end
