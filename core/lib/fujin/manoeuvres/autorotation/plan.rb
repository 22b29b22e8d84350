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
          @entry_speed = Planning::NeverExceed.capped(house.entry_speed_kt(@type), conditions)
          house_kt = Planning::NeverExceed.capped(house.glide_speed_kt(@type, @trim), conditions)
          @floor_pct = @trim.floor_rotor_rpm_pct(house_kt)
          check_target(@settings['glide_rotor_rpm_pct'])
          target_pct = @settings['glide_rotor_rpm_pct'] || [100.0, @floor_pct].min
          @usual = SpotOptions::Pace.new(speed_kt: house_kt, target_pct: target_pct)
          pace = SpotOptions.pace(@settings['spot_option'], conditions, @trim, @usual, headwind_kt)
          @glide_speed = pace.speed_kt
          @target_pct = pace.target_pct
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
            'gate_speed_kt' => @usual.speed_kt,
            'gate_rotor_rpm_pct' => @usual.target_pct,
            'gate_sink_fpm' => usual_sink_m_s / Q::FPM,
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

        # How the aircraft gets from power loss to the spot, besides #begun and #flared. The first of `turns_deg` begins
        # `turn_after_s` after the power went; `restored` are the legs that end a stretched or slow glide
        # (PacedGlide::Leg); `entry_m` is the entry's place from the spot along and across, metres.
        Parts = Value.define(
          :turns_deg, :bank_deg, :turn_after_s, :restored, :entry_m,
          defaults: { turns_deg: [].freeze, bank_deg: 0.0, turn_after_s: 0.0 }
        )

        # From the flare's beginning to the point that the spot stands for, flown with another speed, rotor rpm or flare
        # height.
        # @return [Taken]
        def flared(speed_kt: 0.0, rotor_pct: 0.0, height_ft: 0.0)
          flown =
            flown_segments(
              @usual.speed_kt + speed_kt,
              @usual.target_pct + rotor_pct,
              flare_height_ft: flare_height_ft + height_ft
            ).flare
          segment = flare_to_end(flown: flown)
          Taken.new(
            along_m: flare_distance_m(segment: segment),
            across_m: 0.0,
            seconds: segment.duration_s,
            height_m: segment.height_lost_m
          )
        end

        # Speed, rotor rpm and height of what a flight of this plan wins back, for its pilot; nil for the house's glide.
        def restored
          return nil unless paced.restored?

          {
            below_ft: flare_height_ft + (paced.least_height_m / Q::FT),
            speed_kt: @usual.speed_kt,
            rotor_pct: @usual.target_pct
          }
        end

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

        def usual_sink_m_s =
          @usual_sink_m_s ||= @trim.autorotation_sink_m_s(@usual.speed_kt, rotor_pct: @usual.target_pct)

        # The glide as it is flown today, the house's speed won back before the gate.
        def paced
          @paced ||=
            PacedGlide.new(
              @conditions,
              trim: @trim,
              pace: SpotOptions::Pace.new(speed_kt: @glide_speed, target_pct: @target_pct),
              usual: @usual,
              gate_above_flare_m: (gate_height_ft - flare_height_ft) * Q::FT
            )
        end

        def true_speed(speed_kt) = @conditions.atmosphere.true_speed(speed_kt * Q::KT)

        # The entry settles into the pace that is glided, the flare begins from the house's.
        def segments = @segments ||= flown_segments(@glide_speed, @target_pct)
        def flare_segments = paced.restored? ? flown_segments(@usual.speed_kt, @usual.target_pct) : segments

        def flown_segments(speed_kt, rotor_pct, flare_height_ft: self.flare_height_ft) =
          FlownSegments.new(
            @conditions,
            glide_speed_kt: speed_kt,
            target_rotor_pct: rotor_pct,
            reaction_s: @house.collective_reaction_s.to_f,
            headwind_kt: headwind_kt,
            **flown_ending,
            flare_height_ft: flare_height_ft
          )

        # What entry, turns and flare are flown with alike.
        def flown_ending
          {
            entry_speed_kt: @entry_speed,
            flare_height_ft: flare_height_ft,
            ending: @house.flown_ending,
            hover_height_ft: @house['hover_height_ft'].to_f
          }
        end

        def entry = segments.entry
        def flare = @flare ||= flare_segments.flare

        def headwind(change_kt = 0.0) = (@conditions.wind.headwind_kt(@course_deg) + change_kt) * Q::KT
        def crosswind = @conditions.wind.crosswind_kt(@course_deg) * Q::KT

        # Ground speed along the course for a true airspeed held on it with the right drift angle.
        def ground_speed(true_speed, wind_change_kt = 0.0)
          across = crosswind.abs
          (true_speed > across ? Math.sqrt((true_speed**2) - (across**2)) : 0.0) - headwind(wind_change_kt)
        end

        # In the flare the nose comes onto the course and the drift is held by the low wing, so that the airspeed along
        # the course and the ground speed differ by the headwind alone.
        def flare_ground_speed(air_along, wind_change_kt = 0.0) = air_along - headwind(wind_change_kt)

        # The entry's distance over the ground in the wind.
        def entry_ground_distance(wind_change_kt = 0.0, segment: entry) =
          segment.rows.each_cons(2).sum do |a, b|
            ground_speed((a.air_along_m_s + b.air_along_m_s) / 2.0, wind_change_kt) * (b.t_s - a.t_s)
          end

        # The flare's, to the point that the spot stands for.
        def flare_distance_m(wind_change_kt = 0.0, segment: flare_to_end(wind_change_kt))
          rows = segment.rows
          (rows.last.air_m - rows.first.air_m) - (headwind(wind_change_kt) * (rows.last.t_s - rows.first.t_s))
        end

        # The flare as far as the point the spot stands for: the hover over the ground, the start of the ground run, or
        # the first contact.
        def flare_to_end(wind_change_kt = 0.0, flown: flare)
          stop =
            case @house['ending']
            when 'touchdown'
              flown.rows.index { |row| row.phase == :touchdown }
            when 'recovery_run'
              flown.rows.index { |row| row.phase == :recovery }
            else
              unless wind_change_kt.zero?
                flown.rows.index { |row| flare_ground_speed(row.air_along_m_s, wind_change_kt) < FlownSegments::HOVER_M_S }
              end
            end
          FlownSegments::Segment.new(rows: flown.rows[0..(stop || -1)])
        end

        def gate_height_ft =
          [flare_height_ft + (usual_sink_m_s * @house.gate_time_s(@type) / Q::FT), @house['gate_minimum_ft'].to_f].max

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
              flare_peak_pct: flare_peak_pct,
              contact_speed_m_s: contact_ground_speed,
              house: @house
            )
            .all
            .merge(place_numbers, delay_numbers)
        end

        def reaches = spot_options.all

        def spot_options
          @spot_options ||= SpotOptions.new(
            @conditions,
            trim: @trim,
            course_deg: @course_deg,
            track_deg: entry_track_deg,
            usual: @usual,
            height_m: @height_ft * Q::FT,
            flare_height_m: flare_height_ft * Q::FT,
            gate_above_flare_m: (gate_height_ft - flare_height_ft) * Q::FT,
            entry: entry,
            flare: flare_to_end,
            entry_speed_kt: @entry_speed,
            start_m: parts.entry_m
          )
        end

        def flare_peak_pct
          flare.rows.take_while { |row| %i[flare glide].include?(row.phase) }.map(&:rotor_pct).max
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
          row && [flare_ground_speed(row.air_along_m_s), 0.0].max
        end

        GATE_MEASURES = { 'gate_ias_kt' => 'kt', 'gate_rotor_rpm_pct' => 'pct', 'gate_sink_fpm' => 'fpm' }.freeze
        private_constant :GATE_MEASURES

        # The gate is held to what the student's stage is graded by.
        def gate_bands
          standard = declaration.standard || StraightInAutorotation.standard
          GATE_MEASURES.to_h do |id, unit|
            band = standard.band(id, @stage, targets)
            low, high = band.in
            widest = band.worst_best || [low, high]
            [id, { target: band.target, low: [low, widest[0]].max, high: [high, widest[1]].min, unit: unit }]
          end
        end

        def gates
          [
            Planning::Gate.new(
              id: 'gate',
              height_ft: gate_height_ft,
              along_ft: along_at(gate_height_ft),
              measures: gate_bands,
              text: 'in band, or go around: throttle joined first, then collective'
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
          return 'begin the flare; rotor rpm shows if it works' unless @house['flare_cue'] == 'sight_picture'

          "#{(flare_height_ft * Q::FT / usual_sink_m_s).round(1)} s from the ground at this sink: when the " \
            'ground comes up fast, not at a height'
        end

        def along_at(height_ft)
          above, below =
            path.each_cons(2).to_a.reverse.find { |a, b| a.height_ft >= height_ft && b.height_ft < height_ft }
          return nil unless above

          share = (above.height_ft - height_ft) / (above.height_ft - below.height_ft)
          above.along_ft + (share * (below.along_ft - above.along_ft))
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

        def own_cautions = [entry_rpm, flare_rpm, speed_capped, at_the_end, *options_left_out].compact

        # What the end of the house's method asks for.
        def at_the_end
          if @house['ending'] == 'touchdown'
            caution('surface', 'caution', 'Touchdown only on a level hard surface that was looked at, into wind.')
          else
            caution('join', 'caution',
                    'Throttle joins as rotor rpm starts to fall, never with the rotor above its band.')
          end
        end

        # A clean entry that leaves the green band: how far, so that it is expected and no more.
        def entry_rpm
          lowest = value('lowest_rotor_rpm_pct')
          low = @type.power_off_band[0]
          return nil unless lowest < low

          absolute = @type.absolute_rotor_rpm[0]
          caution(
            'entry_rpm',
            lowest < absolute + ENTRY_ROOM_PCT ? 'limit' : 'caution',
            "The entry flown as planned takes rotor rpm to #{lowest.round(1)} %, #{(low - lowest).round(1)} points " \
              "under the band's #{low} % (absolute #{absolute} %): the warning will sound. A sooner collective, a " \
              'slower ' \
              'entry or more mass keeps it higher.'
          )
        end
        # Left over the absolute limit, points, before an entry is a limit.
        ENTRY_ROOM_PCT = 3.0
        private_constant :ENTRY_ROOM_PCT

        def flare_rpm
          peak = value('flare_rotor_rpm_peak_pct')
          high = @type.power_off_band[1]
          return nil unless peak > high

          absolute = @type.absolute_rotor_rpm[1]
          caution(
            'flare_rpm',
            peak > absolute ? 'limit' : 'caution',
            "The flare flown as planned takes rotor rpm to #{peak.round(1)} %, #{(peak - high).round(1)} points over " \
              'the ' \
              "band's #{high} % (absolute #{absolute} %): collective check ready as it rises, ease the flare before " \
              'the limit.'
          )
        end

        # What the house would fly faster than today's power-off never-exceed allows.
        def speed_capped
          highest = Planning::NeverExceed.highest_planned_kt(@conditions)
          wanted = { 'entry' => @house.entry_speed_kt(@type), 'glide' => @house.glide_speed_kt(@type, @trim) }
          over = wanted.select { |_, speed_kt| speed_kt > highest }
          return nil if over.empty?

          caution(
            'never_exceed',
            'caution',
            "Power-off never-exceed is #{value('never_exceed_power_off_kt').round(1)} kt today: " \
              "#{over.map { |what, kt| "#{what} at #{highest.floor} kt instead of #{kt.round}" }.join(', ')}."
          )
        end

        def options_left_out =
          spot_options.left_out.map do |option, reason|
            caution("left_out_#{option}", 'note', "#{OPTION_WORDS.fetch(option)} is left out today: #{reason}.")
          end
        OPTION_WORDS = {
          'glide' => 'The area reached by the house glide', 'stretch' => 'A stretched glide', 'slow' => 'A slow glide',
          'delay' => 'A delayed entry', 's_turn' => 'An S-turn', 'circle' => 'A full circle'
        }.freeze
        private_constant :OPTION_WORDS
      end
    end
  end
end
