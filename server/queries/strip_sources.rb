# frozen_string_literal: true

module Fujin
  # The scan strips' values: the signals that were measured, kept beside the recording's own channels so that the
  # picture shows what was judged.
  class StripSources
    # Channel, label, digits, unit, the signal it is.
    STRIPS = [
      ['nr_pct', 'Rotor rpm', 1, '%', :nr],
      ['ias_kt', 'Airspeed', 0, 'kt', :ias],
      ['sink_fpm', 'Sink', 0, 'ft/min', :sink],
      ['agl_ft', 'Height', 0, 'ft', :agl],
      ['power', 'Power', 1, nil, :power],
      ['collective_pct', 'Collective', 0, '%', :collective],
      ['throttle_pct', 'Throttle', 0, '%', :throttle],
      ['stick_pct', 'Stick', 0, '%', :stick],
      ['pitch_deg', 'Pitch', 1, '°', :pitch],
      ['hdg_deg', 'Heading', 0, '°', :heading]
    ].freeze
    # What only one kind of aircraft is flown by.
    FLOWN_BY = { 'collective_pct' => 'helicopter', 'throttle_pct' => 'gyroplane', 'stick_pct' => 'gyroplane' }.freeze
    PREFIX = 'measured '

    # @param kind [String] of aircraft
    # @return [Array<Array>] its strips, rows of STRIPS
    def self.of_kind(kind) = STRIPS.select { |channel, *| FLOWN_BY.fetch(channel, kind) == kind }

    # Keeps them.
    # @param row [RecordingRow] saved by the caller
    # @param signals [Recordings::Signals]
    def self.keep(row, signals)
      strips = of_kind(row.sortie.aircraft.type.kind)
      rows = strips.filter_map do |channel, _, _, _, name|
        if signals.signal?(name)
          ChannelRow.pack("#{PREFIX}#{channel}",
                          values(signals, name)).merge(recording_id: row.id)
        end
      end
      ChannelRow.insert_all(rows) if rows.any?
      row.summary = row.summary.merge(
        'measured' => { 'start_s' => signals.start_s, 'step_s' => signals.step_s, 'size' => signals.size,
                        'strips' => strips.to_h { |channel, *, name| [channel, words(signals, name)] } }
      )
    end

    # Heights are shown as measured: above what the file itself shows on the ground.
    def self.values(signals, name)
      name == :agl ? signals[:agl].map { |v| v - signals.agl_zero_ft } : signals[name]
    end

    def self.words(signals, name)
      unit = (signals.signal?(:tq) ? '%' : 'inHg') if name == :power
      reason = if !signals.signal?(name) then name == :agl ? signals.reason(:agl) : 'not recorded'
               elsif signals.estimated?(name) then ESTIMATED[name]
               end
      { 'unit' => unit, 'reason' => reason }.compact
    end

    ESTIMATED = { sink: 'from the vertical-speed column, which lags', heading: 'from the track over the ground',
                  ias: 'from ground speed and wind', agl: 'from altitude' }.freeze
    private_class_method :values, :words

    # @return [Array<Array>] rows of STRIPS
    attr_reader :strips

    # @param recording [RecordingRow] that was read
    def initialize(recording)
      @strips = self.class.of_kind(recording.sortie.aircraft.type.kind)
      recording = measured(recording)
      @kept = recording.summary.fetch('measured')
      @channels = recording.channels.where('name LIKE ?', "#{PREFIX}%").index_by do |row|
        row.name.delete_prefix(PREFIX)
      end
    end

    # Seconds of every sample.
    def moments = @moments ||= Array.new(@kept['size']) { |i| @kept['start_s'] + (i * @kept['step_s']) }

    # @return [Array(Array<Float>|nil, String, String|nil)] values, unit, and the reason for none or a caution
    def of(channel, unit)
      words = @kept['strips'].fetch(channel)
      [@channels[channel]&.values, words['unit'] || unit || '', words['reason']]
    end

    private

    # A recording that was read before they were kept has them from now on.
    def measured(recording)
      kept = recording.summary.dig('measured', 'strips')
      return recording if kept && strips.all? { |channel, *| kept.key?(channel) }

      whole = RecordingRow.find(recording.id)
      self.class.keep(whole, StoredSignals.of(whole, SortieSetting.new(whole.sortie)))
      whole.tap(&:save!)
    end
  end
end
