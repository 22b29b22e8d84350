# frozen_string_literal: true

require_relative 'kept_flights'
require_relative '../../test/by_lot'

# Autorotations as they were flown before.
class KeptAutorotationFlightsTest < Minitest::Test
  extend ByLot
  extend KeptFlights

  by_lot(/\Atest_flights_of_/)

  flown_by Fujin::Manoeuvres::Autorotation::PilotTask
end
