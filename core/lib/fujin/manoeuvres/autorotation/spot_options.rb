# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Where each way of reaching a spot can put the aircraft from the entry point, in today's wind: the house glide, a
      # stretched glide, a slow one, a delayed entry, an S-turn, a full circle.
      class SpotOptions
        Q = Quantities
        DELAY_S = 10.0
        BANK_DEG = 30.0
        S_TURN_DEG = 45.0

        # Turns that an option adds, degrees in order.
        TURNS_DEG = {
          's_turn' => [S_TURN_DEG, -2.0 * S_TURN_DEG, S_TURN_DEG].freeze,
          'circle' => [360.0].freeze
        }.freeze

        # Speed and rotor rpm of an option.
        Pace = Value.define(:speed_kt, :target_pct)

        # 'slow' is the type's lowest glide speed; 'stretch' best range over the ground at the low side of the rotor
        # band, both restored before the gate.
        # @param usual [Pace] of the house glide
        # @return [Pace]
        def self.pace(option, conditions, trim, usual, headwind_kt)
          case option
          when 'slow'
            Pace.new(
              speed_kt:
                conditions.type.optional('speeds_kt.lowest_glide') ||
                  trim.minimum_sink(rotor_pct: usual.target_pct).first,
              target_pct: usual.target_pct
            )
          when 'stretch'
            pct = [usual.target_pct, conditions.type.power_off_band[0] + 2.0].min
            best_kt, =
              trim.best_glide(
                rotor_pct: pct,
                headwind_kt: headwind_kt,
                highest_kt: Planning::NeverExceed.highest_planned_kt(conditions)
              )
            Pace.new(speed_kt: best_kt, target_pct: pct)
          else usual
          end
        end

        # @param usual [Pace] of the house glide
        # @param start_m [Array(Float, Float)] place of the entry from the spot, along and across the final course,
        #   metres
        # @param track_deg [Float] true track of the entry, @param course_deg [Float] final course
        def initialize(
          conditions,
          trim:,
          course_deg:,
          track_deg:,
          usual:,
          height_m:,
          flare_height_m:,
          gate_above_flare_m:,
          entry:,
          flare:,
          entry_speed_kt:,
          start_m:
        )
          @conditions = conditions
          @trim = trim
          @track_deg = track_deg
          @turned = (track_deg - course_deg) * Q::DEG
          @usual = usual
          @height_m = height_m
          @flare_height_m = flare_height_m
          @gate_above_flare_m = gate_above_flare_m
          @entry = entry
          @flare = flare
          @entry_speed_kt = entry_speed_kt
          @start_m = start_m
        end

        # @return [Array<Reach>] of what can be flown today
        def all = reaches.compact

        # @return [Hash{String => String}] why an option cannot be flown today
        def left_out
          reaches
          @left_out
        end

        # How far ahead of the entry point it ends straight on, metres.
        # @param option [String] whose speed and rotor rpm the glide has
        # @param turns_deg [Array<Float>] flown first, at the house's speed
        # @raise [OutsideModel] for what cannot be flown
        def ahead_m(option = 'glide', turns_deg: [])
          turns = turns_deg.map { |deg| turn(deg) }
          straight = area_of(pace_of(option), spent_m: turns.sum(0.0, &:height_lost_m)).straight_m
          moved([[straight, 0.0]], net_ahead(turns), turns.sum(0.0, &:duration_s)).first.first
        end

        # Over the ground, level at the entry's speed.
        def level_m_s
          @conditions.wind.groundspeed_kt(@track_deg, @conditions.atmosphere.true_speed(@entry_speed_kt)) * Q::KT
        end

        private

        def ways
          {
            'glide' => -> { reach('glide', @usual, glide_points) },
            'stretch' => -> { paced('stretch') },
            'slow' => -> { paced('slow') },
            'delay' => -> { delay },
            's_turn' => -> { turning('s_turn') },
            'circle' => -> { turning('circle') }
          }
        end

        # An option outside the model costs itself only.
        def reaches
          @left_out ||= {}
          @reaches ||=
            ways.map do |option, way|
              way.call
            rescue OutsideModel => e
              @left_out[option] = e.message
              nil
            end
        end

        # Points along and across the entry's track, turned into the final course.
        def reach(option, pace, points, shift_m: 0.0)
          return nil if points.empty?

          placed =
            points.map do |ahead, beside|
              along = ahead + shift_m
              [
                (@start_m[0] + (along * Math.cos(@turned)) - (beside * Math.sin(@turned))) / Q::FT,
                (@start_m[1] + (along * Math.sin(@turned)) + (beside * Math.cos(@turned))) / Q::FT
              ]
            end
          Planning::Reach.new(option: option, speed_kt: pace.speed_kt, points: placed.freeze)
        end

        def area(pace, spent_m: 0.0) = area_of(pace, spent_m: spent_m).points

        def area_of(pace, spent_m:)
          ReachableArea.new(
            @conditions,
            trim: @trim,
            course_deg: @track_deg,
            pace: pace,
            usual: @usual,
            gate_above_flare_m: @gate_above_flare_m,
            height_m: @height_m - spent_m,
            flare_height_m: @flare_height_m,
            entry: @entry,
            flare: @flare
          )
        end

        def glide_points = @glide_points ||= area(@usual)

        def pace_of(option) =
          self.class.pace(option, @conditions, @trim, @usual, @conditions.wind.headwind_kt(@track_deg))

        def paced(option)
          pace = pace_of(option)
          reach(option, pace, area(pace))
        end

        # Ten more seconds level before the entry.
        def delay
          reach('delay', @usual, glide_points, shift_m: level_m_s * DELAY_S)
        end

        # Height spent in the turns leaves less to glide; what is left reaches ahead of where they end.
        def turning(option)
          turns = TURNS_DEG.fetch(option).map { |deg| turn(deg) }
          reach(
            option,
            @usual,
            moved(area(@usual, spent_m: turns.sum(&:height_lost_m)), net_ahead(turns), turns.sum(&:duration_s))
          )
        end

        def turn(deg) =
          SteadyTurn.of(
            @trim,
            speed_kt: @usual.speed_kt,
            turn_deg: deg,
            bank_deg: BANK_DEG,
            rotor_pct: @usual.target_pct
          ).fly

        # Distance gained along the first heading by turns one after another.
        def net_ahead(turns)
          heading = 0.0
          turns.sum do |flown|
            last = flown.rows.last
            gained = (last.along_m * Math.cos(heading)) - (last.across_m * Math.sin(heading))
            heading += last.heading_rad
            gained
          end
        end

        # Points carried by the distance gained and by the wind while turning.
        def moved(points, ahead_m, seconds)
          north, east = @conditions.wind.vector
          along, across = LocalMap.along_across(north, east, @track_deg)
          points.map { |a, x| [a + ahead_m + (along * seconds), x + (across * seconds)] }
        end
      end
    end
  end
end
