# frozen_string_literal: true

require_relative 'kept_flights'
require_relative '../../test/by_lot'

# Approaches and run-on landings as they were flown before.
class KeptApproachFlightsTest < Minitest::Test
  extend ByLot
  extend KeptFlights

  by_lot(/\Atest_flights_of_/)

  flown_by Fujin::Manoeuvres::Approach::Pilot
end
