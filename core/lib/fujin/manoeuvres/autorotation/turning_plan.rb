# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Plans an autorotation with one turn (90°, 180°, 360° or any other) onto the final course: abeam distance,
      # height lost in the turn, where it starts, how high the aircraft is when it is out of it.
      class TurningPlan < Plan
        def self.declaration = TurningAutorotation

        FOR_A_CLOSE_SPOT = { 'turn_deg' => 360.0 }.freeze
        DEFAULT_TURN_DEG = 180.0
        DEFAULT_BANK_DEG = 30.0

        # Without a height given, the next hundred feet that lets the turn be out by the house's height.
        def initialize(conditions, house, **options)
          super
          return if @height_given || wanted_height_ft <= @height_ft

          @height_ft = wanted_height_ft.ceil(-2).to_f
          @route = nil
        end

        # @return [Autorotation::Plan::Parts]
        def parts
          first = path.find { |p| p.phase != :setup }
          Parts.new(
            turns_deg: all_turns_deg,
            bank_deg: bank_deg,
            turn_after_s: @house.turn_after_s,
            restored: paced.restored,
            entry_m: [first.along_ft * Q::FT, first.across_ft * Q::FT].freeze
          )
        end

        # From power loss to the settled glide after the turns, flown to another speed and bank, or in more headwind: a
        # pilot lays off another drift then. What that changes is told; carried it is by the day's wind.
        # @return [Taken]
        def begun(speed_kt: 0.0, bank_deg: 0.0, headwind_kt: 0.0)
          return route.begun if [speed_kt, bank_deg, headwind_kt].all?(&:zero?)

          speed = @glide_speed + speed_kt
          bank = self.bank_deg + bank_deg
          turns = sequence_at(speed, bank, wind: @conditions.wind.with_headwind(headwind_kt, @course_deg))
          taken = route_of(turns, flown_turns_at(speed, bank, turns), @height_ft).begun
          taken.with(along_m: taken.along_m + (headwind_kt * Q::KT * taken.seconds))
        end

        # The option chosen is part of this plan's own route.
        def chosen = self

        private

        def default_height_ft = 1000.0
        def turn_deg = (@settings['turn_deg'] || DEFAULT_TURN_DEG).to_f
        def bank_deg = (@settings['bank_deg'] || DEFAULT_BANK_DEG).to_f
        def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
        def turns_deg = [side * turn_deg]
        # With the turns that a spot too close asks for on the final course.
        def all_turns_deg = [*turns_deg, *SpotOptions::TURNS_DEG[@settings['spot_option']]]
        def entry_track_deg = route.entry_track_deg

        def route = @route ||= route_from(@height_ft)

        def route_from(height_ft) = route_of(sequence, flown_turns, height_ft)

        def route_of(turns, flown, height_ft)
          TurnRoute.new(
            @conditions,
            course_deg: @course_deg,
            sequence: turns,
            flown: flown,
            glide: paced,
            height_ft: height_ft,
            flare_height_ft: flare_height_ft,
            flare: flare_to_end,
            entry_speed_kt: @entry_speed,
            setup_s: level_s
          )
        end

        def sequence = @sequence ||= sequence_at(@glide_speed, bank_deg)

        def sequence_at(speed_kt, bank, wind: @conditions.wind) =
          TurnSequence.new(
            @conditions.with(wind: wind),
            course_deg: @course_deg,
            trim: @trim,
            speed_kt: speed_kt,
            target_pct: @target_pct,
            bank_deg: bank,
            turns_deg: all_turns_deg,
            first_speed_m_s: turn_speed_m_s
          )

        # True airspeed when the turn begins.
        def turn_speed_m_s
          rows = segments.settled_entry.rows
          (rows.find { |row| row.t_s >= @house.turn_after_s } || rows.last).air_along_m_s
        end

        def flown_turns = @flown_turns ||= flown_turns_at(@glide_speed, bank_deg, sequence)

        def flown_turns_at(speed_kt, bank, turns) =
          FlownTurns.new(
            @conditions,
            task_options: flown_ending.merge(glide_speed_kt: speed_kt, target_rotor_pct: @target_pct),
            turns_deg: turns.changes_deg,
            bank_deg: bank,
            turn_after_s: @house.turn_after_s,
            reaction_s: @house.collective_reaction_s.to_f
          )

        # The turn has to be over before the flare.
        def lowest_height_ft =
          @height_ft - route.roll_out_height_ft + flare_height_ft + [paced.least_height_m / Q::FT, 20.0].max

        # Height at which the turn is out by the house's height.
        def wanted_height_ft = @height_ft - route.roll_out_height_ft + [@house.turn_out_ft, flare_height_ft + 20.0].max

        def path = route.points

        def place_numbers
          entry_point = path.find { |p| p.phase != :setup }
          turn = route.turns.first
          {
            'turn_height_ft' =>
              number(
                route.height_lost_in_turns_ft,
                'ft',
                route.height_lost_in_turns_ft * (1 - SINK_SPREAD),
                route.height_lost_in_turns_ft * (1 + SINK_SPREAD)
              ),
            'turn_steady_height_ft' => number(route.turns.sum(&:steady_height_lost_m) / Q::FT, 'ft'),
            'turn_radius_ft' => number(turn.radius_m / Q::FT, 'ft'),
            'bank_deg' => number(bank_deg, 'deg'),
            'turn_sink_fpm' => number(turn.sink_m_s / Q::FPM, 'fpm'),
            'turn_time_s' => number(route.turn_seconds, 's'),
            'turn_delay_s' => number(@house.turn_after_s, 's'),
            'turn_start_height_ft' => number(route.turn_start_height_ft, 'ft'),
            'roll_out_height_ft' => number(route.roll_out_height_ft, 'ft'),
            'turn_out_by_ft' => number(@house.turn_out_ft, 'ft'),
            'entry_along_ft' => number(entry_point.along_ft, 'ft'),
            'abeam_ft' => number(entry_point.across_ft.abs, 'ft'),
            'entry_distance_ft' => number(Math.hypot(entry_point.along_ft, entry_point.across_ft), 'ft'),
            'lowest_entry_height_ft' => number(wanted_height_ft, 'ft'),
            'rotor_rpm_in_turn_on_floor_pct' =>
              try('pct') { @trim.floor_rotor_rpm_pct(@glide_speed, bank_deg: bank_deg) }
          }
        end

        def gates
          level = glide_gates.gate('roll out', @house.turn_out_ft, {}, 'level by here, or go around')
          [level.with(over: 'turn'), *super]
        end

        def tables = [*super, bank_table]

        # What another bank would cost.
        def bank_table
          rows =
            [15.0, 20.0, 30.0, 45.0].map do |bank|
              turn =
                cell do
                  SteadyTurn.of(
                    @trim,
                    speed_kt: @glide_speed,
                    turn_deg: turns_deg.first,
                    bank_deg: bank,
                    rotor_pct: @target_pct
                  ).fly
                end
              next [bank, nil, nil, nil, nil] unless turn

              [bank, turn.radius_m / Q::FT, turn.sink_m_s / Q::FPM, turn.duration_s, turn.height_lost_m / Q::FT]
            end
          Planning::Table.new(
            id: 'banks',
            title: Text.of('Bank for %{turns_deg}°', turns_deg: turns_deg.first.abs.round),
            columns: [%w[Bank deg], %w[Radius ft], %w[Sink fpm], %w[Time s], ['Height lost', 'ft']],
            rows: rows,
            note:
              'Still air, roll in and out included. More bank: more sink, less height for the turn, a smaller radius.'
          )
        end

        def own_cautions
          floor = value('rotor_rpm_in_turn_on_floor_pct')
          high = @type.power_off_band[1]
          shown = if floor
                    Text.of('%{floor} % on the stop at %{bank_deg}°', floor: floor.round, bank_deg: bank_deg.round)
                  else
                    'beyond the model'
                  end
          found = [
            caution(
              'turn_rpm',
              'caution',
              Text.of('Bank builds rotor rpm (%{shown}): a small check going into the turn, off again rolling out.',
                      shown: shown)
            )
          ]
          if floor && floor > high
            found << caution(
              'turn_rpm_over',
              'caution',
              Text.of("Without a check the rotor would pass the band's %{high} % in this turn, by %{floor} points.",
                      high: high, floor: (floor - high).ceil)
            )
          end
          found << downwind_caution if turn_deg >= 120
          found << late_out
          super + found.compact
        end

        def late_out
          short = @house.turn_out_ft - route.roll_out_height_ft
          return nil unless short.positive?

          caution(
            'turn_out',
            'limit',
            Text.of('Out of the turn at %{roll_out_height_ft} ft, %{turn_out_ft} ft wanted, %{short} ft too low: ' \
              'begin at %{wanted_height_ft} ft or above, or turn less.',
                    roll_out_height_ft: route.roll_out_height_ft.round, turn_out_ft: @house.turn_out_ft.round,
                    short: short.ceil, wanted_height_ft: wanted_height_ft.ceil(-1))
          )
        end

        def downwind_caution
          tail = -wind.headwind_kt(route.entry_track_deg)
          return nil unless tail > 5

          caution(
            'downwind',
            'caution',
            Text.of('%{kt} kt of tailwind at the entry: %{away} ft a second away from the spot. Turn without ' \
              'delay.',
                    kt: tail.round, away: (tail * Q::KT / Q::FT).round)
          )
        end
      end
    end
  end
end
