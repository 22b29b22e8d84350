# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Measures of flying the throttle by hand: the share of time in the band, how far rotor rpm went, seconds under
      # the warning, which hand moved first, how the needles were joined, and where the governor was taken back.
      class GovernorOffMeasures
        include Grading::Measuring

        # A move of the collective large enough to ask for throttle, of its travel, percent.
        PULL_PCT = 5.0
        MOVED_PCT = 2.0
        AROUND_S = 3.0

        # @return [Hash{String => Measure}]
        def measures
          manual = attempt.phase('manual')
          take_manual(manual.start_s, manual.end_s) if manual
          joining = attempt.phase('joining')
          take_joining(joining.start_s, joining.end_s) if joining
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        def take_manual(from, to)
          low, high = context.type.power_on_band
          warning = context.type.low_warning_pct
          put('rpm_in_band_pct', 'manual', over(:nr, from, to) { |v| share_pct(v) { |x| x.between?(low, high) } })
          put('min_rotor_rpm_pct', 'manual', over(:nr, from, to, &:min))
          put('manual_rotor_rpm_max_pct', 'manual', over(:nr, from, to, &:max))
          put('time_below_warning_s', 'manual', over(:nr, from, to) do |v|
            v.count do |x|
              x < warning
            end * signals.step_s
          end)
          put('throttle_before_collective_s', 'manual', -> { throttle_first(from, to) },
              reason: 'the collective was not moved enough to ask for throttle')
        end

        def take_joining(from, to)
          opened, joined, on = %i[opened_s joined_s governor_on_s].map { |name| attempt.event(name) }
          put('joining_s', 'joining', opened && joined && (joined - opened), reason: 'the needles did not join')
          put('joining_rotor_rpm_max_pct', 'joining', over(:nr, from, to, &:max))
          put('governor_on_rpm_pct', 'joining', on && signals.at(signals.signal?(:ne) ? :ne : :nr, on),
              reason: 'the recording ends with the governor off')
        end

        def share_pct(values, &) = 100.0 * values.count(&) / values.size

        # Seconds by which the throttle moved before the largest raising of the collective, - after it.
        def throttle_first(from, to)
          range = signals.index(from)..signals.index(to)
          pull = steepest(:collective, range, PULL_PCT) or return nil
          around = [pull - signals.samples(AROUND_S),
                    range.first].max..[pull + signals.samples(AROUND_S), range.last].min
          pulled = begun(:collective, around)
          opened = begun(:throttle, around)
          pulled && opened && (signals.time(pulled) - signals.time(opened))
        end

        # Where the channel rose most within a second.
        def steepest(name, range, least)
          second = signals.samples(1.0)
          at = (range.first..(range.last - second)).max_by do |i|
            signals[name][i + second] - signals[name][i]
          end or return nil
          at if signals[name][at + second] - signals[name][at] >= least
        end

        # First sample at which it is above its lowest so far by a move.
        def begun(name, range)
          lowest = nil
          range.find do |i|
            value = signals[name][i]
            lowest = [lowest, value].compact.min
            value - lowest >= MOVED_PCT
          end
        end
      end
    end
  end
end
