# frozen_string_literal: true

module Fujin
  module Flight
    # A flight along a script, as a recorder with ordinary noise would show it: for finding, measuring and showing what
    # the pilot model does not fly. The truth of every moment is the script's own.
    class ScriptedFlight
      Q = Quantities
      STEP_S = 0.1
      NOISE = {
        'ias_kt' => 1.0,
        'gs_kt' => 0.4,
        'agl_ft' => 0.35,
        'vs_fpm' => 30.0,
        'hdg_deg' => 0.7,
        'pitch_deg' => 0.4,
        'roll_deg' => 0.4,
        'nr_pct' => 0.2,
        'collective_pct' => 0.5,
        'map_inhg' => 0.1,
        'pedal_pct' => 0.5,
        'throttle_pct' => 0.5
      }.freeze
      LIMITS = { 'ias_kt' => 0.0, 'gs_kt' => 0.0 }.freeze

      attr_reader :marks, :t_s, :agl_ft, :gs_kt, :heading_deg

      # @param origin [Array(Float, Float)] latitude and longitude where it begins
      # @param wind_kt [Float] along the heading at the start, against it
      def initialize(origin:, wind_kt: 8.0, heading_deg: 350.0, agl_ft: 0.0, seed: 1)
        @origin = origin
        @headwind = wind_kt
        @heading_deg = heading_deg
        @agl_ft = agl_ft
        @gs_kt = 0.0
        @north = @east = 0.0
        @t_s = 0.0
        @seed = seed
        @rows = []
        @marks = {}
        @state = {
          'nr_pct' => 100.0,
          'collective_pct' => 45.0,
          'map_inhg' => 20.0,
          'throttle_pct' => 80.0,
          'pitch_deg' => 0.0,
          'roll_deg' => 0.0,
          'pedal_pct' => 0.0
        }
      end

      # @return [Array(Float, Float)] metres north and east of where it began
      def place_m = [@north, @east]

      # Remembers this moment under a name.
      def mark(name)
        @marks[name] = @t_s
        self
      end

      # One leg: ground speed and height change evenly to what is given, the nose turns at a rate, controls stand where
      # they are put.
      # @param track_deg [Float, nil] where it goes, whatever the nose does
      def leg(seconds, gs_kt: @gs_kt, agl_ft: @agl_ft, turn_deg_s: 0.0, track_deg: nil, **state)
        @track_deg = track_deg
        steps = (seconds / STEP_S).round
        from_gs = @gs_kt
        from_agl = @agl_ft
        first = @state.dup
        last = @state.merge(state.transform_keys(&:to_s))
        (1..steps).each do |i|
          share = i.fdiv(steps)
          advance(
            from_gs + ((gs_kt - from_gs) * share),
            from_agl + ((agl_ft - from_agl) * share),
            turn_deg_s,
            first.to_h { |k, v| [k, v + ((last[k] - v) * [share * 4.0, 1.0].min)] }
          )
        end
        @state = last
        self
      end

      # Down a straight path at an angle, slowing evenly with the height left; `still` marks under 3 kt below 10 ft.
      def approach(angle_deg, from_kt:, agl_to: 5.0)
        top = @agl_ft
        while @agl_ft > agl_to + 0.05
          share = (@agl_ft - agl_to) / (top - agl_to)
          speed = [from_kt * Math.sqrt(share), 1.0].max
          @marks[:still] ||= @t_s if speed < 3.0 && @agl_ft < 10.0
          advance(speed, [@agl_ft - (speed * 1.68781 * STEP_S * Math.tan(angle_deg * Q::DEG)), agl_to].max, 0.0, @state)
        end
        self
      end

      # @return [Array<Hash{String => Float}>] as the recorder shows them
      def samples
        random = Random.new(@seed)
        @rows.map do |row|
          row.to_h { |name, value| [name, NOISE[name] ? shown(name, value, random) : value.round(8)] }
        end
      end

      # @return [String] in the recording format
      def csv = [@rows.first.keys.join(','), *samples.map { |row| row.values.join(',') }].join("\n") << "\n"

      private

      def advance(speed, height, turn, state)
        sink = (@agl_ft - height) / STEP_S * 60.0
        @gs_kt = speed
        @agl_ft = height
        @heading_deg += turn * STEP_S
        track = @track_deg || @heading_deg
        @north += speed * Q::KT * STEP_S * Math.cos(track * Q::DEG)
        @east += speed * Q::KT * STEP_S * Math.sin(track * Q::DEG)
        @t_s = (@t_s + STEP_S).round(1)
        lat = @origin[0] + (@north / 111_180.0)
        lon = @origin[1] + (@east / (111_180.0 * Math.cos(@origin[0] * Q::DEG)))
        @rows << {
          't_s' => @t_s,
          'lat_deg' => lat,
          'lon_deg' => lon,
          'agl_ft' => height,
          'gs_kt' => speed,
          'track_deg' => track % 360.0,
          'hdg_deg' => @heading_deg % 360.0,
          'ias_kt' => [speed + @headwind, 0.0].max,
          'vs_fpm' => -sink
        }.merge(state)
      end

      def shown(name, value, random)
        noisy = value + (NOISE[name] * NormalRandom.draw(random))
        LIMITS[name] ? [noisy, LIMITS[name]].max.round(3) : noisy.round(3)
      end
    end
  end
end
