# frozen_string_literal: true

module Fujin
  # A stored recording read again, ready for measuring.
  module StoredSignals
    module_function

    # @param row [RecordingRow], @param setting [SortieSetting]
    # @return [Recordings::Signals]
    def of(row, setting, &) =
      from(Recordings.read(row.bytes, name: row.name, headings: HeadingMapping.for(row.bytes), &), setting)

    def from(recording, setting)
      Recordings::Signals.new(
        recording,
        type: setting.type,
        atmosphere: setting.conditions.atmosphere,
        elevation_ft: setting.sortie.elevation_ft,
        wind: setting.wind
      )
    end
  end
end
