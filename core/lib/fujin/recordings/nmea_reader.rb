# frozen_string_literal: true

module Fujin
  module Recordings
    # Reads a log of NMEA 0183 sentences. Each RMC begins a sample; what follows belongs to it until the next.
    class NmeaReader
      # @return [Recording]
      # @raise [UnreadableRecording]
      def self.read(bytes, name: 'recording', &progress) = new(bytes, name, progress).read

      def initialize(bytes, name, progress)
        @name = name
        @progress = progress
        @lines = bytes.dup.force_encoding(Encoding::BINARY).split(/\r\n|\n|\r/)
        @broken = 0
        @log = SampleLog.new(name)
      end

      def read
        @lines.each_with_index do |line, number|
          @progress&.call(number) if (number % 5000).zero?
          words = Nmea.words(line)
          words ? take(words) : @broken += 1
        end
        @log.notes << "#{@broken} sentences were broken or had a wrong checksum and were left out" if @broken.positive?
        @log.recording('NMEA positions (RMC sentences)')
      end

      private

      def take(words)
        time, readings = Nmea.readings(words)
        return @broken += 1 if words[0][2..] == 'RMC' && time.nil?
        return if time && !@log.begin(time)

        readings.each { |channel, value| @log.put(channel, value) }
      end
    end
  end
end
