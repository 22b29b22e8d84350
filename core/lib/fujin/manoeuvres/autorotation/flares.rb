# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Where the flare of an autorotation begins and where it is level.
      class Flares
        FLARE_BELOW_FT = 220.0
        # Above this the nose stays up for so long, on the whole.
        FLARE_LOW_FT = 50.0
        FLARE_KEPT_S = 2.5
        LEVEL_FT = 6.0

        # @param signals [Recordings::Signals]
        def initialize(signals)
          @signals = signals
        end

        # @return [Array(Float, Boolean), nil] time and whether estimated
        def start(closure, latest)
          from = @signals.index(closure + 3.0)
          to = @signals.index(latest)
          time = @signals.signal?(:pitch) && pitch_rise(from, to)
          return [[time, closure + 0.5].max, false] if time

          slowing = @signals.signal?(:gs) && slowing_at(from, to)
          slowing ? [slowing, true] : nil
        end

        # Levelling: 6 ft, or 18 kt below 25 ft; otherwise 2 s after the pitch peak.
        def finish(start, latest)
          from = @signals.index(start + 1.0)
          to = @signals.index(latest)
          if @signals.signal?(:agl)
            agl = @signals[:agl]
            zero = @signals.agl_zero_ft
            gs = @signals[:gs]
            hit = (from..to).find { |i| agl[i] - zero <= LEVEL_FT || (gs && gs[i] <= 18.0 && agl[i] - zero < 25.0) }
            return [@signals.time(hit), false] if hit
          end
          [[pitch_peak(start, latest) + 2.0, latest].min, true]
        end

        private

        # 0.5 s before pitch stays over 4 degrees above its median of 4 to 1.5 s earlier.
        def pitch_rise(from, to)
          pitch = @signals[:pitch]
          held = @signals.samples(0.8)
          far = @signals.samples(4.0)
          near = @signals.samples(1.5)
          (from..to).each do |i|
            next if i < far || !low?(i) || pitch[i].nan?

            earlier = pitch[(i - far)..(i - near)].reject(&:nan?)
            next if earlier.empty?

            level = Quantities.median(earlier) + 4.0
            next unless pitch[i] > level && pitch[i, held].all? { |v| v > level } && kept_up?(i, level)

            return @signals.time(i) - 0.5
          end
          nil
        end

        # A nose that a gust lifted and that comes down again, with height left, is no flare.
        def kept_up?(index, level)
          after = @signals[:pitch][index, @signals.samples(FLARE_KEPT_S)].reject(&:nan?)
          low?(index, FLARE_LOW_FT) || after.sum / after.size > level - 1.0
        end

        # Ground speed falls over 1.5 kt/s for 1 s, less 1 s.
        def slowing_at(from, to)
          rate =
            Recordings::Smoothing.rate(
              Recordings::Smoothing.mean(@signals[:gs], @signals.samples(0.5)),
              @signals.step_s,
              @signals.samples(0.4)
            )
          held = @signals.samples(1.0)
          hit = (from..to).find { |i| low?(i) && rate[i, held].all? { |v| v < -1.5 } }
          hit && (@signals.time(hit) - 1.0)
        end

        def low?(index, below_ft = FLARE_BELOW_FT)
          agl = @signals[:agl]
          agl.nil? || agl[index].nan? || agl[index] < below_ft
        end

        def pitch_peak(start, latest)
          values = @signals[:pitch]
          return start + 4.0 unless values

          range = @signals.index(start)..@signals.index([start + 12.0, latest].min)
          @signals.time(range.max_by { |i| values[i].nan? ? -90.0 : values[i] })
        end
      end
    end
  end
end
