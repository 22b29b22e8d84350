# frozen_string_literal: true

# A scripted flight that begins at the tests' spot.
class ScriptedFlight < Fujin::Flight::ScriptedFlight
  def initialize(**options) = super(origin: CoreHelp::SPOT, **options)
end
