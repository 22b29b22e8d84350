# frozen_string_literal: true

require_relative 'kept_flights'

# Autorotations as they were flown before.
class KeptAutorotationFlightsTest < Minitest::Test
  extend KeptFlights

  flown_by Fujin::Manoeuvres::Autorotation::PilotTask
end
