# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The two parts of an autorotation that no closed form gives, flown once by the model: the entry in still air,
      # since a steady wind moves it over the ground without changing it; and the flare to the end against the day's
      # headwind, since a pilot ends it by the ground that goes by.
      class FlownSegments
        # Time and distance through the air from the start of the segment; true airspeed along the segment's line, which
        # is negative where a tailwind overtakes the aircraft, and airspeed as the dial shows it.
        Row = Struct.new(:t_s, :air_m, :height_m, :air_along_m_s, :ias_kt, :sink_m_s, :rotor_pct, :phase)
        Segment = Value.define(:rows) do
          def duration_s = rows.last.t_s
          def height_lost_m = rows.first.height_m - rows.last.height_m
        end

        # Half as often as a recording is flown: the places differ by less than three feet.
        STEP_S = 0.04
        LONGEST_ENTRY_S = 20.0
        LONGEST_FLARE_S = 45.0

        # Steady glide flown before the flare, so that what the start imposes has died away, seconds.
        SETTLING_S = 6.0

        # A hover is reached below this ground speed.
        HOVER_M_S = 0.8
        HOVER_SINK_M_S = 0.3
        HOVER_ABOVE_M = 0.4

        # Flown segments are dear: the last few are kept, the headwind to the nearest knot.
        KEPT = Kept.new(48)

        # @param reaction_s [Float] from power loss to the collective moving
        # @param headwind_kt [Float] along the final course
        def initialize(
          conditions,
          entry_speed_kt:,
          glide_speed_kt:,
          target_rotor_pct:,
          flare_height_ft:,
          ending:,
          reaction_s:,
          headwind_kt: 0.0,
          hover_height_ft: PilotTask::HOVER_HEIGHT_FT
        )
          @conditions = conditions
          # With next to no ground speed left a flare means nothing: it is flown as if there were some.
          @headwind = [
            headwind_kt.round * Quantities::KT,
            0.6 * conditions.atmosphere.true_speed(glide_speed_kt * Quantities::KT)
          ].min
          @task =
            PilotTask.build(
              type: conditions.type,
              course_deg: 0.0,
              entry_speed_kt: entry_speed_kt,
              closure_s: 0.0,
              entry_height_ft: 3000.0,
              glide_speed_kt: glide_speed_kt,
              ending: ending,
              target_rotor_pct: target_rotor_pct,
              flare_height_ft: flare_height_ft,
              hover_height_ft: hover_height_ft
            ).with(collective_delay_s: reaction_s)
        end

        # From power loss until the glide is established.
        # @return [Segment]
        def entry = @entry ||= cut(settled_entry, SteadyGlide::ESTABLISHED)

        # From power loss until speed and sink are the glide's own, all but: what is left of the entry's speed has been
        # glided out.
        # @return [Segment]
        def settled_entry = @settled_entry ||= KEPT.fetch([:entry, *@conditions.load_key, @task]) { fly_entry }

        # Lowest rotor rpm in the entry, percent.
        def lowest_rotor_pct = entry.rows.map(&:rotor_pct).min

        # From the flare height to the hover, or to the end of the slide. The last rows after contact have height 0.
        # @return [Segment]
        def flare = @flare ||= KEPT.fetch([:flare, *@conditions.load_key, @task, @headwind]) { fly_flare }

        private

        def fly_entry
          model = model_in(0.0).start(height_m: @task.entry_height_m, speed_kt: @task.entry_speed_kt, course_rad: 0.0)
          rows = fly(model, 0.0) { |row| gliding?(row, SteadyGlide::SETTLED) }
          Segment.new(rows: rows.freeze)
        end

        def glide = @glide ||= SteadyGlide.new(@conditions, @task)

        def gliding?(row, near) = row.t_s > LONGEST_ENTRY_S || (row.t_s > 3.0 && glide.reached?(row, **near))

        def cut(segment, near) =
          Segment.new(rows: segment.rows[0..(segment.rows.index { |row| gliding?(row, near) })].freeze)

        def fly_flare
          sink = glide.sink_m_s
          model =
            model_in(@headwind).start(
              height_m: @task.flare_height_m + (SETTLING_S * sink),
              speed_kt: @task.glide_speed_kt,
              course_rad: 0.0,
              sink_m_s: sink,
              rotor_pct: @task.target_rotor_pct
            )
          rows =
            fly(model, @headwind, gliding: true) do |row|
              row.t_s > LONGEST_FLARE_S || (row.phase != :glide && hovering?(row))
            end
          shift(rows.drop_while { |row| row.height_m > @task.flare_height_m })
        end

        # Flying north into this headwind.
        def model_in(headwind)
          Flight::Model.on(@conditions, wind: ->(_height, _time) { [-headwind, 0.0] })
        end

        def fly(model, headwind, gliding: false)
          pilot = Pilot.new(@task, model)
          pilot.begin_in_glide if gliding
          rows = [row(model, pilot, headwind)]
          loop do
            model.step(pilot.fly(STEP_S), STEP_S)
            rows << row(model, pilot, headwind)
            next unless yield(rows.last)

            model.check_energy
            return rows
          end
        end

        def row(model, pilot, headwind)
          along = model.velocity[0] + headwind
          phase = model.contact && pilot.phase == :cushion ? :touchdown : pilot.phase
          Row.new(
            model.time_s,
            model.position[0] + (headwind * model.time_s),
            model.position[2],
            along,
            model.trim.atmosphere.equivalent_speed(along.abs) / Quantities::KT,
            -model.velocity[2],
            model.rotor_pct,
            phase
          )
        end

        # Over the spot and no longer coming down: against a strong wind the one is there before the other.
        def hovering?(row) =
          (row.air_along_m_s - @headwind).abs < HOVER_M_S && row.sink_m_s.abs < HOVER_SINK_M_S &&
            row.height_m < @task.hover_height_m + HOVER_ABOVE_M

        def shift(rows)
          first = rows.first
          moved = rows.map { |row| Row.new(row.t_s - first.t_s, row.air_m - first.air_m, *row.to_a.drop(2)) }
          Segment.new(rows: moved.freeze)
        end
      end
    end
  end
end
