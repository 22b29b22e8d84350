# frozen_string_literal: true

module Fujin
  # Where each scan strip's values come from in a stored recording, or why there are none.
  class StripSources
    # Channel, label, unit, digits.
    STRIPS = [
      ['nr_pct', 'Rotor rpm', '%', 1],
      ['ias_kt', 'Airspeed', 'kt', 0],
      ['sink_fpm', 'Sink', 'ft/min', 0],
      ['agl_ft', 'Height', 'ft', 0],
      ['power', 'Power', '', 1],
      ['collective_pct', 'Collective', '%', 0],
      ['pitch_deg', 'Pitch', '°', 1],
      ['hdg_deg', 'Heading', '°', 0]
    ].freeze

    # @param recording [RecordingRow], @param type [Aircraft::Type]
    def initialize(recording, type)
      @channels = recording.channels.to_h { |row| [row.name, row] }
      @type = type
    end

    # Seconds of every sample.
    def moments = @moments ||= @channels.fetch('t_s').values

    # @return [Array(Array<Float>|nil, String, String|nil)] values, unit, and the reason for none or a caution
    def of(channel, unit)
      case channel
      when 'power' then power
      when 'sink_fpm' then sink
      when 'nr_pct' then rotor(unit)
      when 'hdg_deg' then heading(unit)
      else @channels[channel] ? [@channels[channel].values, unit, nil] : [nil, unit, 'not recorded']
      end
    end

    private

    def power
      return [@channels['tq_pct'].values, '%', nil] if @channels['tq_pct']
      return [@channels['map_inhg'].values, 'inHg', nil] if @channels['map_inhg']

      [nil, '', 'not recorded']
    end

    # Without jumps at north.
    def heading(unit)
      if @channels['hdg_deg']
        [Recordings::Smoothing.unwrap(@channels['hdg_deg'].values), unit, nil]
      else
        [nil, unit, 'not recorded']
      end
    end

    def rotor(unit)
      return [@channels['nr_pct'].values, unit, nil] if @channels['nr_pct']
      return [nil, unit, 'not recorded'] unless @channels['rotor_rpm']

      normal = @type.fetch('rotor.normal_speed_rad_s') * 60.0 / (2.0 * Math::PI)
      [@channels['rotor_rpm'].values.map { |v| 100.0 * v / normal }, unit, nil]
    end

    # From height, so that it is not lagged; from the vertical-speed column otherwise.
    def sink
      height = @channels['agl_ft'] || @channels['alt_msl_ft']
      if height.nil? && @channels['vs_fpm']
        return @channels['vs_fpm'].values.map(&:-@), 'ft/min', 'from the vertical-speed column, which lags'
      end
      return nil, 'ft/min', 'not recorded' unless height

      step = Quantities.median(moments.each_cons(2).take(500).map { |a, b| b - a })
      half = [(0.4 / step).round, 1].max
      [
        Recordings::Smoothing.rate(Recordings::Smoothing.mean(height.values, half), step, half).map { |v| -60.0 * v },
        'ft/min',
        nil
      ]
    end
  end
end
