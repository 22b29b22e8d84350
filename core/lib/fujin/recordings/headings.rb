# frozen_string_literal: true

module Fujin
  module Recordings
    # What a device's own headings mean: for each heading a channel of the recording format and the unit its numbers
    # are in. Told once by a person, then known by the header row they came with.
    class Headings
      # Factor (and offset) from a unit to the channel's own, by the channel's ending.
      UNITS = {
        'kt' => {
          'kt' => 1.0,
          'm/s' => 1.0 / Quantities::KT,
          'km/h' => 1.0 / 3.6 / Quantities::KT,
          'mph' => 1609.344 / 1852.0
        },
        'ft' => {
          'ft' => 1.0,
          'm' => 1.0 / Quantities::FT
        },
        'fpm' => {
          'ft/min' => 1.0,
          'm/s' => 1.0 / Quantities::FPM,
          'ft/s' => 60.0
        },
        'deg' => {
          'deg' => 1.0,
          'rad' => 1.0 / Quantities::DEG
        },
        'pct' => {
          '%' => 1.0,
          'share' => 100.0
        },
        'rpm' => {
          'rpm' => 1.0
        },
        'c' => {
          '°C' => 1.0,
          '°F' => [5.0 / 9.0, -32.0],
          'K' => [1.0, -273.15]
        },
        'inhg' => {
          'inHg' => 1.0,
          'hPa' => 100.0 / Quantities::INHG,
          'kPa' => 1000.0 / Quantities::INHG,
          'psi' => 6894.757 / Quantities::INHG
        },
        'on' => {
          '1 is on' => 1.0,
          '0 is on' => [-1.0, -1.0]
        },
        's' => {
          's' => 1.0,
          'ms' => 0.001,
          'min' => 60.0
        }
      }.freeze
      CHANNELS = (Channels::RANGES.keys - %w[utc]).freeze

      # One column: what it is and how to turn its numbers into the channel's unit.
      Column = Value.define(:channel, :unit) do
        def value(number)
          factor, offset = UNITS.fetch(Headings.ending(channel)).fetch(unit)
          (number + (offset || 0.0)) * factor
        end
      end

      def self.ending(channel) = channel.split('_').last
      def self.units(channel) = UNITS.fetch(ending(channel)).keys

      # How a header row is known again: its headings in order, without case and spaces around them.
      def self.signature(titles) = titles.map { |title| title.to_s.strip.downcase }.join("\t")

      attr_reader :columns

      # @param told [Array<Hash>] `{'heading' =>, 'channel' =>, 'unit' =>}`; headings left out are not read
      # @raise [InvalidInput] naming the heading
      def initialize(told)
        problems = told.filter_map { |row| problem(row) }
        problems += doubled(told)
        unless told.any? { |row| row['channel'] == 't_s' }
          problems << { path: 'columns', message: 'expected one column for the time: t_s' }
        end
        raise InvalidInput, problems unless problems.empty?

        @columns =
          told
            .to_h { |row| [row['heading'].strip.downcase, Column.new(channel: row['channel'], unit: row['unit'])] }
            .freeze
        freeze
      end

      def [](title) = columns[title]

      # What a heading most likely means, to be confirmed by a person.
      # @return [Array(String, String), nil] channel and unit
      def self.guess(heading)
        text = heading.to_s.downcase
        channel = GUESSES.find { |pattern, _| text.match?(pattern) }&.last or return nil
        channel = 'rotor_rpm' if channel == 'nr_pct' && text.match?(%r{rpm|1/min}) && !text.match?(/%|pct|percent/)
        unit = units(channel).find { |name| text.match?(unit_pattern(name)) } || units(channel).first
        [channel, unit]
      end

      def self.unit_pattern(name)
        spelled = {
          'kt' => 'kts?|knots?|kn',
          'm' => 'm|met(?:re|er)s?',
          'ft' => 'ft|feet',
          'km/h' => 'km/?h|kph|kmh',
          'm/s' => 'm/?s|mps',
          'ft/min' => 'ft/min|fpm',
          'rad' => 'rad(?:ians?)?',
          '°F' => '°?f',
          '°C' => '°?c',
          'ms' => 'ms|milliseconds?'
        }.fetch(name, Regexp.escape(name.downcase))
        /(?:\A|[^a-z])(?:#{spelled})(?:\z|[^a-z])/
      end

      GUESSES = [
        [/lat/, 'lat_deg'],
        [/lon|lng/, 'lon_deg'],
        [/wind.*(dir|from)/, 'wind_from_deg'],
        [/wind/, 'wind_kt'],
        [/agl|radar|radio.?alt|height/, 'agl_ft'],
        [%r{vert|vspe?e?d|climb|\bvs\b|v/s|vario}, 'vs_fpm'],
        [/alt|elev/, 'alt_msl_ft'],
        [/ground|\bgs\b|gps.?sp/, 'gs_kt'],
        [/air|\bias\b/, 'ias_kt'],
        [/track|course|\btrk\b/, 'track_deg'],
        [/head|hdg/, 'hdg_deg'],
        [/pitch/, 'pitch_deg'],
        [/roll|bank/, 'roll_deg'],
        [/rotor|\bnr\b/, 'nr_pct'],
        [/torq|\btq\b/, 'tq_pct'],
        [/manif|\bmap\b/, 'map_inhg'],
        [/coll/, 'collective_pct'],
        [/throt/, 'throttle_pct'],
        [/pedal/, 'pedal_pct'],
        [/govern/, 'governor_on'],
        [/engine|\bne\b/, 'ne_pct'],
        [/temp|\boat\b/, 'oat_c'],
        [/time|elapsed|sec/, 't_s'],
        [/speed/, 'gs_kt']
      ].freeze

      private

      def problem(row)
        channel, unit = row.values_at('channel', 'unit')
        unless CHANNELS.include?(channel)
          return (
            { path: row['heading'].to_s, message: Text.of('expected one of %{channels}, got %{channel}',
                                                          channels: CHANNELS.join(', '), channel: channel.inspect) }
          )
        end
        return nil if self.class.units(channel).include?(unit)

        {
          path: row['heading'].to_s,
          message: Text.of('expected one of %{units} for %{channel}, got %{unit}',
                           units: self.class.units(channel).join(', '), channel: channel, unit: unit.inspect)
        }
      end

      def doubled(told)
        told.group_by { |row| row['channel'] }.select { |_, rows| rows.size > 1 }.map do |channel, rows|
          { path: rows.last['heading'].to_s, message: Text.of('%{channel} is said of %{rows} headings: keep one',
                                                              channel: channel, rows: rows.size) }
        end
      end
    end
  end
end
