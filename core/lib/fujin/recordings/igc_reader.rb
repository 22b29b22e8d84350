# frozen_string_literal: true

require 'date'

module Fujin
  module Recordings
    # Reads an IGC flight log: B records for time, place and height, with the extensions that its I record declares.
    # Source: Fédération Aéronautique Internationale, "Technical Specification for IGC-approved GNSS Flight Recorders",
    # appendix A.
    #
    # Satellite heights are above the ellipsoid and pressure heights above the standard surface: only differences
    # within the file are used, so that no height above ground is off by the difference.
    class IgcReader
      FIX = /\AB(\d{2})(\d{2})(\d{2})(\d{2})(\d{5})([NS])(\d{3})(\d{5})([EW])([AV])(-\d{4}|\d{5})(-\d{4}|\d{5})/
      KMH = 1.0 / 3.6 / Quantities::KT
      # Three-letter codes that are one of our channels: channel, digits before the decimals, factor.
      EXTENSIONS = {
        'IAS' => ['ias_kt', 3, KMH],
        'GSP' => ['gs_kt', 3, KMH],
        'TRT' => ['track_deg', 3, 1.0],
        'HDT' => ['hdg_deg', 3, 1.0]
      }.freeze
      DAY_S = 86_400.0
      PROGRESS_EVERY = 5000

      # @return [Recording]
      # @raise [UnreadableRecording]
      def self.read(bytes, name: 'recording', &progress) = new(bytes, name, progress).read

      def initialize(bytes, name, progress)
        @name = name
        @progress = progress
        @lines = bytes.dup.force_encoding(Encoding::BINARY).split(/\r\n|\n|\r/)
        @log = SampleLog.new(name)
        @day_s = 0.0
        @extensions = []
        @broken = []
      end

      def read
        @lines.each_with_index do |line, number|
          @progress&.call(number) if (number % PROGRESS_EVERY).zero?
          take(line, number + 1)
        end
        say
        @log.recording('IGC fixes (B records)', own_datum: true)
      end

      private

      def take(line, number)
        case line[0]
        when 'H' then date(line)
        when 'I' then extensions(line)
        when 'B' then fix(line, number)
        end
      end

      def date(line)
        found = /\AHFDTE(?:DATE:)?\s*(\d{2})(\d{2})(\d{2})/.match(line) or return
        day, month, year = found.captures.map(&:to_i)
        @day_s = Time.utc(2000 + year, month, day).to_f if Date.valid_date?(2000 + year, month, day)
        @dated = true
      end

      # `I` count, then start, finish (from 1) and code of each.
      def extensions(line)
        @extensions =
          line[3..].to_s.scan(/(\d{2})(\d{2})([A-Z]{3})/).map { |from, to, code| [from.to_i - 1, to.to_i - 1, code] }
      end

      def fix(line, number)
        found = FIX.match(line) or return @broken << number
        hour = found[1].to_i
        minute = found[2].to_i
        second = found[3].to_i
        return @broken << number if hour > 23 || minute > 59 || second > 59

        return unless @log.begin(time(hour, minute, second, line))

        @log.put('lat_deg', angle(found[4], found[5], found[6] == 'S'))
        @log.put('lon_deg', angle(found[7], found[8], found[9] == 'W'))
        @log.put('alt_msl_ft', height(found), 1.0 / Quantities::FT)
        @extensions.each { |from, to, code| extension(line[from..to].to_s, code) }
      end

      # The clock starts again at midnight.
      def time(hour, minute, second, line)
        fraction = @extensions.find { |_, _, code| code == 'TDS' }
        digits = fraction ? line[fraction[0]..fraction[1]].to_s : ''
        at = @day_s + (hour * 3600) + (minute * 60) + second + (digits.match?(/\A\d+\z/) ? "0.#{digits}".to_f : 0.0)
        if @log.last_time && at < @log.last_time - (DAY_S / 2)
          @day_s += DAY_S
          at += DAY_S
        end
        at
      end

      def angle(degrees, minutes, negative)
        value = degrees.to_i + (minutes.to_i / 60_000.0)
        negative ? -value : value
      end

      # The satellite's height where it has one throughout, else the pressure's: never one now and the other then.
      def height(found)
        @satellite = found[10] == 'A' if @satellite.nil?
        return found[11].to_i unless @satellite

        found[10] == 'A' ? found[12].to_i : nil
      end

      def extension(digits, code)
        channel, whole, factor = EXTENSIONS[code]
        return unless channel && digits.match?(/\A\d+\z/)

        @log.put(channel, digits.to_i / (10.0**[digits.size - whole, 0].max), factor)
      end

      def say
        if @broken.any?
          @log.notes << Text.of('%{fixes} fixes could not be read and were left out (first at line %{line})',
                                fixes: @broken.size, line: @broken.first)
        end
        @log.notes << 'the file has no date: times count from midnight' unless @dated
        if @log.size > 1
          @log.notes << Text.of("heights are %{reference}: above ground they count from this flight's own stops on " \
            'ground',
                                reference: @satellite ? 'from the satellites' : 'from pressure')
        end
      end
    end
  end
end
