# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Power loss, entry and turns flown once by the model in still air, until the glide has settled after the last
      # turn: what rolling in and out does to sink, speed and rotor rpm is in it. A steady wind moves it over the ground
      # without changing it.
      class FlownTurns
        # Through the air from power loss: metres ahead and to the right of the last heading, velocity likewise.
        Row = Struct.new(:t_s, :ahead_m, :beside_m, :height_m, :ahead_m_s, :beside_m_s, :ias_kt, :sink_m_s, :rotor_pct,
                         :phase)

        STEP_S = FlownSegments::STEP_S
        # The glide after the last turn is flown no longer than this, seconds.
        LONGEST_GLIDE_S = 15.0
        # Far from the ground, whatever the turns take; and no longer than this, seconds.
        START_FT = 50_000.0
        LONGEST_S = 400.0
        KEPT = Kept.new(32)

        # @param task_options [Hash] of PilotTask.build: speeds, rotor rpm, ending, flare height
        # @param turns_deg [Array<Float>] heading changes through the air, right +
        # @param turn_after_s [Float] from power loss to the first turn
        # @param reaction_s [Float] from power loss to the collective moving
        def initialize(conditions, task_options:, turns_deg:, bank_deg:, turn_after_s:, reaction_s:)
          @conditions = conditions
          @task =
            PilotTask.build(
              type: conditions.type,
              course_deg: 0.0,
              closure_s: 0.0,
              entry_height_ft: START_FT,
              turns_deg: turns_deg.map { |deg| deg.round(2) },
              bank_deg: bank_deg,
              turn_after_s: turn_after_s,
              **task_options
            ).with(collective_delay_s: reaction_s)
        end

        # @return [Array<Row>]
        def rows = @rows ||= KEPT.fetch([*@conditions.load_key, @task]) { fly.freeze }

        # Up to the first turn, from where it was begun.
        # @return [FlownSegments::Segment]
        def entry
          @entry ||= FlownSegments::Segment.new(rows: rows[0..turn_begins].map { |row| of_entry(row) }.freeze)
        end

        # From the beginning of the first turn to the end of the last; and from there to the settled glide.
        def turning = rows[turn_begins..turn_ends]
        def settling = rows[turn_ends..]
        def turn_height_lost_m = turning.first.height_m - turning.last.height_m
        def turn_seconds = turning.last.t_s - turning.first.t_s

        private

        def of_entry(row)
          FlownSegments::Row.new(row.t_s, Math.hypot(row.ahead_m, row.beside_m), row.height_m,
                                 Math.hypot(row.ahead_m_s, row.beside_m_s), row.ias_kt, row.sink_m_s, row.rotor_pct,
                                 :entry)
        end

        def turn_begins = @turn_begins ||= rows.index { |row| row.phase == :turn }
        def turn_ends = @turn_ends ||= rows.rindex { |row| row.phase == :turn }

        def fly
          model = Flight::Model.on(@conditions)
          heading = -@task.turns_rad.sum
          model.start(height_m: @task.entry_height_m, speed_kt: @task.entry_speed_kt, course_rad: heading)
          pilot = Pilot.new(@task, model, spot: nil)
          flown = [row(model, pilot)]
          turned_at = nil
          loop do
            model.step(pilot.fly(STEP_S), STEP_S)
            flown << row(model, pilot)
            raise OutsideModel, too_long if model.time_s > LONGEST_S

            turned_at = model.time_s if pilot.phase == :turn
            break if turned_at && pilot.phase == :glide && settled?(flown.last, turned_at)
          end
          model.check_energy
          flown
        end

        def too_long
          turned = @task.turns_rad.sum(&:abs) / Quantities::DEG
          Text.of('%{turned}° of turns at %{bank_rad}° of bank take more than %{longest_s} s: turn less, or bank more',
                  turned: turned.round, bank_rad: (@task.bank_rad / Quantities::DEG).round, longest_s: LONGEST_S.round)
        end

        def settled?(row, turned_at)
          gliding_s = row.t_s - turned_at
          gliding_s > LONGEST_GLIDE_S || (gliding_s > 2.0 && glide.reached?(row, **SteadyGlide::SETTLED))
        end

        def glide = @glide ||= SteadyGlide.new(@conditions, @task)

        def row(model, pilot)
          north, east, up = model.velocity
          speed = Math.hypot(north, east)
          Row.new(
            model.time_s,
            model.position[0],
            model.position[1],
            model.position[2],
            north,
            east,
            model.trim.atmosphere.equivalent_speed(speed) / Quantities::KT,
            -up,
            model.rotor_pct,
            pilot.phase
          )
        end
      end
    end
  end
end
