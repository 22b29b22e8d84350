# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What every gliding autorotation's plan shares: the day's targets, entry and flare flown once, glide in closed
      # form, gate height, numbers of glide, rotor and ending.
      class Plan < Planning::ManoeuvrePlan
        # 5 to 95 % spreads behind `low` and `high`: the model's sink, the wind as reported, the speed as flown.
        SINK_SPREAD = 0.06
        WIND_SPREAD_KT = 3.0
        SPEED_SPREAD_KT = 3.0

        def initialize(conditions, house, **options)
          super
          @trim = conditions.trim
          @entry_speed = house.entry_speed_kt(@type)
          @glide_speed = house.glide_speed_kt(@type, @trim)
          @floor_pct = @trim.floor_rotor_rpm_pct(@glide_speed)
          @usual = SpotOptions::Pace.new(speed_kt: @glide_speed, target_pct: [100.0, @floor_pct].min)
          pace = SpotOptions.pace(@settings['spot_option'], conditions, @trim, @usual, headwind_kt)
          @glide_speed = pace.speed_kt
          @target_pct = pace.target_pct
          check_target(@settings['glide_rotor_rpm_pct'])
          @target_pct = @settings['glide_rotor_rpm_pct'] || @target_pct
        end

        # The day's numbers that grading is held to, without path or reach.
        # @return [Hash{String => Float}]
        def targets
          low, high = @type.power_off_band
          {
            'entry_height_ft' => @height_ft,
            'entry_speed_kt' => @entry_speed,
            'glide_speed_kt' => @glide_speed,
            'target_rotor_rpm_pct' => @target_pct,
            'glide_sink_fpm' => sink_m_s / Q::FPM,
            'flare_height_ft' => flare_height_ft,
            'gate_height_ft' => gate_height_ft,
            'flare_pitch_max_deg' => @house['flare_pitch_max_deg'].to_f,
            'hover_height_ft' => @house['hover_height_ft'].to_f,
            'power_off_low_pct' => low.to_f,
            'power_off_high_pct' => high.to_f,
            'absolute_rotor_rpm_low_pct' => @type.absolute_rotor_rpm[0].to_f,
            'absolute_rotor_rpm_high_pct' => @type.absolute_rotor_rpm[1].to_f,
            'lowest_rotor_rpm_pct' => [low.to_f, segments.lowest_rotor_pct - 2.0].min
          }
        end

        # Seconds from power loss until a planned entry has three quarters of the collective off: the house's reaction,
        # then the travel at the hand's fastest.
        def planned_collective_delay_s
          level = @trim.at(@entry_speed, 0.0).collective_rad - @trim.rotor.collective_min
          @house.collective_reaction_s + (0.75 * level / Flight::Model::COLLECTIVE_RAD_S) +
            Flight::Model::COLLECTIVE_LAG_S
        end

        # How the aircraft gets from power loss to the spot, for Dispersion.
        # `turns_deg` between entry and final glide, `established_s` of glide before them, `carried_m` of height that
        # the entry's speed is still worth, `entry_m` the entry's place from the spot along and across, all metres.
        Parts = Value.define(:entry, :flare, :turns_deg, :bank_deg, :established_s, :carried_m, :entry_m)

        # @return [Plan]
        # @raise [InvalidInput] for a height with no room for the manoeuvre
        def plan
          InvalidInput.check_ranges('height_ft' => [@height_ft, lowest_height_ft.ceil, 10_000])
          super
        end

        private

        # The gate and its height are grading's too; anything a real recording shows is taken.
        def height_range_ft = [0, 60_000]
        def ending = @house['ending']

        def check_target(given)
          return if given.nil?

          low, high = @type.absolute_rotor_rpm
          InvalidInput.check_ranges('glide_rotor_rpm_pct' => [given, [low, 88].max, high])
          return unless given > @floor_pct + 0.05

          raise InvalidInput,
                [
                  {
                    path: 'glide_rotor_rpm_pct',
                    message:
                      "the rotor turns at #{@floor_pct.round(1)} % with the collective on its " \
                      "stop today; #{given} % cannot be held"
                  }
                ]
        end

        def lowest_height_ft = flare_height_ft + (entry.height_lost_m / Q::FT) + 50.0
        def flare_height_ft = @house.flare_height_ft(@type).to_f

        def sink_m_s = @sink_m_s ||= @trim.autorotation_sink_m_s(@glide_speed, rotor_pct: @target_pct)
        def true_glide = @conditions.atmosphere.true_speed(@glide_speed * Q::KT)

        def segments
          @segments ||=
            FlownSegments.new(
              @conditions,
              entry_speed_kt: @entry_speed,
              glide_speed_kt: @glide_speed,
              target_rotor_pct: @target_pct,
              flare_height_ft: flare_height_ft,
              ending: @house.flown_ending,
              reaction_s: @house.collective_reaction_s.to_f,
              headwind_kt: headwind_kt
            )
        end

        def entry = segments.entry
        def flare = segments.flare

        def headwind(change_kt = 0.0) = (@conditions.wind.headwind_kt(@course_deg) + change_kt) * Q::KT
        def crosswind = @conditions.wind.crosswind_kt(@course_deg) * Q::KT

        # Ground speed along the course for a true airspeed held on it with the right drift angle.
        def ground_speed(true_speed, wind_change_kt = 0.0)
          across = crosswind.abs
          (true_speed > across ? Math.sqrt((true_speed**2) - (across**2)) : 0.0) - headwind(wind_change_kt)
        end

        # A segment's distance over the ground in the wind.
        def ground_distance(segment, wind_change_kt = 0.0)
          segment
            .rows
            .each_cons(2)
            .sum { |a, b| ground_speed((a.air_speed_m_s + b.air_speed_m_s) / 2.0, wind_change_kt) * (b.t_s - a.t_s) }
        end

        # The flare as far as the point the spot stands for: the hover over the ground, the start of the ground run, or
        # the first contact.
        def flare_to_end(wind_change_kt = 0.0)
          stop =
            case @house['ending']
            when 'touchdown'
              flare.rows.index { |row| row.phase == :touchdown }
            when 'recovery_run'
              flare.rows.index { |row| row.phase == :recovery }
            else
              flare.rows.index { |row| ground_speed(row.air_speed_m_s, wind_change_kt) < FlownSegments::HOVER_M_S }
            end
          FlownSegments::Segment.new(rows: flare.rows[0..(stop || -1)])
        end

        def gate_height_ft =
          [flare_height_ft + (sink_m_s * @house.gate_time_s(@type) / Q::FT), @house['gate_minimum_ft'].to_f].max

        def own_numbers
          GlideNumbers
            .new(
              conditions: @conditions,
              trim: @trim,
              targets: targets,
              course_deg: @course_deg,
              floor_pct: @floor_pct,
              sink_m_s: sink_m_s,
              lowest_rotor_pct: segments.lowest_rotor_pct,
              contact_speed_m_s: contact_ground_speed,
              house: @house
            )
            .all
            .merge(place_numbers, delay_numbers)
        end

        def reaches
          SpotOptions.new(
            @conditions,
            trim: @trim,
            course_deg: @course_deg,
            track_deg: entry_track_deg,
            usual: SpotOptions::Pace.new(speed_kt: @glide_speed, target_pct: @target_pct),
            height_m: @height_ft * Q::FT,
            flare_height_m: flare_height_ft * Q::FT,
            entry: entry,
            flare: flare_to_end,
            entry_speed_kt: @entry_speed,
            start_m: parts.entry_m
          ).all
        end

        # A spot beyond the usual glide: level on past the usual entry point before the power comes off, seconds.
        def delay_s = @settings['spot_option'] == 'delay' ? SpotOptions::DELAY_S : 0.0
        def delay_ft = groundspeed_kt(entry_track_deg, @entry_speed) * Q::KT * delay_s / Q::FT

        def delay_numbers =
          delay_s.zero? ? {} : { 'delay_s' => number(delay_s, 's'), 'delay_distance_ft' => number(delay_ft, 'ft') }

        # Level before the entry: steady to the usual point, and on from it.
        def level_s = @house['setup_s'] + delay_s

        # Entry distance, turn heights: what depends on the route.
        def place_numbers = {}

        def contact_ground_speed
          phase = { 'touchdown' => :touchdown, 'recovery_run' => :recovery }[@house['ending']]
          row = phase && flare.rows.find { |r| r.phase == phase }
          row && [ground_speed(row.air_speed_m_s), 0.0].max
        end

        def gates
          glide = targets['glide_speed_kt']
          sink = targets['glide_sink_fpm']
          measures = {
            'gate_ias_kt' => [glide, 7, 'kt'],
            'gate_rotor_rpm_pct' => [@target_pct, 4, 'pct'],
            'gate_sink_fpm' => [sink, 0.25 * sink, 'fpm']
          }
          bands =
            measures.transform_values do |target, width, unit|
              { target: target, low: target - width, high: target + width, unit: unit }
            end
          [
            Planning::Gate.new(
              id: 'gate',
              height_ft: gate_height_ft,
              along_ft: along_at(gate_height_ft),
              measures: bands
            ),
            Planning::Gate.new(
              id: 'flare',
              height_ft: flare_height_ft,
              along_ft: along_at(flare_height_ft),
              measures: {},
              text: flare_text
            )
          ]
        end

        def flare_text
          return 'begin the flare: rotor rpm is its gauge' unless @house['flare_cue'] == 'sight_picture'

          "#{(flare_height_ft * Q::FT / sink_m_s).round(1)} s from the ground at this sink: when the ground rush " \
            'begins, not at a height'
        end

        def along_at(height_ft)
          pair = path.each_cons(2).to_a.reverse.find { |a, b| a.height_ft >= height_ft && b.height_ft < height_ft }
          pair ? pair[0].along_ft : nil
        end

        def setup
          first = path.find { |p| p.phase != :setup } || path.first
          off = (entry_track_deg - @course_deg) * Q::DEG
          text =
            "#{@entry_speed.round} kt, #{@height_ft.round} ft, " \
              "in trim and on the line for #{@house['setup_s'].round} s before #{entry_words}"
          setup_before(
            first.along_ft - (delay_ft * Math.cos(off)),
            @entry_speed,
            text,
            across_ft: first.across_ft - (delay_ft * Math.sin(off)),
            track_deg: entry_track_deg
          )
        end

        def entry_words =
          delay_s.zero? ? 'the entry' : "the usual entry point, then #{delay_s.round} s more, level, before the entry"

        def entry_track_deg = @course_deg

        def charts
          [Planning::LimitsMap.sink(@conditions, path: path.reject { |p| p.phase == :setup }, autorotation: true),
           Planning::LimitsMap.height_velocity(@type, path: path)]
        end

        def tables = [Planning::SoloDual.table(@conditions, @glide_speed)]
      end
    end
  end
end
