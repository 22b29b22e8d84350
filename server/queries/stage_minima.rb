# frozen_string_literal: true

module Fujin
  # The weather as reported against the minima and wind limits of each stage: for whom it is not today.
  class StageMinima
    # @param rules [Bookings::Rules]
    def initialize(rules)
      @rules = rules
    end

    # @param seen [Hash] the values of a report
    # @return [Array<Hash>] each stage with what is outside
    def of(seen)
      Bookings::Rules::MINIMA.keys.map { |stage| { 'stage' => stage, 'against' => against(stage, seen) } }
    end

    private

    def against(stage, seen)
      minima = @rules.minima(stage)
      limits = Planning::Cautions::STAGE_LIMITS.fetch(stage)
      spread = seen['gust_kt'] && (seen['gust_kt'] - seen['wind_kt'].to_i)
      [
        under('visibility', seen['visibility_m'], minima['visibility_m'], 'm'),
        under('cloud base', seen['cloud_base_ft'], minima['cloud_base_ft'], 'ft'),
        over('wind', seen['wind_kt'], limits.wind), over('gusts to', seen['gust_kt'], limits.wind),
        over('gust spread', spread, limits.gust_spread)
      ].compact
    end

    def under(name, value, least, unit) = value && value < least ? "#{name} #{value.round} #{unit}" : nil
    def over(name, value, most) = value && value > most ? "#{name} #{value.round} kt" : nil
  end
end
