# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # All that is computed of a site on one day.
      class Report
        attr_reader :day

        # @param day [Day]
        # @param hottest_margin_pct [Float, nil] power left to hover in ground effect at the day's hottest
        def initialize(day, hottest_margin_pct: nil)
          @day = day
          @hottest = hottest_margin_pct
        end

        def site = day.site
        def survey = @survey ||= Sites::Survey.new(site.survey, site.obstacles)
        def rooms = @rooms ||= site.spots.map { |spot| RoomAt.new(spot, day) }
        def approaches = @approaches ||= site.approaches.map { |line| flown(FlownApproach, line) }
        def departures = @departures ||= site.departures.map { |line| flown(FlownDeparture, line) }
        def slope = @slope ||= Slope.new(day)

        # @return [Hash{String => Verdict::Answer}] by use
        def verdicts = @verdicts ||= Verdict.new(self, hottest_margin_pct: @hottest).then do |judge|
          Verdict::USES.to_h { |use| [use, judge.of(use)] }
        end

        def cautions = @cautions ||= SiteCautions.new(self).all

        # The two looks, the low one along the line that dual training would take.
        def reconnaissance
          line = verdicts['train_dual'].approach
          @reconnaissance ||= Reconnaissance.new(day, approaches.find { |one| one.id == line } || approaches.first)
        end

        # What the verdict rests on, and how far it may change before it is worth nothing.
        # @return [Array<Hash>]
        def lapses
          [*wind_lapses,
           { 'number' => 'density_altitude_ft', 'limit' => (density_altitude_ft + 1000.0).floor(-1) },
           { 'number' => 'mass_kg', 'limit' => (day.conditions.mass_kg * 1.05).floor },
           { 'number' => 'survey_age_days', 'limit' => Verdict::USUAL_STALE_DAYS },
           { 'number' => 'wire_age_days', 'limit' => Verdict::STALE_DAYS['wire'] },
           { 'number' => 'surface', 'limit' => 'rain or snow' }]
        end

        # The end of the day it was worked out for.
        # @return [Time, nil]
        def valid_until = day.at && Time.utc(day.at.utc.year, day.at.utc.month, day.at.utc.day, 23, 59)

        def density_altitude_ft = day.conditions.atmosphere.density_altitude_m / Quantities::FT

        private

        def flown(way, line)
          day.kept(way, line, site.spot(line.spot), site.escape_of(line)) { way.new(line, day) }
        end

        def wind_lapses
          return [] unless day.wind

          least = [day.wind.speed_kt - 10.0, 0.0].max.round
          [{ 'number' => 'wind_kt', 'limit' => Text.of('%{least} to %{speed_kt}',
                                                       least: least, speed_kt: (day.wind.speed_kt + 10.0).round) },
           { 'number' => 'wind_from_deg', 'limit' => '30° either side' },
           { 'number' => 'gust_spread_kt', 'limit' => (day.wind.gust_spread_kt + 10.0).round }]
        end
      end
    end
  end
end
