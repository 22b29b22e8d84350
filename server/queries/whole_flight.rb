# frozen_string_literal: true

require 'base64'

module Fujin
  # Every sample of a recording's strips, for a picture that is panned and zoomed where it is shown: float32,
  # little-endian, as base64. Times count from the recording's start.
  class WholeFlight
    STRIPS = 6

    # @param recording [RecordingRow]
    # @param numbers [Hash{String => Integer}] of its attempts within the sortie, by id
    def initialize(recording, numbers)
      @recording = recording
      @numbers = numbers
      @sources = StripSources.new(recording)
    end

    def to_h
      start = @sources.moments.first
      {
        'start_s' => start,
        'samples' => @sources.moments.size,
        'times' => packed(@sources.moments.map { |t| t - start }),
        'strips' => @sources.strips.first(STRIPS).map { |strip| strip(*strip) },
        'attempts' =>
          @recording.attempts.map do |a|
            {
              'position' => @numbers.fetch(a.id),
              'title' => a.declaration.title,
              'start_s' => a.start_s - start,
              'end_s' => a.end_s - start
            }
          end
      }
    end

    private

    def strip(channel, label, digits, unit, _signal)
      values, unit, reason = @sources.of(channel, unit)
      {
        'channel' => channel,
        'label' => label,
        'unit' => unit,
        'digits' => digits,
        'reason' => reason,
        'values' => values && packed(values)
      }
    end

    def packed(values) = Base64.strict_encode64(values.pack('e*'))
  end
end
