# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Where the entry is over and the glide begins: at least 1 s after the collective is down, from where speed and
      # rotor rpm stay as they are; whatever they are, a slow glide is a glide. At the latest 12 s after it.
      class EntryEnd
        ENTRY_S = 12.0
        # Change of speed, kt, and rotor rpm, points, a second, and for how long; longer in slow recordings.
        STEADY_PER_S = 1.0
        STEADY_S = 2.0
        STEADY_SLOWLY_S = 3.0
        SLOW_STEP_S = 0.2

        # @return [Float] recording time, s
        def self.of(signals, closure) = new(signals, closure).time_s

        def initialize(signals, closure)
          @signals = signals
          @closure = closure
        end

        def time_s
          down = collective_down
          from = @signals.index(down + 1.0)
          to = @signals.index(down + ENTRY_S)
          found = (from..to).find { |i| steady?(:ias, i) && steady?(:nr, i) }
          found ? @signals.time(found) : [down + ENTRY_S, @signals.end_s].min
        end

        private

        # Does a line through the next seconds hardly rise or fall?
        def steady?(name, index)
          values = @signals[name] or return true
          ahead = @signals.native_step_s > SLOW_STEP_S ? STEADY_SLOWLY_S : STEADY_S
          part = values[index, @signals.samples(ahead) + 1]
          return true if part.any?(&:nan?) || part.size < 3

          slope(part) < STEADY_PER_S
        end

        # Of a line through evenly spaced values, a second, either way.
        def slope(values)
          middle = (values.size - 1) / 2.0
          up = values.each_with_index.sum { |v, i| v * (i - middle) }
          (up / values.each_index.sum { |i| (i - middle)**2 } / @signals.step_s).abs
        end

        def collective_down
          values = @signals[:collective]
          return @closure + 1.4 unless values

          from = @signals.index(@closure)
          to = @signals.index(@closure + 4.0)
          down = (from..to).find { |i| values[i] <= 3.0 }
          down ||= (from..to).min_by { |i| values[i].nan? ? 1e9 : values[i] }
          @signals.time(down)
        end
      end
    end
  end
end
