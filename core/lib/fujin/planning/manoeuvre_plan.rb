# frozen_string_literal: true

module Fujin
  module Planning
    # What every manoeuvre's plan shares: the day, the method, the settings, the wind along a line, and how the parts
    # are put together. A subclass says its `declaration` and gives #own_numbers, #gates, #path and what else it has.
    class ManoeuvrePlan
      include Numbers

      Q = Quantities
      SETTINGS = [].freeze

      # @param conditions [Conditions], @param house [HouseMethod]
      # @param course_deg [Float, nil] final course; nil is straight into the wind
      # @param height_ft [Float, nil] where the manoeuvre begins, above the ground; nil takes the manoeuvre's own
      # @param settings [Hash{String => Object}] of Settings, those the manoeuvre takes
      # @param standard [Grading::Standard, nil] that its gates are held to; nil takes the manoeuvre's own
      # @raise [OutsideModel] for the wrong kind of aircraft, [UnknownName, InvalidInput] for settings
      def initialize(conditions, house, course_deg: nil, height_ft: nil, stage: 'solo', settings: {},
                     standard: nil)
        @standard = standard || declaration.standard
        @conditions = conditions
        @type = conditions.type
        @house = house
        @stage = stage
        @course_deg = (course_deg || conditions.wind.from_deg).to_f
        @settings = Settings.read(declaration.settings, settings)
        check_kind
        @height_given = !height_ft.nil?
        @height_ft = (height_ft || default_height_ft).to_f
        InvalidInput.check_ranges('course_deg' => [@course_deg, 0, 360], 'height_ft' => [@height_ft, *height_range_ft])
      end

      # @return [Plan]
      # @raise [InvalidInput, OutsideModel]
      def plan
        Plan.new(
          manoeuvre: declaration.id,
          conditions: @conditions,
          house: @house,
          course_deg: @course_deg,
          ending: ending,
          numbers: numbers,
          gates: gates.freeze,
          path: path.freeze,
          band: band.freeze,
          reaches: reaches.freeze,
          setup: setup,
          tables: tables.compact.freeze,
          charts: charts.compact.freeze,
          watched: watched.freeze,
          settings: @settings,
          cautions: cautions.freeze
        )
      end

      def numbers
        @numbers ||=
          begin
            planned = DayNumbers.new(@conditions, course_deg: @course_deg).all.merge(own_numbers)
            planned.merge(GaugeNumbers.new(@conditions, planned).all).freeze
          end
      end

      private

      def declaration = self.class.declaration

      def check_kind
        return if declaration.kinds.include?(@type.kind)

        raise OutsideModel, Text.of('%{exercise} is not flown in a %{kind}: %{type} is one',
                                    exercise: declaration.title, kind: @type.kind, type: @type.name)
      end

      # What the student's stage lets pass of a measure, as a gate shows it.
      # @param own [Hash{String => Float}] targets that the plan's numbers do not have
      def held(measure_id, unit, own = {})
        targets = Targets.new(type: @type, house: @house, own: own, numbers: -> { numbers })
        band = @standard.band(measure_id, @stage, targets)
        low, high = band.in
        { target: band.target, low: low, high: high, unit: unit }
      end

      # What a subclass may leave as it is.
      def ending = 'none'
      def default_height_ft = 1000.0
      def height_range_ft = [1, 10_000]
      def own_numbers = {}
      def gates = []
      def path = []
      def band = []
      def reaches = []
      def setup = nil
      def tables = []
      def charts = []

      def watched
        area = numbers.key?('avoid_area_s') ? watched_stretches.avoid_area : []
        watched_stretches.tail_rotor(phases: powered_phases) + area
      end

      def own_cautions = []
      # Headings flown slowly with power, for the tail rotor: [[what, heading deg]].
      def slow_headings = declaration.course_of == 'any' ? [] : [['at the end', @course_deg]]

      # Phases flown with power; nil is all of them. What is flown without has it again in the end.
      def powered_phases = declaration.power_off ? [path.last&.phase] & [:recovery] : nil

      def watched_stretches
        nose = slow_headings.map(&:last).uniq
        WatchedStretches.new(@conditions, path, course_deg: @course_deg, nose_deg: (nose.first if nose.size == 1))
      end

      def cautions
        Cautions.new(
          @conditions,
          numbers,
          course_deg: @course_deg,
          stage: @stage,
          declaration: declaration,
          house: @house,
          slow_headings: slow_headings,
          gated: gates.any?,
          own: own_cautions
        ).all
      end

      # Blades with lag hinges and a landing gear can shake each other up.
      # @return [Array<Caution>]
      def ground_resonance
        return [] unless @type.helicopter? && @type.fetch('rotor.blades') > 2

        text =
          'A growing shake on the ground: lift off if rotor rpm is in band; if not, collective down and throttle ' \
            'closed.'
        [caution('ground_resonance', 'caution', text)]
      end

      def caution(id, level, text) = Caution.new(id: id, level: level, text: text)
      def value(name) = numbers[name]&.value

      def performance = @performance ||= Performance.of(@conditions)
      def trim = @trim ||= @conditions.trim
      def wind = @conditions.wind
      def true_kt(ias_kt) = @conditions.atmosphere.true_speed(ias_kt)
      def ias_of_true_kt(true_kt) = @conditions.atmosphere.equivalent_speed(true_kt)
      def groundspeed_kt(track_deg, ias_kt) = wind.groundspeed_kt(track_deg, true_kt(ias_kt))
      def drift_deg(track_deg, ias_kt) = wind.drift_angle_deg(track_deg, true_kt(ias_kt))

      def headwind_kt = wind.headwind_kt(@course_deg)

      # Airspeed that gives a ground speed along the course, kt IAS.
      def ias_for_groundspeed(groundspeed_kt)
        ias_of_true_kt(Math.hypot([groundspeed_kt + headwind_kt, 0.0].max, wind.crosswind_kt(@course_deg)))
      end

      def point(t_s, along_ft, height_ft, ias_kt, groundspeed_kt, sink_fpm, phase, across_ft: 0.0, rotor_rpm_pct: 100.0)
        PathPoint.new(
          t_s: t_s,
          along_ft: along_ft,
          across_ft: across_ft,
          height_ft: height_ft,
          ias_kt: ias_kt,
          groundspeed_kt: groundspeed_kt,
          sink_fpm: sink_fpm,
          rotor_rpm_pct: rotor_rpm_pct,
          phase: phase
        )
      end

      # Level flight along the course through airspeeds at times: [[t s, kt], ...], changed evenly between.
      # @yield [kt] rotor rpm, percent
      def level_path(stations)
        along = 0.0
        last = nil
        stations.map do |t, kt|
          ground = groundspeed_kt(@course_deg, kt)
          along += (last[1] + ground) / 2.0 * Q::KT * (t - last[0]) / Q::FT if last
          last = [t, ground]
          point(t, along, @height_ft, kt, ground, 0.0, :level, rotor_rpm_pct: block_given? ? yield(kt) : 100.0)
        end
      end

      # What a flown row adds to the path's last point, headwind taken off.
      # @param row [#t_s, #ahead_m, #height_m, #ias_kt, #sink_m_s, #rotor_pct] counted from that point
      def point_after(last, row, phase)
        point(
          last.t_s + row.t_s,
          last.along_ft + ((row.ahead_m - (headwind_kt * Quantities::KT * row.t_s)) / Quantities::FT),
          last.height_ft + (row.height_m / Quantities::FT),
          row.ias_kt,
          true_kt(row.ias_kt) - headwind_kt,
          row.sink_m_s / Quantities::FPM,
          phase,
          rotor_rpm_pct: row.rotor_pct
        )
      end

      # A steady stretch along the course before the manoeuvre's first point.
      def setup_before(
        first_along_ft,
        speed_kt,
        text,
        steady_s: @house['setup_s'],
        across_ft: 0.0,
        track_deg: @course_deg
      )
        leg = groundspeed_kt(track_deg, speed_kt) * Q::KT * steady_s / Q::FT
        reverse = Math.cos((track_deg - @course_deg) * Q::DEG)
        SetUp.new(
          height_ft: @height_ft,
          speed_kt: speed_kt,
          steady_s: steady_s.to_f,
          leg_ft: leg,
          start_along_ft: first_along_ft - (leg * reverse),
          start_across_ft: across_ft,
          text: text
        )
      end
    end
  end
end
