# frozen_string_literal: true

module Fujin
  module Recordings
    # Channels that are in another unit than their heading says: found by comparing what the file says twice. What
    # cannot be right is left out and said, so that no number comes out quietly wrong.
    module Plausibility
      # Channels in percent that never come near what a flight has, in percent.
      SHARES = { 'nr_pct' => 3.0, 'ne_pct' => 3.0 }.freeze
      # Ratios that another unit makes of a speed or a height, and how near counts.
      NEAR = 0.06
      LEAST_PAIRS = 20
      SLOWEST_KT = 25.0

      module_function

      # @param recording [Recording]
      # @return [Recording] without the channels that contradict others, each said in its notes
      def checked(recording)
        reasons = [*shares(recording), *ground_speed(recording), *airspeed(recording), *vertical(recording)].uniq(
          &:first
        )
        return recording if reasons.empty?

        notes =
          reasons.map do |channel, why|
            Text.of("%{channel} was left out: %{why}. If the unit is another, say so for this device's headings",
                    channel: channel, why: why)
          end
        recording.with(
          channels: recording.channels.except(*reasons.map(&:first)).freeze,
          notes: (recording.notes + notes).freeze
        )
      end

      def shares(recording)
        SHARES.filter_map do |channel, most|
          highest = recording[channel]&.reject(&:nan?)&.max
          if highest&.between?(0.2, most)
            [channel, Text.of('it never passes %{highest}, which is a share and not percent',
                              highest: highest.round(2))]
          end
        end
      end

      # Distance between positions against the ground speed.
      def ground_speed(recording)
        return [] unless %w[gs_kt lat_deg lon_deg].all? { |name| recording.channel?(name) }

        ratio = ratio_of(recording, 'gs_kt') { |i, j| moved_kt(recording, i, j) }
        named(ratio, { 0.5144 => 'm/s', 1.852 => 'km/h', 1.1508 => 'mph' }).map do |unit|
          ['gs_kt', Text.of('the positions move %{ratio} times as fast: it looks like %{unit}',
                            ratio: (1.0 / ratio).round(2), unit: unit)]
        end
      end

      # Airspeed against ground speed. A strong wind on one line makes the same ratio, but not speeds that no rotorcraft
      # trains at.
      def airspeed(recording)
        return [] unless recording.channel?('ias_kt') && recording.channel?('gs_kt')

        pairs =
          recording['ias_kt'].zip(recording['gs_kt']).select { |ias, gs| !ias.nan? && !gs.nan? && gs > SLOWEST_KT }
        return [] if pairs.size < LEAST_PAIRS

        ratio = Quantities.median(pairs.map { |ias, gs| ias / gs })
        fastest = pairs.map(&:first).sort[(pairs.size * 0.95).floor]
        unit = if ratio.between?(0.4, 0.62) && fastest < 55.0 then 'm/s'
               elsif ratio.between?(1.55, 2.4) && fastest > 105.0 then 'km/h'
               end
        if unit
          [['ias_kt', Text.of('it is %{ratio} times the ground speed throughout: it looks like %{unit}',
                              ratio: ratio.round(2), unit: unit)]]
        else
          []
        end
      end

      # Vertical speed against the altitude's own rate.
      def vertical(recording)
        height = %w[alt_msl_ft agl_ft].find { |name| recording.channel?(name) }
        return [] unless height && recording.channel?('vs_fpm')

        slope = slope_of(recording, height) or return []
        named(slope, { 3.2808 => 'metres', 0.3048 => 'm/min', 0.00508 => 'm/s', 0.01667 => 'ft/s' }).flat_map do |unit|
          wrong = unit == 'metres' ? height : 'vs_fpm'
          [[wrong, Text.of('heights and vertical speeds differ by a factor of %{slope}: it looks like %{unit}',
                           slope: slope.round(3), unit: unit)]]
        end
      end

      def named(ratio, units)
        return [] unless ratio

        units.select { |expected, _| ((ratio / expected) - 1.0).abs < NEAR }.values
      end

      # Middle of a channel over what the block makes of second-long steps, while moving.
      def ratio_of(recording, channel)
        steps = steps_of(recording)
        ratios = steps.filter_map do |i, j|
          other = yield(i, j)
          value = recording[channel][i]
          value / other if other && other > SLOWEST_KT && !value.nan?
        end
        ratios.size < LEAST_PAIRS ? nil : Quantities.median(ratios)
      end

      def moved_kt(recording, from, to)
        lat = recording['lat_deg']
        lon = recording['lon_deg']
        return nil if [lat[from], lat[to], lon[from], lon[to]].any?(&:nan?)

        north, east = LocalMap.new(lat[from], lon[from]).north_east(lat[to], lon[to])
        Math.hypot(north, east) / (recording.times[to] - recording.times[from]) / Quantities::KT
      end

      # Least squares through nothing: vertical speed over the height's rate, where the two go together.
      def slope_of(recording, height)
        pairs = steps_of(recording).filter_map do |i, j|
          rate = (recording[height][j] - recording[height][i]) / (recording.times[j] - recording.times[i]) * 60.0
          speeds = recording['vs_fpm'][i..j]
          next if rate.nan? || speeds.any?(&:nan?)

          [speeds.sum / speeds.size, rate]
        end
        squares = pairs.sum { |_, rate| rate * rate }
        return nil if pairs.size < LEAST_PAIRS || Math.sqrt(squares / pairs.size) < 60.0

        both = pairs.sum { |vs, rate| vs * rate }
        alike = both / Math.sqrt(squares * [pairs.sum { |vs, _| vs * vs }, 1e-9].max)
        alike > 0.85 ? both / squares : nil
      end

      # Steps of two seconds or so, at most a few hundred of them, spread over the file.
      def steps_of(recording)
        span = [(2.0 / recording.step_s).round, 1].max
        every = [recording.size / 600, span / 2, 1].max
        (0...(recording.size - span))
          .step(every)
          .map { |i| [i, i + span] }
          .select { |i, j| recording.times[j] - recording.times[i] < 5.0 }
      end
    end
  end
end
