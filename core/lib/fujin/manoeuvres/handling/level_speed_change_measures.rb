# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Measures of a level speed change: how much, how long until the new speed stood, what height and heading did
      # meanwhile.
      class LevelSpeedChangeMeasures
        include Grading::Measuring
        include Grading::SetUp
        include Departures

        # Height and heading are looked at for as long after it as the speed has to stand.
        AFTER_S = LevelSpeedChangeFinder::STEADY_S

        # @return [Hash{String => Measure}]
        def measures
          phase = attempt.phases.first
          from = phase.start_s
          to = [phase.end_s + AFTER_S, signals.end_s].min
          put('speed_change_kt', 'level', signals.at(:ias, phase.end_s) - signals.at(:ias, from))
          put('settle_s', 'level', phase.end_s - from)
          put('level_height_max_ft', 'level', farthest(:agl, from, to))
          put('level_heading_max_deg', 'level', farthest(:heading, from, to))
          take_trim('level', from, phase.end_s)
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        # Faster or slower, as it was flown, by what the plan has between its two speeds, and the time for as much as
        # was changed.
        def own_targets
          plan = context.plan_of(manoeuvre)
          apart = plan.value('fast_speed_kt') - plan.value('slow_speed_kt')
          phase = attempt.phases.first
          changed = signals.at(:ias, phase.end_s) - signals.at(:ias, phase.start_s)
          {
            'speed_change_planned_kt' => changed.negative? ? -apart : apart,
            'settle_time_s' => plan.value('change_time_s')&.*(changed.abs / apart)
          }
        rescue OutsideModel, InvalidInput
          {}
        end
      end
    end
  end
end
