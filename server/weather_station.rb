# frozen_string_literal: true

require 'metar'
require 'net/http'

module Fujin
  # The school's weather station, over HTTP: fetched when the last report is old, kept in the database, its age and its
  # silence said plainly.
  class WeatherStation
    FRESH_S = 10 * 60
    OLD_S = 90 * 60
    TIMEOUT_S = 2

    # The station cannot be reached, or sent what is no report.
    class Silent < StandardError; end

    # @param station [String] four letters
    # @param clock [#call] now, UTC
    def initialize(station, url: Settings.weather_url, clock: -> { Time.now.utc })
      @station = station
      @url = url
      @clock = clock
    end

    # The newest report with its age, and the trouble there was in fetching a newer one.
    # @return [Hash]
    def latest(refresh: false)
      kept = newest
      trouble = nil
      if refresh || kept.nil? || @clock.call - kept.created_at > FRESH_S
        begin
          kept = fetch
        rescue Silent => e
          trouble =
            Text.of('%{message}%{kept} The fields can always be filled by hand.',
                    message: e.message, kept: (' The last report is shown with its age.' if kept))
        end
      end
      view(kept, trouble)
    end

    FORECAST_FRESH_S = 30 * 60

    # What the station expects: the last TAF, fetched again when it is old; nil when there is none or it is unreadable.
    # @return [Forecast, nil]
    def forecast
      row = WeatherForecast.where(station: @station).order(created_at: :desc).first
      if row.nil? || @clock.call - row.created_at > FORECAST_FRESH_S
        text = ask("taf/#{@station}")
        read = Forecast.new(text, @clock.call)
        WeatherForecast.create!(station: @station, text: text.strip, created_at: @clock.call)
        return read
      end
      Forecast.new(row.text, row.created_at)
    rescue Silent, Forecast::Unreadable => e
      Fujin.logger.warn("no forecast: #{e.message}")
      row && Forecast.new(row.text, row.created_at)
    end

    # @param text [String] a METAR
    # @return [Hash{String => Object}] in the units of a sortie's fields
    # @raise [Silent] when it is no report
    def self.read(text, now)
      unless text.match?(REPORT)
        raise Silent, Text.of('The station sent something that is no report: %{text}.', text: text.strip[0, 60].inspect)
      end

      values(Metar::Parser.new(Metar::Raw::Data.new(text.strip, now)))
    rescue Metar::ParseError
      raise Silent, Text.of('The station sent something that is no report: %{text}.', text: text.strip[0, 60].inspect)
    end

    # Station, day and time at least.
    REPORT = /\A\s*[A-Z]{4} \d{6}Z /

    class << self
      private

      # The library's values are SI, pressure in bar; words stand for what was not measured.
      def values(report)
        {
          'observed_at' => report.time,
          **wind(report.wind),
          'oat_c' => report.temperature&.value,
          'dew_point_c' => report.dew_point&.value,
          'qnh_hpa' => scaled(report.sea_level_pressure&.pressure, 1000.0),
          'visibility_m' => scaled(report.visibility&.distance, 1.0),
          'cloud_base_ft' => base_ft(report)
        }
      end

      def wind(wind)
        {
          'wind_from_deg' => scaled(wind&.direction, 1.0),
          'wind_kt' => scaled(wind&.speed, 1.0 / Quantities::KT),
          'gust_kt' => scaled(wind&.gusts, 1.0 / Quantities::KT)
        }
      end

      def scaled(measured, factor) = measured.respond_to?(:value) ? (measured.value * factor).round : nil

      # Of the lowest broken or overcast layer.
      def base_ft(report)
        report.sky_conditions.select { |layer| layer.height && %w[broken overcast].include?(layer.quantity.to_s) }
          .map { |layer| (layer.height.value / Quantities::FT).round }.min
      end
    end

    private

    def newest = WeatherReport.where(station: @station).order(observed_at: :desc).first

    def fetch
      text = ask("metar/#{@station}")
      values = self.class.read(text, @clock.call)
      observed = values.delete('observed_at')
      WeatherReport.find_or_create_by!(station: @station, observed_at: observed) do |row|
        row.text = text.strip
        row.readings = values
        row.created_at = @clock.call
      end
    end

    def ask(what)
      uri = URI("#{@url}/#{what}")
      response =
        Net::HTTP.start(uri.host, uri.port, open_timeout: TIMEOUT_S, read_timeout: TIMEOUT_S) do |http|
          http.get(uri.path)
        end
      unless response.is_a?(Net::HTTPOK)
        raise Silent, Text.of('The weather station answered %{code}.', code: response.code)
      end

      response.body
    rescue SystemCallError, Timeout::Error, SocketError, EOFError => e
      raise Silent, Text.of('The weather station at %{url} does not answer (%{split}).',
                            url: @url, split: e.class.name.split('::').last)
    end

    def view(row, trouble)
      return { 'station' => @station, 'trouble' => trouble, 'report' => nil } unless row

      age = ((@clock.call - row.observed_at) / 60.0).round
      {
        'station' => @station,
        'trouble' => trouble,
        'report' => {
          'text' => row.text,
          'observed_at' => Serialisers.time(row.observed_at),
          'age_minutes' => age,
          'old' => age * 60 > OLD_S,
          'values' => row.readings
        }
      }
    end
  end
end
