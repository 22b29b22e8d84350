# frozen_string_literal: true

# A scripted flight that begins at the tests' spot.
class ScriptedFlight < Fujin::Flight::ScriptedFlight
  SPOT = [47.2104, -14.3320].freeze

  def initialize(**options) = super(origin: SPOT, **options)
end
