# frozen_string_literal: true

module Fujin
  module Live
    # Follows a flight sample by sample, looking only back: which phase it is, the phase's bands, the gate's call. A
    # help for whoever watches from beside; in the cockpit the instructor's eyes come first.
    class Monitor
      # A closed throttle and the needles' split, as for finding attempts (docs/reference/boundaries.md, 'Closure').
      CLOSED_PCT = 10.0
      SPLIT_PCT = 3.0
      MAP_IDLE_INHG = 13.5
      TQ_IDLE_PCT = 8.0
      # A throttle closed lower than this is no glide.
      LEAST_GLIDE_FT = 80.0
      DRIVEN_S = 0.6
      ENTRY_S = [1.4, 7.0].freeze
      AHEAD_S = 4.0
      # The gate's call stays on the screen for so long.
      CALLED_S = 6.0
      SINK_OVER_S = 1.0
      SMOOTH_S = { 'ias_kt' => 0.4, 'nr_pct' => 0.15 }.freeze
      GLIDE_BANDS = {
        'rotor_rpm_pct' => 'gate_rotor_rpm_pct',
        'ias_kt' => 'gate_ias_kt',
        'sink_fpm' => 'gate_sink_fpm'
      }.freeze
      NAMES = {
        'rotor_rpm_pct' => ['rotor rpm', '%'],
        'ias_kt' => %w[airspeed kt],
        'sink_fpm' => %w[sink ft/min]
      }.freeze

      # @param context [Grading::Context] of the sortie: its targets, stage and gate height
      def initialize(context)
        @context = context
        @type = context.type
        @phase = 'powered'
        @smooth = {}
        @heights = []
        @gate = nil
      end

      # @param sample [Hash{String => Float}] by channel name of the recording format
      # @return [Reading]
      def take(sample)
        look(sample)
        change_phase
        call_gate if @phase == 'glide'
        @gate = nil if @gate&.call != 'ahead' && @called_s && @t - @called_s > CALLED_S
        Reading.new(
          t_s: @t,
          phase: @phase,
          **shown.transform_keys(&:to_sym),
          height_ft: @height,
          bands: bands.freeze,
          gate: @gate
        )
      end

      private

      def look(sample)
        @dt = @t ? sample['t_s'] - @t : 0.0
        @t = sample['t_s']
        smooth('ias_kt', sample['ias_kt'])
        smooth('nr_pct', sample['nr_pct'] || percent(sample['rotor_rpm']))
        @height =
          sample['agl_ft'] ||
          (sample['alt_msl_ft'] && @context.elevation_ft && (sample['alt_msl_ft'] - @context.elevation_ft))
        @driven = driven?(sample)
        @driven_s = @driven ? (@driven_s || 0.0) + @dt : 0.0
        @sink = sink(sample)
      end

      def percent(rpm) = rpm && (100.0 * rpm / @type.normal_rotor_rpm)

      def smooth(name, value)
        return @smooth.delete(name) if value.nil?

        before = @smooth[name] || value
        @smooth[name] = Lag.follow(before, value, @dt, SMOOTH_S.fetch(name))
      end

      # From the height over the last second, since a vertical-speed instrument lags; else the instrument.
      def sink(sample)
        return sample['vs_fpm']&.then(&:-@) unless @height

        @heights << [@t, @height]
        @heights.shift while @t - @heights.first[0] > SINK_OVER_S + 0.01
        seconds = @t - @heights.first[0]
        seconds < 0.5 * SINK_OVER_S ? nil : (@heights.first[1] - @height) / seconds * 60.0
      end

      # Does the engine drive the rotor, as far as what is sent can tell?
      def driven?(sample)
        return sample['throttle_pct'] >= CLOSED_PCT if sample['throttle_pct']
        return @smooth['nr_pct'] - sample['ne_pct'] < SPLIT_PCT if sample['ne_pct'] && @smooth['nr_pct']
        return sample['map_inhg'] >= MAP_IDLE_INHG if sample['map_inhg']

        sample['tq_pct'] ? sample['tq_pct'] >= TQ_IDLE_PCT : true
      end

      def change_phase
        case @phase
        when 'powered'
          begin_entry if !@driven && @type.helicopter? && @height && @height > LEAST_GLIDE_FT
        when 'entry'
          @phase = 'glide' if established? || @t - @closed_s > ENTRY_S[1]
        when 'glide'
          @phase = 'flare' if @height <= @context.targets['flare_height_ft'] + (0.25 * (@sink || 0.0) / 60.0)
        end
        power_back if @phase != 'powered' && @driven_s > DRIVEN_S
        @phase = 'cushion' if @phase == 'flare' && @height && @height <= Manoeuvres::Autorotation::Flares::LEVEL_FT
      end

      def begin_entry
        @phase = 'entry'
        @closed_s = @t
        @gate = nil
      end

      # The needles have joined: a recovery low down, a go-around higher up.
      def power_back = @phase = 'powered'

      def established?
        @t - @closed_s > ENTRY_S[0] && near?('ias_kt', @context.glide_speed_kt, 6.0) &&
          near?('nr_pct', @context.target_rotor_rpm_pct, 3.5)
      end

      def near?(name, target, width) = @smooth[name].nil? || (@smooth[name] - target).abs <= width

      # Ahead of time, then once as the gate's height is passed on the way down.
      def call_gate
        gate = @context.gate_height_ft
        if @height > gate
          seconds = @sink&.positive? ? (@height - gate) / @sink * 60.0 : nil
          @gate = seconds && seconds <= AHEAD_S ? GateCall.new(call: 'ahead', height_ft: gate, seconds: seconds) : nil
        elsif @gate.nil? || @gate.call == 'ahead'
          @gate = judged(gate)
          @called_s = @t
        end
      end

      # What is shown against its band.
      def shown = { 'rotor_rpm_pct' => @smooth['nr_pct'], 'ias_kt' => @smooth['ias_kt'], 'sink_fpm' => @sink }

      def judged(gate)
        missing = shown.select { |_, value| value.nil? }.keys
        out = bands.filter_map { |name, band| out_of(name, shown[name], band) }
        return GateCall.new(call: 'go_around', height_ft: gate, reasons: out.freeze) if out.any?
        return GateCall.new(call: 'continue', height_ft: gate) if missing.empty?

        GateCall.new(
          call: 'not_recorded',
          height_ft: gate,
          reasons: missing.map { |name| "#{NAMES[name][0]} is not sent" }.freeze
        )
      end

      def out_of(name, value, band)
        low, high = band
        return nil if value.nil? || ((low.nil? || value >= low) && (high.nil? || value <= high))

        word, unit = NAMES.fetch(name)
        "#{word} #{value.round} #{unit}, #{low&.round || 'any'} to #{high&.round || 'any'}"
      end

      def bands
        case @phase
        when 'powered'
          powered_bands
        when 'entry'
          { 'rotor_rpm_pct' => [@context.targets['lowest_rotor_rpm_pct'], @type.power_off_band[1].to_f] }
        when 'glide'
          glide_bands
        else
          { 'rotor_rpm_pct' => @type.power_off_band.map(&:to_f) }
        end
      end

      # With power: the governor's band, and the sink allowed at this airspeed while it is slow.
      def powered_bands
        rotor = @type.helicopter? ? @type.power_on_band : @type.power_off_band
        found = { 'rotor_rpm_pct' => rotor.map(&:to_f) }
        ias = @smooth['ias_kt']
        found['sink_fpm'] = [nil, @context.house.sink_allowed_fpm(ias)] if @type.helicopter? && ias &&
          ias < Manoeuvres::Approach::Measures::SLOW_KT && @height && @height > 20.0
        found
      end

      # What the standard of the stage calls in; the rotor never outside its power-off band.
      def glide_bands
        @glide_bands ||=
          begin
            standard = @context.standard_of(@context.catalogue.usual_glide)
            found =
              GLIDE_BANDS.transform_values do |id|
                standard.band(id, @context.stage, @context.targets, planned: true).in
              end
            low, high = @type.power_off_band
            found.merge(
              'rotor_rpm_pct' => [[found['rotor_rpm_pct'][0], low].max, [found['rotor_rpm_pct'][1], high].min]
            )
          end
      end
    end
  end
end
