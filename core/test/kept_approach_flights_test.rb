# frozen_string_literal: true

require_relative 'kept_flights'

# Approaches and run-on landings as they were flown before.
class KeptApproachFlightsTest < Minitest::Test
  extend KeptFlights

  flown_by Fujin::Manoeuvres::Approach::Pilot
end
