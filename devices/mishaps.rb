# frozen_string_literal: true

module Fujin
  module Devices
    # What goes wrong with a recorder, asked for in words, times in seconds of the flight:
    #
    #   lose ias_kt 30-60     a channel is not sent
    #   freeze 80-90          every reading stays as it was, only the clock goes on
    #   jump height_ft 100    one sample with a wild reading (also ias_kt, nr_pct)
    #   silent 120-125        nothing is sent
    #   restart 140           the clock begins again an hour earlier
    #   repeat 150-152        every sample is sent twice
    #   drift 0.5             the clock gains so many seconds a minute
    #
    # Several are told apart by semicolons.
    class Mishaps
      WILD = { 'height_ft' => ['agl_ft', 900.0], 'ias_kt' => ['ias_kt', 70.0], 'nr_pct' => ['nr_pct', -45.0] }.freeze
      SET_BACK_S = 3600.0
      FORMS = {
        lose: /\Alose (\w+) (\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)\z/, freeze: /\Afreeze (\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)\z/,
        jump: /\Ajump (height_ft|ias_kt|nr_pct) (\d+(?:\.\d+)?)\z/,
        silent: /\Asilent (\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)\z/, restart: /\Arestart (\d+(?:\.\d+)?)\z/,
        repeat: /\Arepeat (\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)\z/, drift: /\Adrift (-?\d+(?:\.\d+)?)\z/
      }.freeze

      # @param text [String, nil]
      # @raise [InvalidInput] naming what is not understood
      def initialize(text)
        @asked = text.to_s.split(';').map(&:strip).reject(&:empty?).map { |words| parsed(words) }
        @jumped = []
      end

      # @param sample [Hash{String => Float}] `t_s` since the flight began
      # @return [Array<Hash{String => Float}>] what is sent instead, `clock_s` being what its clock shows since then
      def sent(sample)
        t = sample['t_s']
        return [] if during?(:silent, t)

        told = jumped(frozen(lost(sample, t), t), t).merge('clock_s' => clock(t))
        during?(:repeat, t) ? [told, told] : [told]
      end

      private

      def parsed(words)
        FORMS.each { |kind, form| form.match(words)&.then { |match| return [kind, *match.captures] } }
        raise InvalidInput, [{ path: 'mishaps', message: "no mishap #{words.inspect}: use #{FORMS.keys.join(', ')}" }]
      end

      def of(kind) = @asked.select { |one| one.first == kind }.map { |one| one.drop(1) }
      def during?(kind, time) = of(kind).any? { |from, to| time.between?(from.to_f, to.to_f) }

      def lost(sample, time)
        gone = of(:lose).filter_map { |channel, from, to| channel if time.between?(from.to_f, to.to_f) }
        sample.except(*gone, *('rotor_rpm' if gone.include?('nr_pct')))
      end

      def frozen(sample, time)
        return @kept.merge('t_s' => time) if @kept && during?(:freeze, time)

        @kept = sample
      end

      # Once, at the first sample from its moment on.
      def jumped(sample, time)
        of(:jump).each do |name, at|
          next if time < at.to_f || @jumped.include?([name, at])

          @jumped << [name, at]
          channel, by = WILD.fetch(name)
          sample = sample.merge(channel => sample[channel] + by) if sample[channel]
        end
        sample
      end

      def clock(time)
        gained = of(:drift).sum { |(rate)| rate.to_f * time / 60.0 }
        set_back = of(:restart).any? { |(at)| time >= at.to_f } ? SET_BACK_S : 0.0
        time + gained - set_back
      end
    end
  end
end
