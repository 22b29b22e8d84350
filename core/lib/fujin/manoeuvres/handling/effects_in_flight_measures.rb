# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Measures of level flight with one control or more in the student's hand: how long, and how far height, speed and
      # heading went from where they were handed over.
      class EffectsInFlightMeasures
        include Grading::Measuring
        include Grading::SetUp
        include Departures

        # @return [Hash{String => Measure}]
        def measures
          phase = attempt.phases.first
          from = phase.start_s
          to = phase.end_s
          put('held_s', 'level', to - from)
          put('level_height_max_ft', 'level', farthest(:agl, from, to))
          put('level_ias_max_off_kt', 'level', farthest(:ias, from, to))
          put('level_heading_max_deg', 'level', farthest(:heading, from, to))
          take_trim('level', from, to)
          @taken
        end

        def course_deg = nil
        def gate_s = nil
      end
    end
  end
end
