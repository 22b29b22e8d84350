# frozen_string_literal: true

module Fujin
  # Off and on as the lesson's recordings show them, by the server's clock.
  class FlightTimeProposed
    # @param sortie [Sortie]
    def initialize(sortie)
      @sortie = sortie
    end

    # @return [Hash{String => Object}] off_at, on_at, and how sure, in words; nil times with the reason
    def to_h
      spans = recordings.filter_map { |row| span(row) }
      return { 'off_at' => nil, 'on_at' => nil, 'text' => reason } if spans.empty?

      { 'off_at' => Serialisers.time(spans.map(&:first).min), 'on_at' => Serialisers.time(spans.map do |one|
        one[1]
      end.max),
        'text' => spans.all?(&:last) ? 'As the recording shows it.' : OPEN }
    end

    OPEN = 'As far as the recording goes: it does not stand on the ground at both ends, so look at the times.'
    private_constant :OPEN

    private

    def recordings = @recordings ||= @sortie.recordings.select { |row| row.status == 'ready' && row.summary }

    def span(row)
      setting = SortieSetting.new(@sortie)
      signals = StoredSignals.of(row, setting)
      airborne = Logbook::Airborne.new(signals)
      from, to = airborne.span
      clock = signals.recording.clock_s
      return nil unless from && clock

      [Time.at(clock + from).utc, Time.at(clock + to).utc, airborne.whole?]
    end

    def reason
      return 'There is no recording that was read: enter the times by hand.' if recordings.empty?

      'The recording has no dated clock, or no height and speed to tell a flight by: enter the times by hand.'
    end
  end
end
