# frozen_string_literal: true

module Fujin
  module Recordings
    # Reads a log of NMEA 0183 sentences. Each RMC begins a sample; what follows belongs to it until the next. Where the
    # recorder was started again with its clock set back, what follows is laid behind what came before.
    class NmeaReader
      # Less is a sentence out of order.
      SET_BACK_S = 2.0
      # So long the recorder is taken to have been off.
      OFF_S = 5.0

      # @return [Recording]
      # @raise [UnreadableRecording]
      def self.read(bytes, name: 'recording', &progress) = new(bytes, name, progress).read

      def initialize(bytes, name, progress)
        @name = name
        @progress = progress
        @lines = bytes.dup.force_encoding(Encoding::BINARY).split(/\r\n|\n|\r/)
        @broken = 0
        @log = SampleLog.new(name)
        @shift_s = 0.0
      end

      def read
        @lines.each_with_index do |line, number|
          @progress&.call(number) if (number % 5000).zero?
          words = Nmea.words(line)
          words ? take(words) : @broken += 1
        end
        if @broken.positive?
          @log.notes << Text.of('%{broken} sentences were broken or had a wrong checksum and were left out',
                                broken: @broken)
        end
        @log.recording('NMEA positions (RMC sentences)')
      end

      private

      def take(words)
        time, readings = Nmea.readings(words)
        return @broken += 1 if words[0][2..] == 'RMC' && time.nil?
        return if time && !@log.begin(placed(time))

        readings.each { |channel, value| @log.put(channel, value) }
      end

      def placed(time)
        back = @log.last_time ? @log.last_time - (time + @shift_s) : 0.0
        if back >= SET_BACK_S
          @shift_s += back + OFF_S
          @log.notes << Text.of("the recorder's clock was set back by %{back} s; what follows was laid %{off_s} s " \
            'after what came before',
                                back: back.round, off_s: OFF_S.round)
        end
        time + @shift_s
      end
    end
  end
end
