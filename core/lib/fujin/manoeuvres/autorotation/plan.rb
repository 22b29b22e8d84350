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
          segment = over_ground.flare_to_end(flown)
          Taken.new(
            along_m: over_ground.flare_m(flown),
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
                      Text.of('the rotor turns at %{floor_pct} % with the collective on its stop today; %{given} % ' \
                        'cannot be held',
                              floor_pct: @floor_pct.round(1), given: given)
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

        def over_ground
          @over_ground ||= OverGround.new(@conditions, course_deg: @course_deg, ending: @house['ending'])
        end

        def flare_to_end = @flare_to_end ||= over_ground.flare_to_end(flare)

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
              contact_speed_m_s: over_ground.contact_speed(flare),
              house: @house
            )
            .all
            .merge(place_numbers, delay_numbers)
        end

        def reaches = spot_options.all

        def spot_options = @spot_options ||= options_from(parts.entry_m, @course_deg)

        # @param start_m [Array(Float, Float)] where the entry lies, along and across that final course from the spot
        def options_from(start_m, course_deg)
          SpotOptions.new(
            @conditions,
            trim: @trim,
            course_deg: course_deg,
            track_deg: entry_track_deg,
            usual: @usual,
            height_m: @height_ft * Q::FT,
            flare_height_m: flare_height_ft * Q::FT,
            gate_above_flare_m: (gate_height_ft - flare_height_ft) * Q::FT,
            entry: entry,
            flare: flare_to_end,
            entry_speed_kt: @entry_speed,
            start_m: start_m
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

        def gates = glide_gates.all

        def glide_gates =
          GlideGates.new(
            targets: targets,
            path: path,
            standard: @standard,
            stage: @stage,
            house: @house
          )

        def setup
          first = path.find { |p| p.phase != :setup } || path.first
          off = (entry_track_deg - @course_deg) * Q::DEG
          text =
            Text.of('%{entry_speed} kt, %{height_ft} ft, in trim and on the line for %{house} s before %{entry_words}',
                    entry_speed: @entry_speed.round, height_ft: @height_ft.round, house: @house['setup_s'].round,
                    entry_words: entry_words)
          setup_before(
            first.along_ft - (delay_ft * Math.cos(off)),
            @entry_speed,
            text,
            across_ft: first.across_ft - (delay_ft * Math.sin(off)),
            track_deg: entry_track_deg
          )
        end

        def entry_words =
          if delay_s.zero?
            'the entry'
          else
            Text.of('the usual entry point, then %{delay_s} s more, level, before the entry', delay_s: delay_s.round)
          end

        def entry_track_deg = @course_deg

        def charts
          [Planning::LimitsMap.sink(@conditions, path: path.reject { |p| p.phase == :setup }, autorotation: true),
           Planning::LimitsMap.height_velocity(@type, path: path)]
        end

        def tables = [Planning::SoloDual.table(@conditions, @glide_speed)]

        def own_cautions =
          GlideCautions.new(@conditions, @house, numbers: numbers, left_out: spot_options.left_out).all
      end
    end
  end
end
