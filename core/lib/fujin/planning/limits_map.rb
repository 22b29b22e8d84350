# frozen_string_literal: true

module Fujin
  module Planning
    # The limits map: where a flight must not go, and the plan drawn through it.
    module LimitsMap
      MOST_SINK_FPM = 3000.0
      SPEED = Axis.new(label: 'Airspeed', unit: 'kt', low: 0.0, high: 80.0)

      module_function

      # Speed against sink: vortex-ring region at today's mass, the sink allowed with power, the planned flight.
      # @param allowed [#call, nil] kt -> ft/min; nil without power, where the sink is the rotor's
      def sink(conditions, allowed: nil, path: [], autorotation: false)
        trim = conditions.trim
        lines = []
        if allowed
          lines << Shape.new(
            id: 'allowed',
            label: 'sink allowed',
            kind: 'limit',
            points: (0..80).step(2).map { |kt| [kt.to_f, allowed.call(kt.to_f)] }
          )
        end
        if autorotation
          lines << Shape.new(id: 'autorotation', label: 'autorotation', kind: 'plan', points: autorotation_curve(trim))
        end
        never_exceed = autorotation && NeverExceed.power_off_kt(conditions)
        lines << never_exceed_line(never_exceed) if never_exceed
        Chart.new(
          id: 'sink',
          title: 'Sink against airspeed',
          x: never_exceed ? SPEED.with(high: [SPEED.high, (never_exceed / 10.0).ceil * 10.0].max) : SPEED,
          y: Axis.new(label: 'Sink', unit: 'fpm', low: 0.0, high: MOST_SINK_FPM),
          areas: [vortex_ring(trim)],
          lines: lines,
          track: path.select(&:ias_kt).map { |p| [p.ias_kt, [p.sink_fpm, 0.0].max] }
        )
      end

      def never_exceed_line(speed_kt) =
        Shape.new(
          id: 'never_exceed',
          label: 'never exceed, power off',
          kind: 'limit',
          points: [[speed_kt, 0.0], [speed_kt, MOST_SINK_FPM]]
        )

      def vortex_ring(trim)
        edges = (0..20).filter_map do |i|
          kt = edge_speed_kt(trim) * i / 20.0
          sinks = trim.vortex_ring_sinks_m_s(kt) || (next if i < 20)
          sinks && [kt, *sinks.map { |s| s / Quantities::FPM }]
        end
        points = edges.map { |kt, low, _| [kt, low] } + edges.reverse.map { |kt, _, high| [kt, high] }
        Shape.new(id: 'vortex_ring', label: 'vortex ring state', kind: 'avoid', points: points)
      end

      # Speed above which there is no vortex-ring region, kt.
      def edge_speed_kt(trim)
        hover = trim.rotor.hover_induced_velocity(trim.mass_kg * Quantities::G)
        trim.atmosphere.equivalent_speed(Flight::Rotor::RING_EDGE * hover) / Quantities::KT * 0.9999
      end

      def autorotation_curve(trim)
        (0..80).step(10).map { |kt| [kt.to_f, trim.autorotation_sink_m_s(kt) / Quantities::FPM] }
      end

      # Speed against height above the ground, with the type's height-velocity area.
      # @return [Chart, nil] nil when the type file has no such area
      # @param timed [Boolean] whether the path's seconds stand beside it
      def height_velocity(type, path: [], timed: false)
        area = HeightVelocity.new(type)
        return nil unless area.known?

        top = [area.low_speed.map(&:first).max || 0, path.map(&:height_ft).max || 0, 100].max * 1.1
        Chart.new(
          id: 'height_velocity',
          title: 'Height against airspeed',
          x: SPEED,
          y: Axis.new(label: 'Height', unit: 'ft', low: 0.0, high: top),
          areas: area.shapes,
          lines: [],
          track: path.select(&:ias_kt).map { |p| [p.ias_kt, p.height_ft] },
          moments: timed ? Chart.moments_along(path.select(&:ias_kt).map { |p| [p.ias_kt, p.height_ft, p.t_s] }) : []
        )
      end
    end
  end
end
