# frozen_string_literal: true

require_relative 'kept_flights'

# Hovering autorotations as they were flown before.
class KeptHoveringFlightsTest < Minitest::Test
  extend KeptFlights

  flown_by Fujin::Manoeuvres::HoveringAutorotation::Pilot
end
