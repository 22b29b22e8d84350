# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Measures of a landing on a slope: how still the first skid met it, how slowly the other came down, how far it
      # rolled.
      class SlopeLandingMeasures
        include Grading::Measuring

        # The roll's rate is taken over so long, s.
        RATE_S = 0.5
        # About the contact of the first skid, s.
        CONTACT_S = 0.5

        # @return [Hash{String => Grading::Measure}] those that the manoeuvre declares
        def measures
          lowering = attempt.phase('lowering')
          take_contact(lowering.start_s) if attempt.phase('hover') && lowering
          take_lowering(lowering) if lowering
          @taken.slice(*manoeuvre.measure_ids)
        end

        def course_deg = context.course_deg
        def gate_s = nil

        private

        def take_contact(at)
          put('ground_contact_kt', 'hover', over(:gs, at - CONTACT_S, at + CONTACT_S, &:max))
          put('set_down_sink_fpm', 'hover', over(:sink, at - CONTACT_S, at + CONTACT_S, &:max))
        end

        def take_lowering(phase)
          put('ground_roll_deg', 'lowering', over(:roll, phase.start_s, phase.end_s) { |v| v.map(&:abs).max })
          put('skid_lowering_deg_s', 'lowering', -> { fastest(phase) })
          put('lowering_s', 'lowering', phase.end_s - phase.start_s, sources: %i[roll])
        end

        # Fastest roll, smoothed over half a second.
        def fastest(phase)
          rate = Recordings::Smoothing.rate(signals[:roll], signals.step_s, signals.samples(RATE_S))
          (signals.index(phase.start_s)..signals.index(phase.end_s)).map { |i| rate[i] }.reject(&:nan?).map(&:abs).max
        end
      end
    end
  end
end
