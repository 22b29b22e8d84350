# frozen_string_literal: true

module Fujin
  # The scan strips of one attempt: each channel in bins with minimum and maximum kept, and the band of each phase.
  class Strips
    STRIPS = [
      ['nr_pct', 'Rotor rpm', '%', 1, { 'glide' => 'glide_rotor_rpm_mean_pct', 'entry' => 'min_rotor_rpm_pct', 'flare' => 'flare_rotor_rpm_max_pct' }],
      ['ias_kt', 'Airspeed', 'kt', 0, { 'entry' => 'entry_ias_kt', 'glide' => 'glide_ias_mean_kt' }],
      ['sink_fpm', 'Sink', 'ft/min', 0, { 'glide' => 'glide_sink_fpm' }],
      ['agl_ft', 'Height', 'ft', 0, { 'recovery' => 'hover_height_ft' }],
      ['power', 'Power', '', 1, {}],
      ['collective_pct', 'Collective', '%', 0, {}],
      ['pitch_deg', 'Pitch', '°', 1, { 'flare' => 'flare_pitch_max_deg' }],
      ['hdg_deg', 'Heading', '°', 0, {}]
    ].freeze
    BEFORE_S = 12.0

    def initialize(attempt, bins: 600, from_s: nil, to_s: nil)
      @attempt = attempt
      @recording = attempt.recording
      @channels = @recording.channels.to_h { |row| [row.name, row] }
      @times = @channels.fetch('t_s').values
      @from = from_s || [attempt.start_s - BEFORE_S, @times.first].max
      @to = to_s || attempt.end_s
      @bins = bins
    end

    # @return [Hash] the API's Strips
    def to_h
      { 'from_s' => @from, 'to_s' => @to, 'bridged' => (@recording.summary['bridged'] || []).select { |a, b| b > @from && a < @to },
        'strips' => STRIPS.map { |strip| strip(*strip) } }
    end

    private

    def strip(channel, label, unit, digits, measures)
      values, unit, reason = source(channel, unit)
      bands = measures.filter_map { |phase, id| band(phase, id, values) }
      { 'channel' => channel, 'label' => label, 'unit' => unit, 'digits' => digits, 'reason' => reason, 'bands' => bands,
        'points' => values ? binned(values, digits + 1) : [] }
    end

    # The channel's values, its unit, or why there are none.
    def source(channel, unit)
      case channel
      when 'power' then power
      when 'sink_fpm' then sink
      when 'nr_pct' then rotor(unit)
      else @channels[channel] ? [@channels[channel].values, unit, nil] : [nil, unit, 'not recorded']
      end
    end

    def power
      return [@channels['tq_pct'].values, '%', nil] if @channels['tq_pct']
      return [@channels['map_inhg'].values, 'inHg', nil] if @channels['map_inhg']

      [nil, '', 'not recorded']
    end

    def rotor(unit)
      return [@channels['nr_pct'].values, unit, nil] if @channels['nr_pct']
      return [nil, unit, 'not recorded'] unless @channels['rotor_rpm']

      normal = @attempt.sortie.aircraft.type.fetch('rotor.normal_speed_rad_s') * 60.0 / (2.0 * Math::PI)
      [@channels['rotor_rpm'].values.map { |v| 100.0 * v / normal }, unit, nil]
    end

    # From height, so that it is not lagged; from the vertical-speed column otherwise.
    def sink
      height = @channels['agl_ft'] || @channels['alt_msl_ft']
      return [@channels['vs_fpm'].values.map(&:-@), 'ft/min', 'from the vertical-speed column, which lags'] if height.nil? && @channels['vs_fpm']
      return [nil, 'ft/min', 'not recorded'] unless height

      step = Quantities.median(@times.each_cons(2).take(500).map { |a, b| b - a })
      half = [(0.4 / step).round, 1].max
      [Recordings::Smoothing.rate(Recordings::Smoothing.mean(height.values, half), step, half).map { |v| -60.0 * v }, 'ft/min', nil]
    end

    def band(phase_id, measure_id, values)
      phase = @attempt.proposal['phases'].find { |p| p['id'] == phase_id }
      measure = @attempt.proposal['measures'][measure_id]
      return nil unless phase && measure && (measure['low'] || measure['high'])

      { 'phase' => phase_id, 'from_s' => phase['start_s'], 'to_s' => phase['end_s'], 'low' => measure['low'], 'high' => measure['high'],
        'in_band_pct' => values && share_in_band(values, phase, measure) }
    end

    def share_in_band(values, phase, measure)
      inside = total = 0
      index_range(phase['start_s'], phase['end_s']).each do |i|
        next if values[i].nan?

        total += 1
        inside += 1 if (measure['low'].nil? || values[i] >= measure['low']) && (measure['high'].nil? || values[i] <= measure['high'])
      end
      total.zero? ? nil : (100.0 * inside / total).round
    end

    def index_range(from, to)
      first = @times.bsearch_index { |t| t >= from } || @times.size
      last = (@times.bsearch_index { |t| t > to } || @times.size) - 1
      first..last
    end

    # [time, minimum, maximum] of each bin; nil values where nothing was recorded.
    def binned(values, digits)
      range = index_range(@from, @to)
      per_bin = [(range.size / @bins.to_f).ceil, 1].max
      range.each_slice(per_bin).map do |indices|
        found = indices.map { |i| values[i] }.reject(&:nan?)
        [@times[indices[indices.size / 2]].round(2), found.min&.round(digits), found.max&.round(digits)]
      end
    end
  end
end
