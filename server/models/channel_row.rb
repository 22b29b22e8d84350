# frozen_string_literal: true

require_relative 'record'

module Fujin
  # One channel's samples, packed little-endian: float64 for time and position, float32 for the rest.
  class ChannelRow < Record
    self.table_name = 'recording_channels'
    belongs_to :recording, class_name: 'Fujin::RecordingRow'
    PACK = { 'float64' => 'E*', 'float32' => 'e*' }.freeze

    def self.pack(name, values)
      precision = Recordings::Channels::DOUBLE.include?(name) ? 'float64' : 'float32'
      { name: name, precision: precision, samples: values.pack(PACK.fetch(precision)) }
    end

    def values = samples.unpack(PACK.fetch(precision))
  end
end
