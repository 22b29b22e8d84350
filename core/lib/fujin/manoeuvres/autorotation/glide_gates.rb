# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The gate of a gliding autorotation, held to what the student's stage is graded by, and where its flare begins.
      class GlideGates
        Q = Quantities
        MEASURES = { 'gate_ias_kt' => 'kt', 'gate_rotor_rpm_pct' => 'pct', 'gate_sink_fpm' => 'fpm' }.freeze

        # @param targets [Hash{String => Float}] of the day's plan, @param path [Array<Planning::PathPoint>]
        # @param standard [Grading::Standard]
        def initialize(targets:, path:, standard:, stage:, house:)
          @targets = targets
          @path = path
          @standard = standard
          @stage = stage
          @house = house
        end

        # @return [Array<Planning::Gate>]
        def all
          [
            gate('gate', @targets['gate_height_ft'], measures, 'in band, or go around: throttle joined first, then ' \
              'collective'),
            gate('flare', @targets['flare_height_ft'], {}, flare_text)
          ]
        end

        # @return [Planning::Gate] at a height on the way down
        def gate(id, height_ft, measures, text) =
          Planning::Gate.new(id: id, height_ft: height_ft, along_ft: along_at(height_ft), measures: measures,
                             text: text)

        private

        def measures
          MEASURES.to_h do |id, unit|
            band = @standard.band(id, @stage, @targets)
            low, high = band.in
            widest = band.worst_best || [low, high]
            [id, { target: band.target, low: [low, widest[0]].max, high: [high, widest[1]].min, unit: unit }]
          end
        end

        def flare_text
          return 'begin the flare; rotor rpm shows if it works' unless @house['flare_cue'] == 'sight_picture'

          seconds = @targets['flare_height_ft'] / @targets['gate_sink_fpm'] * 60.0
          Text.of('%{seconds} s from the ground at this sink: when the ground comes up fast, not at a height',
                  seconds: seconds.round(1))
        end

        def along_at(height_ft)
          above, below =
            @path.each_cons(2).to_a.reverse.find { |a, b| a.height_ft >= height_ft && b.height_ft < height_ft }
          return nil unless above

          share = (above.height_ft - height_ft) / (above.height_ft - below.height_ft)
          above.along_ft + (share * (below.along_ft - above.along_ft))
        end
      end
    end
  end
end
