# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Measures of a gyroplane's landing: speed band, round-out, touchdown, the nosewheel kept off, the roll, the spot.
      class LandingMeasures
        include Grading::Measuring
        include Grading::SetUp
        include Grading::Touchdown

        BOUNCE_S = 4.0
        # Above this pitch the nosewheel is clear of the ground.
        NOSEWHEEL_DEG = 2.0
        ROLL_S = 20.0

        # @return [Hash{String => Measure}] those that the manoeuvre declares
        def measures
          take_setup(attempt.start_s)
          glide = attempt.phase('glide')
          take_glide(glide) if glide
          flare = attempt.phase('flare')
          put('flare_height_ft', 'flare', signals.at(:agl, flare.start_s) - zero) if flare
          take_landing(attempt.event(:contact_s)) if attempt.event(:contact)
          @taken.slice(*manoeuvre.measure_ids)
        end

        def course_deg = @course_deg ||= landing_course_deg(attempt.event(:contact_s) || attempt.end_s)

        def gate_s = nil

        private

        def take_glide(phase)
          from = phase.start_s
          to = phase.end_s
          put('glide_ias_mean_kt', 'glide', over(:ias, from, to) { |v| mean(v) })
          put('glide_ias_min_kt', 'glide', over(:ias, from, to, &:min))
          put('glide_ias_max_kt', 'glide', over(:ias, from, to, &:max))
          put('glide_sink_fpm', 'glide', height_lost(from, to) / (to - from) * 60.0)
        end

        def take_landing(at)
          take_contact(course_deg)
          put('bounce_ft', 'touchdown', bounce_ft(at, BOUNCE_S))
          take_miss('touchdown', at)
          put('nosewheel_off_s', 'roll_out', nosewheel_off_s(at))
          put('slide_ft', 'roll_out', slide(at))
        end

        def nosewheel_off_s(at)
          return nil unless signals.signal?(:pitch)

          last = signals.index([at + ROLL_S, signals.end_s].min)
          down = (signals.index(at)..last).find { |i| signals[:pitch][i] < NOSEWHEEL_DEG } || last
          signals.time(down) - at
        end
      end
    end
  end
end
