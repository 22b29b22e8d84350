# frozen_string_literal: true

module Fujin
  module Recordings
    # NMEA 0183 sentences as a flight recorder sends them: RMC and GGA for time and place, HDT for heading, RPM for
    # rotor (shaft 1) and engine, XDR for the rest under these transducer names.
    module Nmea
      TRANSDUCERS = {
        'IAS' => 'ias_kt',
        'AGL' => 'agl_ft',
        'VS' => 'vs_fpm',
        'PITCH' => 'pitch_deg',
        'ROLL' => 'roll_deg',
        'COLL' => 'collective_pct',
        'THR' => 'throttle_pct',
        'PED' => 'pedal_pct',
        'MAP' => 'map_inhg',
        'TQ' => 'tq_pct',
        'NE' => 'ne_pct',
        'GOV' => 'governor_on',
        'OAT' => 'oat_c'
      }.freeze

      module_function

      # Wraps the words between $ and * with the checksum.
      def sentence(words)
        body = words.join(',')
        format('$%s*%02X', body, body.bytes.reduce(0, :^))
      end

      # @return [Array<String>, nil] the words, or nil when the sentence or its checksum is broken
      def words(line)
        match = /\A\$([^*]*)\*([0-9A-Fa-f]{2})\s*\z/.match(line)
        return nil unless match && match[1].bytes.reduce(0, :^) == match[2].to_i(16)

        match[1].split(',', -1)
      end

      # What a sentence says: the moment that an RMC begins a sample at, Unix seconds (nil for other sentences), and
      # its readings by channel, in the recording format's units.
      # @return [Array(Float|nil, Hash{String => Float})]
      def readings(words)
        found = case words[0][2..]
                when 'RMC' then return begun(words)
                when 'GGA' then { 'alt_msl_ft' => [words[9], 1.0 / Quantities::FT] }
                when 'HDT' then { 'hdg_deg' => [words[1], 1.0] }
                when 'RPM' then { (words[1] == 'S' ? 'rotor_rpm' : 'engine_rpm') => [words[3], 1.0] }
                when 'XDR' then words[1..].each_slice(4).to_h { |_, value, _, name| [TRANSDUCERS[name], [value, 1.0]] }
                else {}
                end
        [nil, numbers(found)]
      end

      # A position whose fix is not valid begins nothing.
      def begun(words)
        time = time_of(words[1], words[9])
        return [nil, {}] unless time && words[2] == 'A'

        [
          time,
          numbers(
            'lat_deg' => [angle(words[3], words[4]), 1.0],
            'lon_deg' => [angle(words[5], words[6]), 1.0],
            'gs_kt' => [words[7], 1.0],
            'track_deg' => [words[8], 1.0]
          )
        ]
      end

      def numbers(texts)
        texts.filter_map do |channel, (text, scale)|
          value = text.is_a?(Numeric) ? text.to_f : text && Float(text, exception: false)
          [channel, value * scale] if channel && value
        end.to_h
      end

      def time_of(clock, date)
        match = /\A(\d\d)(\d\d)(\d\d(?:\.\d+)?)\z/.match(clock.to_s)
        day = /\A(\d\d)(\d\d)(\d\d)\z/.match(date.to_s)
        return nil unless match && day

        Time.utc(2000 + day[3].to_i, day[2].to_i, day[1].to_i, match[1].to_i, match[2].to_i, match[3].to_r).to_r.to_f
      rescue ArgumentError
        nil
      end

      def angle(text, side)
        match = /\A(\d{2,3})(\d\d\.\d+)\z/.match(text.to_s)
        return nil unless match

        value = match[1].to_i + (match[2].to_f / 60.0)
        %w[S W].include?(side) ? -value : value
      end

      # One sample as its sentences.
      # @param sample [Hash{String => Float}] by channel name of the recording format
      # @param time [Time] UTC
      def sentences(sample, time)
        clock = time.strftime('%H%M%S.%L')
        place = [*degrees(sample['lat_deg'], 2, %w[N S]), *degrees(sample['lon_deg'], 3, %w[E W])]
        found = [
          sentence(
            ['GPRMC', clock, 'A', *place, sample['gs_kt'], sample['track_deg'], time.strftime('%d%m%y'), '', '', 'A']
          )
        ]
        if (altitude = sample['alt_msl_ft'])
          found << sentence(
            ['GPGGA', clock, *place, 1, 10, 0.8, (altitude * Quantities::FT).round(2), 'M', 0.0, 'M', '', '']
          )
        end
        found << sentence(['HEHDT', sample['hdg_deg'], 'T']) if sample['hdg_deg']
        found << sentence(['ERRPM', 'S', 1, sample['rotor_rpm'], '', 'A']) if sample['rotor_rpm']
        shown = TRANSDUCERS.select { |_, channel| sample[channel] }
        found +
          shown
            .each_slice(4)
            .map { |group| sentence(['YXXDR', *group.flat_map { |name, channel| ['G', sample[channel], '', name] }]) }
      end

      def degrees(value, width, sides)
        whole = value.abs.floor
        [format("%0#{width}d%010.7f", whole, (value.abs - whole) * 60.0), sides[value.negative? ? 1 : 0]]
      end
    end
  end
end
