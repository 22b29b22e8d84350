# frozen_string_literal: true

module Fujin
  module Logbook
    # One line of a log.
    #   kind           'dual', 'solo', 'candidate' (teaching to teach) or 'device' (a training device, kept apart)
    #   night_minutes  of the minutes
    FlightTime = Value.define(:on_day, :minutes, :night_minutes, :kind, :type_name)
  end
end
