# frozen_string_literal: true

require 'rexml/parsers/streamparser'
require 'rexml/streamlistener'
require 'time'

module Fujin
  module Recordings
    # Reads the tracks of a GPX 1.1 file: position, elevation in metres above the sea, time; `speed` (m/s) and `course`
    # where a device adds them, and anything in its extensions that is named like one of our channels.
    class GpxReader
      include REXML::StreamListener

      PROGRESS_EVERY = 2000
      METRES = 1.0 / Quantities::FT
      TAKEN = {
        'ele' => ['alt_msl_ft', METRES],
        'speed' => ['gs_kt', 1.0 / Quantities::KT],
        'course' => ['track_deg', 1.0]
      }.freeze

      # @return [Recording]
      # @raise [UnreadableRecording]
      def self.read(bytes, name: 'recording', &progress) = new(bytes, name, progress).read

      def initialize(bytes, name, progress)
        @name = name
        @progress = progress
        @text = bytes.dup.force_encoding(Encoding::UTF_8)
        @log = SampleLog.new(name)
        @timeless = 0
      end

      def read
        if @text.b.include?('<!ENTITY')
          raise UnreadableRecording,
                Text.of('%{name} defines entities of its own, which no flight recorder does. Nothing was changed.',
                        name: @name)
        end

        parse
        if @timeless.positive?
          @log.notes << Text.of('%{timeless} track points without a time were left out', timeless: @timeless)
        end
        @log.recording('GPX track points')
      end

      def tag_start(tag, attributes)
        local = tag.split(':').last
        @point = { 'lat' => attributes['lat'], 'lon' => attributes['lon'] } if local == 'trkpt'
        @inside = @point && local
      end

      def text(string)
        @point[@inside] = (@point[@inside] || '') + string if @point && @inside && !%w[lat lon].include?(@inside)
      end

      def tag_end(tag)
        @inside = nil
        return unless tag.split(':').last == 'trkpt' && @point

        take(@point)
        @point = nil
      end

      private

      def parse
        REXML::Parsers::StreamParser.new(@text, self).parse
      # The parser meets some damage with errors of its own making, all of which mean that the file is damaged.
      rescue StandardError => e
        line = e.is_a?(REXML::ParseException) ? e.line : nil
        if @log.size < 2
          raise UnreadableRecording.new(
            Text.of('%{name} is no readable GPX file%{where}. Nothing was changed.',
                    name: @name, where: (Text.of(' (line %{line})', line: line) if line)),
            line: line
          )
        end

        where = Text.of(' at line %{line}', line: line) if line
        @log.notes << Text.of('the file breaks off%{where}: what stands before that was read', where: where)
      end

      def take(point)
        time = Time.iso8601(point['time'].to_s.strip).to_r.to_f
        return unless @log.begin(time)

        @log.put('lat_deg', point['lat'])
        @log.put('lon_deg', point['lon'])
        point.each do |name, value|
          channel, scale = TAKEN[name] || [name, 1.0]
          @log.put(channel, value, scale) unless %w[lat lon time].include?(name)
        end
        @progress&.call(@log.size) if (@log.size % PROGRESS_EVERY).zero?
      rescue ArgumentError
        @timeless += 1
      end
    end
  end
end
