# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # An energy drill in a glide that ended in a go-around: from the first to the last departure of over 5 kt from
      # the steady glide (docs/reference/boundaries.md). One departure is a glide flown badly; two or more, well apart,
      # are a drill.
      module EnergyDrillSpan
        DEPARTURE_KT = 5.0
        HELD_S = 2.0
        FEWEST = 2

        module_function

        # @return [Array(Float, Float), nil] start of the first and end of the last departure
        def span(signals, from_s, to_s)
          ias = signals[:ias] or return nil
          smooth = Recordings::Smoothing.mean(ias, signals.samples(0.5))
          range = signals.index(from_s)..signals.index(to_s)
          values = range.map { |i| smooth[i] }.reject(&:nan?)
          return nil if values.empty?

          steady = Quantities.median(values)
          # What the entry's speed still has to lose is no departure.
          range = range.drop_while { |i| smooth[i].nan? || (smooth[i] - steady).abs > DEPARTURE_KT }
          runs =
            range
              .select { |i| (smooth[i] - steady).abs > DEPARTURE_KT }
              .slice_when { |a, b| b != a + 1 || ((smooth[a] - steady) * (smooth[b] - steady)).negative? }
          held = runs.select { |run| run.size * signals.step_s >= HELD_S }
          held.size < FEWEST ? nil : [signals.time(held.first.first), signals.time(held.last.last)]
        end
      end
    end
  end
end
