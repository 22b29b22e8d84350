# frozen_string_literal: true

module Fujin
  module Planning
    # The two parts of an autorotation that no closed form gives, flown once by the model in still air: the entry,
    # and the flare to the end. A steady wind moves them over the ground without changing them.
    #
    # Rows are [t_s, air_distance_m, height_m, air_speed_m_s (true), equivalent_kt, sink_m_s, rotor_pct, phase],
    # time and distance from the start of the segment.
    class FlownSegments
      Segment = Value.define(:rows) do
        def duration_s = rows.last[0]
        def height_lost_m = rows.first[2] - rows.last[2]
      end

      # A hover is reached below this ground speed.
      HOVER_M_S = 0.8

      # Flown segments are dear and depend on neither wind nor height, so the last few are kept.
      KEPT = Kept.new(24)

      # The segments for these conditions, flown now or remembered. Same parameters as #initialize.
      def self.for(conditions, **options)
        KEPT.fetch([*conditions.load_key, options]) { new(conditions, **options) }
      end

      # @param reaction_s [Float] from power loss to the collective moving
      def initialize(conditions, entry_speed_kt:, glide_speed_kt:, target_rotor_pct:, flare_height_ft:, ending:, reaction_s:)
        @conditions = conditions
        @task = Flight::PilotTask.build(type: conditions.type, course_deg: 0.0, entry_speed_kt: entry_speed_kt, closure_s: 0.0,
                                        entry_height_ft: 3000.0, glide_speed_kt: glide_speed_kt, ending: ending,
                                        target_rotor_pct: target_rotor_pct, flare_height_ft: flare_height_ft)
                                 .with(collective_delay_s: reaction_s)
      end

      # From power loss until the glide is established.
      # @return [Segment]
      def entry
        @entry ||= begin
          model = new_model.start(height_m: @task.entry_height_m, speed_kt: @task.entry_speed_kt, course_rad: 0.0)
          steady = model.trim.autorotation_sink_m_s(@task.glide_speed_kt, rotor_pct: @task.target_rotor_pct)
          rows = fly(model, Flight::Pilot.new(@task, model)) do |row|
            row[0] > 14.0 || (row[0] > 3.0 && (row[4] - @task.glide_speed_kt).abs < 2.5 && (row[5] / steady).between?(0.9, 1.1))
          end
          Segment.new(rows: rows.freeze)
        end
      end

      # Lowest rotor rpm in the entry, percent.
      def lowest_rotor_pct = entry.rows.map { |row| row[6] }.min

      # From the flare height to the hover, or to the end of the slide. The last rows after contact have height 0.
      # @return [Segment]
      def flare
        @flare ||= begin
          sink = new_model.trim.autorotation_sink_m_s(@task.glide_speed_kt, rotor_pct: @task.target_rotor_pct)
          model = new_model.start(height_m: @task.flare_height_m + (2.0 * sink), speed_kt: @task.glide_speed_kt, course_rad: 0.0,
                                  sink_m_s: sink, rotor_pct: @task.target_rotor_pct)
          rows = fly(model, Flight::Pilot.new(@task, model).begin_in_glide) { |row| row[0] > 45.0 || (row[7] != :glide && row[3] < HOVER_M_S) }
          shift(rows.drop_while { |row| row[2] > @task.flare_height_m })
        end
      end

      private

      def new_model
        Flight::Model.new(type: @conditions.type, mass_kg: @conditions.mass_kg, atmosphere: @conditions.atmosphere,
                          wind: ->(_height, _time) { [0.0, 0.0] })
      end

      def fly(model, pilot)
        rows = [row(model, pilot)]
        loop do
          model.step(pilot.fly(Flight::Model::STEP_S))
          rows << row(model, pilot)
          next unless yield(rows.last)

          model.check_energy
          return rows
        end
      end

      def row(model, pilot)
        speed = Math.hypot(model.velocity[0], model.velocity[1])
        phase = model.contact && pilot.phase == :cushion ? :touchdown : pilot.phase
        [model.time_s, model.position[0], model.position[2], speed,
         model.trim.atmosphere.equivalent_speed(speed) / Quantities::KT, -model.velocity[2], model.rotor_pct, phase]
      end

      def shift(rows)
        time, distance = rows.first
        Segment.new(rows: rows.map { |r| [r[0] - time, r[1] - distance, *r[2..]] }.freeze)
      end
    end
  end
end
