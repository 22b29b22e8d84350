# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Hover taxis: from one standstill to the next at hover height, slower than 12 kt, along one line, far enough to
      # be meant. `taxi` ends where it has all but stopped, `stop` a moment later.
      class HoverTaxiFinder
        include Grading::Stretches

        MOVING_KT = HoverFinder::STILL_KT
        FASTEST_KT = 12.0
        PACES_KT = (MOVING_KT..FASTEST_KT)
        HEIGHTS_FT = (1.5..15.0)
        LEAST_S = 5.0
        # Seen to have begun after so long.
        BEGUN_S = 1.5
        LEAST_FT = 40.0
        # It stood still for so long before and after.
        STOOD_S = 1.5
        STOP_S = 2.0
        # A hover beside it may reach so far into it.
        EDGE_S = 1.0
        # A track that wanders by more is no line.
        LINE_DEG = 30.0

        # @return [Array<Attempt>]
        def find
          return [] unless recorded?

          stretches(all, LEAST_S, hole_s: SHORT_HOLE_S) { |i| moving?(i) }
            .filter_map { |first, last| build(first, last) }
        end

        private

        # Under way from where it stood, not stopped yet.
        def begun(_found)
          first, last = recorded? && holding(BEGUN_S, hole_s: SHORT_HOLE_S) { |i| moving?(i) }
          return nil unless first && stood?(first - signals.samples(STOOD_S), first, last_index) &&
            !overlaps?(signals.time(first) + EDGE_S, signals.end_s)

          attempt(exercise, [phase('taxi', signals.time(first), signals.time(last))])
        end

        def exercise = 'hover_taxi'
        def recorded? = @context.type.helicopter? && %i[agl gs track].all? { |name| signals.signal?(name) }
        def moving?(index) = PACES_KT.cover?(speed[index]) && HEIGHTS_FT.cover?(height(index))
        def speed = @speed ||= Recordings::Smoothing.mean(signals[:gs], signals.samples(0.5))

        def build(first, last)
          from = signals.time(first)
          to = signals.time(last)
          finish = [to + STOP_S, signals.end_s].min
          return nil if overlaps?(from + EDGE_S, to - EDGE_S) || covered_ft(first, last) < LEAST_FT
          unless stood?(first - signals.samples(STOOD_S), first) && stood?(last, last + signals.samples(STOOD_S))
            return nil
          end
          return nil unless one_line?(first, last)

          attempt(exercise, [phase('taxi', from, to), phase('stop', to, finish)])
        end

        # Slower at both ends than a taxi, at hover height.
        def stood?(from, to, most = last_index)
          from >= 0 && to <= most &&
            (from..to).all? { |i| speed[i] < FASTEST_KT / 3.0 && height(i) < HEIGHTS_FT.end } &&
            [speed[from], speed[to]].min < MOVING_KT
        end

        def covered_ft(first, last)
          (first...last).sum { |i| speed[i].nan? ? 0.0 : speed[i] } * signals.step_s * Grading::Measuring::FT_PER_KT_S
        end

        def one_line?(first, last)
          tracks = (first..last).map { |i| signals[:track][i] }.reject(&:nan?)
          return false if tracks.empty?

          middle = Quantities.median(tracks)
          tracks.count { |deg| Quantities.wrap_deg(deg - middle).abs < LINE_DEG } > 0.8 * tracks.size
        end
      end
    end
  end
end
