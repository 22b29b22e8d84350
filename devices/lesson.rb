# frozen_string_literal: true

require_relative '../core/lib/fujin'
require_relative 'scripted_lessons'

module Fujin
  module Devices
    # A lesson as the stand-in recorder has flown it: the exercises one after another, by the model's pilot where it can
    # fly them, along its planned line where it is a figure, else along a script; a clean attempt and one with a fault.
    class Lesson
      SPOT = [47.2104, -14.3320].freeze
      ELEVATION_FT = 62.0
      RATE_HZ = 10.0
      # Of a lesson of one exercise; of several each is flown less often.
      ALONE = 3
      EACH = 2
      # What is planted in an attempt, by exercise; of the glide's one after another.
      GLIDE_FAULTS = [{}, { 'late_collective' => 1.4 }, { 'slow_glide' => 12.0 }, { 'weak_flare' => 0.35 }].freeze
      FAULTS = {
        'turning_autorotation' => { 'late_turn' => 5.0 }, 'hovering_autorotation' => { 'weak_cushion' => 0.5 },
        'normal_approach' => { 'too_steep' => 4.0 }, 'steep_approach' => { 'sank_at_low_speed' => 250.0 },
        'run_on_landing' => { 'too_shallow' => 2.0 }, 'confined_area' => { 'late_decision' => 7.0 }
      }.freeze
      FIGURES = %w[rectangle turns_across_a_line].freeze
      SCRIPTS = {
        'hover' => 'hovers', 'lift_off_and_set_down' => 'hovers', 'effects_of_controls' => 'hovers',
        'slope_landing' => 'hovers', 'hover_turn' => 'pedal_turns', 'hover_taxi' => 'taxis',
        'turn_along_a_line' => 'taxis', 'turn_about_a_point' => 'circles', 'level_speed_change' => 'speed_changes',
        'effects_in_flight' => 'speed_changes', 'governor_off' => 'speed_changes',
        'lost_visibility' => 'speed_changes'
      }.freeze
      TRIES = [0.0, 0.6].freeze
      TREMBLES = { 'ias_kt' => 0.7, 'gs_kt' => 0.25, 'agl_ft' => 0.35 }.freeze

      # What is asked for: `exercises` are [manoeuvre, settings with height_ft] in their order.
      Asked = Value.define(:type, :people, :wind, :seed, :spot, :elevation_ft, :course_deg, :exercises,
                           defaults: { spot: SPOT, elevation_ft: ELEVATION_FT, course_deg: nil,
                                       exercises: [['straight_in_autorotation', {}]].freeze })

      # @param asked [Asked]
      def initialize(asked)
        @asked = asked
        @wind = Wind.parse(asked.wind)
        @conditions = Planning::Conditions.build(type: asked.type, people: asked.people, wind: @wind,
                                                 elevation_ft: asked.elevation_ft)
      end

      # @return [Enumerator<Array<Hash{String => Float}>>] piece by piece, each worked out when it is wanted; times go
      #   on from piece to piece
      def pieces
        Enumerator.new do |out|
          last = nil
          parts.each do |part|
            flown = part.call
            quiet = last ? trembling(Flight::ReturnLeg.samples(last, flown.first, RATE_HZ)) : []
            began = quiet.any? ? quiet.last['t_s'] + (1.0 / RATE_HZ) : 0.0
            first = flown.first['t_s']
            piece = quiet + flown.map { |sample| sample.merge('t_s' => (sample['t_s'] - first + began).round(3)) }
            last = piece.last
            out << piece
          end
        end
      end

      private

      # A leg by straight lines would look like needles that stand still.
      def trembling(samples)
        random = Random.new(@asked.seed)
        samples.map do |sample|
          sample.merge(TREMBLES.to_h { |name, by| [name, (sample[name] + (by * NormalRandom.draw(random))).round(2)] })
        end
      end

      def course_deg = @asked.course_deg || @wind.from_deg

      # One a flight of a pilot, of a figure or of a script; what another's script has in it is not flown twice.
      def parts
        seen = []
        @asked.exercises.flat_map do |id, settings|
          declared = Catalogue.find(id)
          next piloted(declared, settings) if declared.pilot && declared.for?(@asked.type)
          next figured(declared, settings) if FIGURES.include?(id)

          script = @asked.type.helicopter? ? SCRIPTS.fetch(id, 'circuits') : 'gyro_circuits'
          seen.include?(script) ? [] : [scripted(script).tap { seen << script }]
        end
      end

      def piloted(declared, settings)
        height = settings['height_ft']&.to_f
        planted(declared.id).each_with_index.map do |faults, i|
          -> do
            flown = declared.pilot.call(@conditions, house: Planning::HouseMethod.new, faults: faults,
                                                     settings: settings.except('height_ft'), height_ft: height,
                                                     course_deg: course_deg).run
            recorder = recorder(i)
            recorder.rows(flown).map { |row| recorder.columns.zip(row).to_h }
          end
        end
      end

      def planted(id)
        return [{}, FAULTS.fetch(id, {})] unless id == 'straight_in_autorotation'

        GLIDE_FAULTS.rotate(@asked.seed).first(@asked.exercises.one? ? ALONE : EACH)
      end

      def recorder(part)
        Flight::Recorder.new(type: @asked.type, origin: @asked.spot, elevation_ft: @asked.elevation_ft,
                             rate_hz: RATE_HZ, seed: @asked.seed + part)
      end

      # Led into straight, and round twice.
      def figured(declared, settings)
        plan = declared.plan(@conditions, Planning::HouseMethod.new, course_deg: course_deg,
                                                                     settings: settings.except('height_ft'))
        line = plan.path.map { |point| [point.along_ft, point.across_ft] }.uniq
        before = Flight::FigureFlight.before(line)
        flight = Flight::FigureFlight.new([before, *line, *line], origin: @asked.spot, course_deg: course_deg,
                                                                  wind: @wind, seed: @asked.seed,
                                                                  air_kt: plan.value('entry_speed_kt'),
                                                                  agl_ft: plan.value('entry_height_ft'))
        [-> { with_altitude(flight.samples) }]
      end

      def scripted(script)
        lessons = ScriptedLessons.new(@asked.spot, course_deg: course_deg, wind_kt: @wind.speed_kt, seed: @asked.seed)
        -> { with_altitude(lessons.flown(script, TRIES).samples) }
      end

      def with_altitude(samples) =
        samples.map { |sample| sample.merge('alt_msl_ft' => sample['agl_ft'] + @asked.elevation_ft) }
    end
  end
end
