# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Measures of a run-on landing: those of its approach, the power it took against the cap, the contact, whether it
      # bounced, how the collective went down, the slide.
      class RunOnMeasures < Measures
        BOUNCE_S = 4.0
        LOWERING_S = 8.0
        LOWERED_OVER_S = 0.5

        private

        # The cap is of today's hover power out of ground effect; what is measured is of the engine's limit.
        def own_targets = super.merge('power_cap_engine_pct' => cap_pct)

        def cap_pct
          cap = context.settings['power_limit_pct'] || RunOnPlan::DEFAULT_CAP_PCT
          hover = Grading::EnginePower.new(signals, context).pct_of(context.conditions.trim.hover_power_w)
          [cap / 100.0 * hover, 100.0].min
        rescue OutsideModel
          100.0
        end

        def take_end
          return unless attempt.phase('touchdown')

          at = attempt.event(:contact_s)
          take_power_pull('descent', [at - LAST_S, attempt.start_s].max, at)
          take_contact(course_deg)
          put('bounce_ft', 'touchdown', bounce_ft(at, BOUNCE_S))
          take_miss('touchdown', at)
          put('lowering_rate_pct_s', 'slide', lowering_rate(at))
          put('slide_ft', 'slide', slide(at))
        end

        # The quickest that the collective went down after contact, percent of its travel a second.
        def lowering_rate(at)
          collective = signals[:collective] or return nil
          last = signals.index([at + LOWERING_S, signals.end_s].min)
          apart = [signals.samples(LOWERED_OVER_S), 1].max
          falls =
            (signals.index(at)..last)
              .each_cons(apart + 1)
              .map { |window| collective[window.first] - collective[window.last] }
              .reject(&:nan?)
          falls.empty? ? nil : [falls.max / (apart * signals.step_s), 0.0].max
        end
      end
    end
  end
end
