# frozen_string_literal: true

module Fujin
  module Bookings
    # What the station's forecast says against a flight, by the stage's minima and wind limits. What is only expected
    # at times or perhaps is said as that and does not forbid.
    class WeatherClashes
      # @param forecast [Forecast, nil] nil: nothing is known, and that is said
      # @param stage [String] of the student
      def initialize(forecast, slot, stage, rules)
        @stretches = forecast&.during(slot.from, slot.to) || []
        @forecast = forecast
        @minima = rules.minima(stage)
        @limits = Planning::Cautions::STAGE_LIMITS.fetch(stage || 'early')
        @stage = stage || 'early'
      end

      # @return [Array<Clash>]
      def to_a
        return [note('forecast', 'The station sends no forecast: weather is not looked at.')] unless @forecast
        if @stretches.empty?
          return [note('forecast', 'The forecast does not reach so far: look at the weather again before it.')]
        end

        [*worst(:visibility_m, 'visibility'), *worst(:cloud_base_ft, 'cloud base'), *wind]
      end

      private

      # The lowest of each kind of certainty that is under its minimum.
      def worst(field, name)
        low = @stretches.select { |one| one.public_send(field) && one.public_send(field) < @minima.fetch(field.to_s) }
        sayings(low.min_by(&field), low) do |one|
          Text.of('%{name} %{forecast}, the %{stage} minimum is %{minimum}',
                  name: name, forecast: amount(field, one.public_send(field)), stage: @stage,
                  minimum: amount(field, @minima.fetch(field.to_s)))
        end
      end

      def amount(field, value)
        field == :visibility_m ? "#{format('%g', (value / 1000.0).round(1))} km" : "#{value} ft"
      end

      def wind
        strong = @stretches.select { |one| one.wind && over(one.wind) }
        sayings(strong.max_by { |one| one.wind[:gust_kt] || one.wind[:kt] }, strong) { |one| over(one.wind) }
      end

      # @return [String, nil] the first limit that this wind is over
      def over(wind)
        gust = wind[:gust_kt] || wind[:kt]
        if wind[:kt] > @limits.wind
          return Text.of('wind %{wind} kt, limit %{limit} kt at %{stage} stage',
                         wind: wind[:kt], limit: @limits.wind, stage: @stage)
        end
        if gust > @limits.wind
          return Text.of('gusts to %{gust} kt, limit %{wind} kt at %{stage} stage',
                         gust: gust, wind: @limits.wind, stage: @stage)
        end
        return nil unless gust - wind[:kt] > @limits.gust_spread

        Text.of('gust spread %{gust} kt, limit %{gust_spread} kt at %{stage} stage',
                gust: gust - wind[:kt], gust_spread: @limits.gust_spread, stage: @stage)
      end

      # What is expected for certain is a limit; otherwise the worst that may come is a note.
      def sayings(worst, all)
        return [] unless worst

        sure = all.find { |one| one.how == 'expected' }
        one = sure || worst
        text = Text.of('Forecast%{how}: %{what}.', how: (" #{one.how}" unless sure), what: yield(one))
        [Clash.new(id: 'weather', level: sure ? 'limit' : 'note', text: text)]
      end

      def note(id, text) = Clash.new(id: id, level: 'note', text: text)
    end
  end
end
