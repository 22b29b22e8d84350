# frozen_string_literal: true

module Fujin
  # A stored recording ready for measuring, from the samples that were kept when it was read.
  module StoredSignals
    module_function

    # @param row [RecordingRow] that was read, @param setting [SortieSetting]
    # @return [Recordings::Signals]
    def of(row, setting) = from(recording(row), setting)

    # @param recording [Recordings::Recording], @param setting [SortieSetting]
    def from(recording, setting)
      Recordings::Signals.new(
        recording,
        type: setting.type,
        atmosphere: setting.conditions.atmosphere,
        elevation_ft: setting.exercise.elevation_ft,
        wind: setting.wind
      )
    end

    # @return [Recordings::Recording]
    def recording(row)
      # One that was read before its clock was kept is read from its file.
      return Recordings.read(row.bytes, name: row.name, headings: HeadingMapping.for(row.bytes)) unless
        row.summary.key?('clock_s')

      channels = row.channels.reject { |channel| channel.name.start_with?(StripSources::PREFIX) }
        .to_h { |channel| [channel.name, channel.values.freeze] }
      Recordings::Recording.new(
        name: row.name, times: channels.fetch('t_s'), channels: channels.except('t_s').freeze,
        notes: row.summary['notes'], bridged: row.summary['bridged'], ignored_columns: row.summary['ignored_columns'],
        own_datum: row.summary['own_datum'], clock_s: row.summary['clock_s']
      )
    end
  end
end
