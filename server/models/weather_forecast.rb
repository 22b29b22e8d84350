# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A TAF as the station sent it.
  class WeatherForecast < Record
  end
end
