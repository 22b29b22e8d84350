# frozen_string_literal: true

module Fujin
  module Recordings
    # Samples as a reader meets them, one after the other, put together into a Recording at the end: what lies outside a
    # channel's range is a drop-out, a time that does not move on is left out and said.
    class SampleLog
      # Times that count from 1970, not from midnight or the file's start.
      DATED_S = 1e8

      attr_reader :notes

      # A channel's value as it may be believed.
      # @param text [String, Numeric, nil] as it stands in the file
      # @return [Float, nil] nil for what is no number or lies outside the channel's range, and of unknown channels
      def self.value(channel, text, scale = 1.0)
        range = Channels::RANGES[channel]
        value = text.is_a?(Numeric) ? text.to_f : text && Float(text, exception: false)
        return unless range && value

        value *= scale
        value if value.between?(*range)
      end

      # @param samples [Array<Hash{String => Float}>] that were read before, in order of their 't_s', with values by
      #   .value
      def initialize(name, samples = [])
        @name = name
        @samples = samples.dup
        @stale = 0
        @notes = []
      end

      def size = @samples.size
      def last_time = @samples.last && @samples.last['t_s']

      # Begins a sample. @return [Boolean] false when its time does not move on: what follows belongs to nothing
      def begin(time_s)
        @open = @samples.empty? || time_s > last_time
        @open ? @samples << { 't_s' => time_s } : @stale += 1
        @open
      end

      # @param text [String, Numeric, nil] as it stands in the file
      def put(channel, text, scale = 1.0)
        value = @open && self.class.value(channel, text, scale)
        @samples.last[channel] = value if value
      end

      # @param what [String] the file's kind, for the refusal
      # @param own_datum [Boolean] heights are not above the sea: only differences in the file count
      # @return [Recording]
      # @raise [UnreadableRecording]
      def recording(what, own_datum: false)
        if size < 2
          raise UnreadableRecording, Text.of('%{name} holds no %{what} with a time. Nothing was changed.',
                                             name: @name, what: what)
        end
        if size > CsvReader::MAX_ROWS
          raise UnreadableRecording,
                Text.of('%{name} has %{samples} samples; at most %{most} are read. Split the file.',
                        name: @name, samples: size, most: CsvReader::MAX_ROWS)
        end

        if @stale.positive?
          @notes << Text.of('%{stale} samples whose time did not move on were left out', stale: @stale)
        end
        times = @samples.map { |sample| sample['t_s'] }
        names = @samples.each_with_object({}) { |sample, known| sample.each_key { |name| known[name] = true } }
        names = names.keys - %w[t_s]
        channels = names.to_h { |channel| [channel, @samples.map { |sample| sample.fetch(channel, Float::NAN) }] }
        bridged = Gaps.bridge(times, channels, @notes)
        Recording.new(
          name: @name,
          times: times.freeze,
          channels: channels.each_value(&:freeze).freeze,
          notes: @notes.freeze,
          bridged: bridged.freeze,
          ignored_columns: [].freeze,
          own_datum: own_datum,
          clock_s: (0.0 if times.first > DATED_S)
        )
      end
    end
  end
end
