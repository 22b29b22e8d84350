# frozen_string_literal: true

module Fujin
  module Planning
    # Plans a straight-in autorotation: the day's numbers, where the entry begins, the gates, the path and its
    # uncertainty, what can be reached. Closed forms for the steady parts, flown segments for entry and flare.
    class StraightInPlan
      MANOEUVRE = 'straight_in_autorotation'
      Q = Quantities
      # 5 to 95 % spreads behind `low` and `high`: the model's sink, the wind as reported, the speed as flown.
      SINK_SPREAD = 0.06
      WIND_SPREAD_KT = 3.0
      SPEED_SPREAD_KT = 3.0

      # @param course_deg [Float, nil] final course; nil is straight into the wind
      # @param height_ft [Float] entry height above the ground
      # @param rotor_rpm_pct [Float, nil] overrides the target rotor rpm
      def initialize(conditions, house, course_deg: nil, height_ft: 1000.0, rotor_rpm_pct: nil, stage: 'solo')
        @conditions = conditions
        @type = conditions.type
        raise OutsideModel, "#{@type.name} is a gyroplane: its rotor always turns freely, so it has no autorotation entry" unless @type.helicopter?

        @house = house
        @stage = stage
        @trim = conditions.trim
        @course_deg = course_deg || conditions.wind.from_deg
        @height_ft = height_ft.to_f
        @glide_speed = house.glide_speed_kt(@type, @trim)
        @entry_speed = house.entry_speed_kt(@type)
        @floor_pct = @trim.floor_rotor_rpm_pct(@glide_speed)
        @target_pct = rotor_rpm_pct || [100.0, @floor_pct].min
        check_target(rotor_rpm_pct)
      end

      # @return [Plan]
      # @raise [InvalidInput] when the entry is too low for a steady glide, [OutsideModel] when the model cannot answer
      def plan
        check_height
        Plan.new(manoeuvre: MANOEUVRE, conditions: @conditions, house: @house, course_deg: @course_deg, ending: @house['ending'],
                 numbers: numbers.freeze, gates: gates.freeze, path: path.freeze, band: band.freeze, reaches: reaches.freeze,
                 cautions: Cautions.new(@conditions, numbers, course_deg: @course_deg, stage: @stage, ending: @house['ending']).all.freeze)
      end

      # The day's numbers that grading is held to, without path or reach.
      # @return [Hash{String => Float}]
      def targets
        low, high = @type.power_off_band
        { 'entry_height_ft' => @height_ft, 'entry_speed_kt' => @entry_speed, 'glide_speed_kt' => @glide_speed,
          'target_rotor_rpm_pct' => @target_pct, 'glide_sink_fpm' => sink_m_s / Q::FPM, 'flare_height_ft' => @type.flare_height_ft.to_f,
          'gate_height_ft' => gate_height_ft, 'flare_pitch_max_deg' => @house['flare_pitch_max_deg'].to_f,
          'hover_height_ft' => @house['hover_height_ft'].to_f, 'power_off_low_pct' => low.to_f, 'power_off_high_pct' => high.to_f,
          'absolute_rotor_rpm_low_pct' => @type.absolute_rotor_rpm[0].to_f, 'absolute_rotor_rpm_high_pct' => @type.absolute_rotor_rpm[1].to_f,
          'lowest_rotor_rpm_pct' => [low.to_f, segments.lowest_rotor_pct - 2.0].min }
      end

      # Distance along the course from power loss at a height and speed to the end, metres.
      def entry_distance_m(height_ft: @height_ft, sink_factor: 1.0, wind_change_kt: 0.0)
        height = (height_ft - @type.flare_height_ft) * Q::FT
        glide_height = [height - entry.height_lost_m, 0.0].max
        ground_distance(entry, wind_change_kt) + (glide_height / (sink_m_s * sink_factor) * ground_speed(true_glide, wind_change_kt)) +
          ground_distance(flare_to_end(wind_change_kt), wind_change_kt)
      end

      private

      def check_target(given)
        return if given.nil?

        low, high = @type.absolute_rotor_rpm
        InvalidInput.check_ranges('glide_rotor_rpm_pct' => [given, [low, 88].max, high])
        return unless given > @floor_pct + 0.05

        raise InvalidInput, [{ path: 'glide_rotor_rpm_pct', message: "the rotor turns at #{@floor_pct.round(1)} % with the collective on its " \
                                                                     "stop today; #{given} % cannot be held" }]
      end

      def check_height
        lowest = @type.flare_height_ft + (entry.height_lost_m / Q::FT) + 50.0
        InvalidInput.check_ranges('height_ft' => [@height_ft, lowest.ceil, 10_000])
      end

      def sink_m_s = @sink_m_s ||= @trim.autorotation_sink_m_s(@glide_speed, rotor_pct: @target_pct)
      def true_glide = @conditions.atmosphere.true_speed(@glide_speed * Q::KT)

      def segments
        @segments ||= FlownSegments.for(@conditions, entry_speed_kt: @entry_speed, glide_speed_kt: @glide_speed,
                                                     target_rotor_pct: @target_pct, flare_height_ft: @type.flare_height_ft,
                                                     ending: @house['ending'].to_sym, reaction_s: @house['reaction_s'].to_f)
      end

      def entry = segments.entry
      def flare = segments.flare

      def headwind(change = 0.0) = (@conditions.wind.headwind_kt(@course_deg) + change) * Q::KT
      def crosswind = @conditions.wind.crosswind_kt(@course_deg) * Q::KT

      # Ground speed along the course for a true airspeed held on it with the right drift angle.
      def ground_speed(true_speed, wind_change_kt = 0.0)
        across = crosswind.abs
        (true_speed > across ? Math.sqrt((true_speed**2) - (across**2)) : 0.0) - headwind(wind_change_kt)
      end

      # A segment's distance over the ground in the wind.
      def ground_distance(segment, wind_change_kt = 0.0)
        segment.rows.each_cons(2).sum { |a, b| ground_speed((a[3] + b[3]) / 2.0, wind_change_kt) * (b[0] - a[0]) }
      end

      # The flare as far as the point the spot stands for: the hover over the ground, or the first contact.
      def flare_to_end(wind_change_kt = 0.0)
        stop = if @house['ending'] == 'touchdown'
                 flare.rows.index { |row| row[7] == :touchdown }
               else
                 flare.rows.index { |row| ground_speed(row[3], wind_change_kt) < FlownSegments::HOVER_M_S }
               end
        FlownSegments::Segment.new(rows: flare.rows[0..(stop || -1)])
      end

      def gate_height_ft
        time = @house['gate_reaction_s'] + @house['gate_throttle_s'] + @type.fetch('engine.lag_s')
        [@type.flare_height_ft + (sink_m_s * time / Q::FT), @house['gate_minimum_ft'].to_f].max
      end

      def numbers
        @numbers ||= StraightInNumbers.new(conditions: @conditions, trim: @trim, targets: targets, course_deg: @course_deg,
                                           floor_pct: @floor_pct, sink_m_s: sink_m_s, distance: entry_spread,
                                           lowest_rotor_pct: segments.lowest_rotor_pct, contact_speed_m_s: contact_ground_speed).all
      end

      def contact_ground_speed
        return nil unless @house['ending'] == 'touchdown'

        row = flare.rows.find { |r| r[7] == :touchdown }
        row && [ground_speed(row[3]), 0.0].max
      end

      # Entry distance with its 5 and 95 % bounds: sink, wind and speed errors combined as independent.
      def entry_spread
        @entry_spread ||= begin
          middle = entry_distance_m
          speed_share = SPEED_SPREAD_KT / @glide_speed * 0.4
          errors = [entry_distance_m(sink_factor: 1.0 - SINK_SPREAD) - middle,
                    entry_distance_m(wind_change_kt: -WIND_SPREAD_KT) - middle, middle * speed_share]
          spread = Math.sqrt(errors.sum { |e| e * e })
          [middle, middle - spread, middle + spread]
        end
      end

      def gates
        glide = targets['glide_speed_kt']
        sink = targets['glide_sink_fpm']
        measures = { 'gate_ias_kt' => [glide, 7, 'kt'], 'gate_rotor_rpm_pct' => [@target_pct, 4, 'pct'], 'gate_sink_fpm' => [sink, 0.25 * sink, 'fpm'] }
        bands = measures.transform_values { |target, width, unit| { target: target, low: target - width, high: target + width, unit: unit } }
        [Gate.new(id: 'gate', height_ft: gate_height_ft, along_ft: along_at(gate_height_ft), measures: bands),
         Gate.new(id: 'flare', height_ft: @type.flare_height_ft.to_f, along_ft: along_at(@type.flare_height_ft), measures: {})]
      end

      def along_at(height_ft)
        point = path.each_cons(2).find { |a, b| a.height_ft >= height_ft && b.height_ft < height_ft }
        point ? point[0].along_ft : nil
      end

      def path
        @path ||= PlannedPath.new(setup_s: @house['setup_s'], height_ft: @height_ft, entry_speed_kt: @entry_speed,
                                  glide_speed_kt: @glide_speed, target_pct: @target_pct, entry: entry, flare: flare_to_end,
                                  sink_m_s: sink_m_s, flare_height_ft: @type.flare_height_ft,
                                  true_speed: ->(kt) { @conditions.atmosphere.true_speed(kt * Q::KT) },
                                  ground_speed: ->(speed) { ground_speed(speed) }).points
      end

      # Along-track spread of the path at heights on the way down: [height_ft, low_ft, high_ft] about the path.
      def band
        middle, low, high = entry_spread
        top = @height_ft
        path.select { |p| %i[entry glide flare].include?(p.phase) }.each_slice(10).map(&:first).map do |point|
          share = ((top - point.height_ft) / top).clamp(0.0, 1.0)
          [point.height_ft, point.along_ft - ((high - middle) / Q::FT * share), point.along_ft + ((middle - low) / Q::FT * share)]
        end
      end

      def reaches
        area = ReachableArea.new(@conditions, trim: @trim, course_deg: @course_deg, rotor_pct: @target_pct,
                                              height_m: @height_ft * Q::FT, flare_height_m: @type.flare_height_ft * Q::FT,
                                              entry: entry, flare: flare_to_end)
        start = -entry_spread.first
        best = numbers['best_glide_speed_kt'].value
        { 'glide' => @glide_speed, 'stretch' => best }.map do |option, speed|
          Reach.new(option: option, speed_kt: speed,
                    points: area.points(speed).map { |along, across| [(start + along) / Q::FT, across / Q::FT] }.freeze)
        end
      end
    end
  end
end
