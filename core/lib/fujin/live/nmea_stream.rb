# frozen_string_literal: true

module Fujin
  module Live
    # Samples out of NMEA 0183 sentences as they arrive. A sample is handed on as soon as it holds every channel that
    # the one before it held, so that nothing waits for the next; one that lacks some is handed on when the next
    # begins.
    class NmeaStream
      attr_reader :broken

      def initialize
        @text = String.new(encoding: Encoding::BINARY)
        @sample = nil
        @wanted = []
        @broken = 0
      end

      # @param bytes [String] as they came, cut anywhere
      # @return [Array<Hash{String => Float}>] samples completed by them, by channel name, with `t_s` in Unix seconds
      def take(bytes)
        @text << bytes
        *lines, @text = @text.split(/\r?\n/, -1)
        lines.flat_map { |line| sentence(line) }.compact
      end

      private

      def sentence(line)
        words = Recordings::Nmea.words(line) or return broken!
        time, readings = Recordings::Nmea.readings(words)
        done = time && begin_at(time)
        return done if @sample.nil?

        @sample.merge!(plausible(readings)) unless @handed_on
        [done, (hand_on if !@handed_on && @wanted.any? && (@wanted - @sample.keys).empty?)]
      end

      # A drop-out is a reading outside its channel's range: it is not shown.
      def plausible(readings) =
        readings.select do |channel, value|
          Recordings::Channels::RANGES[channel]&.then { |low, high| value.between?(low, high) }
        end

      def broken!
        @broken += 1
        nil
      end

      # What the sample before was, unless it went on already. A time that does not move on begins nothing, but for a
      # recorder that was started again with its clock set back.
      def begin_at(time)
        return nil if @sample && time <= @sample['t_s'] && @sample['t_s'] - time < Recordings::NmeaReader::SET_BACK_S

        left = @sample && !@handed_on ? @sample : nil
        @wanted = @sample.keys if @sample
        @sample = { 't_s' => time }
        @handed_on = false
        left
      end

      def hand_on
        @handed_on = true
        @sample
      end
    end
  end
end
