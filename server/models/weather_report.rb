# frozen_string_literal: true

require_relative 'record'

module Fujin
  class WeatherReport < Record
  end
end
