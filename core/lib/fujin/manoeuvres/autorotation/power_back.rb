# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # When the power came back: the engine winding up, and the engine driving the rotor again.
      class PowerBack
        # An engine that winds up: so much over its median of the time before, and still rising so long after.
        ROSE_PCT = 3.0
        ROSE_OVER_S = 2.0
        ROSE_ON_S = 0.4

        # @param signals [Recordings::Signals], @param closures [Grading::Closures]
        def initialize(signals, closures)
          @signals = signals
          @closures = closures
        end

        # First sample after which the engine drives again for a second.
        def joined(from_s, to_s)
          held = @signals.samples(0.6)
          (@signals.index(from_s)..@signals.index(to_s))
            .find do |i|
              @closures.idle?(i) == false &&
                (i..[i + held, @signals.size - 1].min).all? { |k| @closures.idle?(k) == false }
            end
            &.then { |i| @signals.time(i) }
        end

        # When the engine began to wind up: its speed's first sample 3 points over the median of the 2 s before and
        # rising on, halfway to the sample before. Where its speed was not recorded, or never rose, when it drove.
        def wound_up(from_s, joined_s)
          ne = @signals[:ne] or return joined_s
          back = @signals.samples(ROSE_OVER_S)
          on = @signals.samples(ROSE_ON_S)
          rose = ([@signals.index(from_s), back].max..@signals.index(joined_s)).find do |i|
            before = ne[i - back, back].reject(&:nan?)
            before.any? && ne[i] > Quantities.median(before) + ROSE_PCT && ne[[i + on, @signals.size - 1].min] > ne[i]
          end
          rose ? @signals.time(rose) - (@signals.native_step_s / 2.0) : joined_s
        end
      end
    end
  end
end
