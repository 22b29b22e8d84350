# frozen_string_literal: true

module Fujin
  module Live
    # What is read of each sample: smoothed as little as a needle is, by name and in the cockpit's units. What is not
    # sent, or cannot be believed, is not there.
    #
    #   rotor_rpm_pct, ias_kt, sink_fpm, height_ft, groundspeed_kt, bank_deg (either way), heading_deg, track_deg, power
    #   (the gauge's inHg or %)
    class Instruments
      SMOOTH_S = { 'ias_kt' => 0.4, 'rotor_rpm_pct' => 0.15, 'bank_deg' => 0.3, 'power' => 0.3 }.freeze
      # A sink is taken from the height over so long, and not from less than half of it: an instrument's lags.
      SINK_OVER_S = 1.0
      # From one sample to the next a reading trembles by less than the first, and goes in a second no farther than the
      # second: more is no flight. It is believed again once it went on like any other for so long.
      JUMPS = { 'ias_kt' => [15.0, 15.0], 'rotor_rpm_pct' => [10.0, 30.0], 'height_ft' => [60.0, 100.0],
                'groundspeed_kt' => [15.0, 15.0] }.freeze
      BELIEVED_S = 1.0
      # Lower than this it stands or hovers: the rotor may turn as it likes, and a height stay as it is.
      AIRBORNE_FT = 3.0
      # Readings that tremble in the air: one of several digits that stays the same to the last for so long stands
      # still.
      TREMBLE = %w[ias_kt height_ft groundspeed_kt].freeze
      FROZEN_S = 5.0
      # All of a sample that stays the same is a recorder that repeats itself.
      REPEATED_S = 2.0
      FLYING_KT = 20.0

      # What each of them is now. @return [Hash{String => Float}]
      attr_reader :values
      # Why something is not there though it is sent. @return [Hash{String => String}] 'stands still' or 'jumped'
      attr_reader :doubts

      # Does the engine drive the rotor, as far as what is sent can tell (Grading::Closures)? @return [Boolean, nil]
      attr_reader :driven

      # @param type [Aircraft::Type], @param elevation_ft [Float, nil]
      def initialize(type, elevation_ft)
        @type = type
        @elevation_ft = elevation_ft
        restart
      end

      # @param sample [Hash{String => Float}] by channel name of the recording format
      def take(sample)
        restart if @t && sample['t_s'] <= @t
        @dt = @t ? sample['t_s'] - @t : 0.0
        @t = sample['t_s']
        @doubts = {}
        sent = believed(raw(sample), repeated?(sample))
        @values = sent.to_h { |name, value| [name, smooth(name, value)] }
        (@smooth.keys - sent.keys).each { |name| @smooth.delete(name) }
        sink(sample)&.then { |fpm| @values['sink_fpm'] = fpm }
        @driven = driven_by(sample)
      end

      private

      def restart
        @t = nil
        @smooth = {}
        @heights = []
        @before = {}
        @jumped_s = {}
        @same_since_s = {}
        @last_sample = nil
        @repeated_since_s = nil
        @values = {}
        @doubts = {}
      end

      def raw(sample)
        { 'rotor_rpm_pct' => rotor(sample), 'ias_kt' => sample['ias_kt'], 'height_ft' => height(sample),
          'groundspeed_kt' => sample['gs_kt'], 'bank_deg' => sample['roll_deg']&.abs,
          'heading_deg' => sample['hdg_deg'], 'track_deg' => sample['track_deg'],
          'power' => sample['map_inhg'] || sample['tq_pct'] }.compact
      end

      def driven_by(sample)
        needles = [sample['ne_pct'], @values['rotor_rpm_pct']]
        return needles[1] - needles[0] <= Grading::Closures::JOINED_PCT if needles.all?

        sample['throttle_pct'] && sample['throttle_pct'] >= Grading::Closures::IDLE_THROTTLE_PCT
      end

      def rotor(sample)
        sample['nr_pct'] || (sample['rotor_rpm'] && (100.0 * sample['rotor_rpm'] / @type.normal_rotor_rpm))
      end

      def height(sample)
        sample['agl_ft'] ||
          (sample['alt_msl_ft'] && @elevation_ft && (sample['alt_msl_ft'] - @elevation_ft))
      end

      # Without what jumps, and what stands still in flight.
      def believed(sent, repeated)
        moving = sent.fetch('groundspeed_kt', 0.0) > FLYING_KT || sent.fetch('ias_kt', 0.0) > FLYING_KT
        found = sent.reject do |name, value|
          if jumped?(name, value) then @doubts[name] = 'jumped'
          elsif moving && (repeated || frozen?(name, value)) then @doubts[name] = 'stands still'
          end
        end
        @before = sent
        found
      end

      def jumped?(name, value)
        tremble, rate = JUMPS[name]
        before = tremble && @before[name]
        @jumped_s[name] = @t if before && (value - before).abs > tremble + (rate * @dt)
        !@jumped_s[name].nil? && @t - @jumped_s[name] < BELIEVED_S
      end

      def frozen?(name, value)
        return false if !TREMBLE.include?(name) || value == value.round
        return false if name == 'height_ft' && value < AIRBORNE_FT

        @same_since_s[name] = @t unless value == @before[name] && @same_since_s[name]
        @t - @same_since_s[name] >= FROZEN_S
      end

      def repeated?(sample)
        readings = sample.except('t_s')
        @repeated_since_s = @t unless readings == @last_sample
        @last_sample = readings
        @t - @repeated_since_s >= REPEATED_S
      end

      def smooth(name, value)
        seconds = SMOOTH_S[name] or return value
        @smooth[name] = Lag.follow(@smooth.fetch(name, value), value, @dt, seconds)
      end

      # From the height over the last second; where there is no height, the instrument's.
      def sink(sample)
        height = @values['height_ft']
        unless height
          @heights.clear
          return @doubts.key?('height_ft') ? nil : sample['vs_fpm']&.-@
        end
        @heights << [@t, height]
        @heights.shift while @t - @heights.first[0] > SINK_OVER_S + 0.01
        seconds = @t - @heights.first[0]
        seconds < 0.5 * SINK_OVER_S ? nil : (@heights.first[1] - height) / seconds * 60.0
      end
    end
  end
end
