# frozen_string_literal: true

module Fujin
  module Flight
    # What lies between two flights of a recorder that was left running: from the hover or the ground up, and quietly
    # back to where the next begins, every channel by straight lines, with the power on.
    module ReturnLeg
      CLIMB_FPM = 700.0
      HOVER_PAUSE_S = 8.0
      CRUISE_S = 20.0
      # After a touchdown the engine is given power and brings the rotor back before anything else.
      SPIN_UP_S = 6.0
      # Directions, which come round at north.
      ROUND = %w[track_deg hdg_deg].freeze
      DRIVEN = %w[nr_pct ne_pct throttle_pct map_inhg tq_pct].freeze

      module_function

      # @param from [Hash{String => Float}] the last sample, @param to [Hash{String => Float}] the first of the next
      # @return [Array<Hash{String => Float}>] samples between them, times going on from the first
      def samples(from, to, rate_hz)
        length = (to['agl_ft'] / CLIMB_FPM * 60.0) + CRUISE_S
        steps = (length * rate_hz).round
        names = from.keys & to.keys
        (1..steps).map do |i|
          share = i.to_f / steps
          shares = shares_at(share, length)
          sample = names.to_h { |name| [name, blend(name, from[name], to[name], shares.fetch(name, share))] }
          sample.merge('t_s' => (from['t_s'] + (i / rate_hz)).round(3), 'pitch_deg' => 0.0,
                       'vs_fpm' => share.between?(0.1, 0.85) ? CLIMB_FPM.round : 0)
        end
      end

      def shares_at(share, length)
        { **DRIVEN.to_h { |name| [name, [share * length / SPIN_UP_S, 1.0].min] },
          'agl_ft' => climb(share, length), 'alt_msl_ft' => climb(share, length),
          'gs_kt' => [share * 4, 1.0].min, 'ias_kt' => [share * 4, 1.0].min }
      end

      # Height share: still in the hover at first, level at the end.
      def climb(share, length)
        start = HOVER_PAUSE_S / length
        ((share - start) / (0.88 - start)).clamp(0.0, 1.0)
      end

      def blend(name, from, to, share)
        return from + ((to - from) * share) unless ROUND.include?(name)

        (from + (Quantities.wrap_deg(to - from) * share)) % 360.0
      end
      private_class_method :shares_at, :climb, :blend
    end
  end
end
