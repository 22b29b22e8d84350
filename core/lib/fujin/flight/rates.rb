# frozen_string_literal: true

module Fujin
  module Flight
    # How fast a flying aircraft's state changes, and what it rests on: acceleration m/s² north, east and up, spin of
    # the rotor rad/s², inflow m/s²; power lost to the air and brought in by the engine, W; thrust N, rotor shaft power
    # W, air through and along the disc m/s. A plain struct: it is made four times a step.
    Rates =
      Struct.new(
        :acceleration, :spin, :inflow, :loss_w, :drive_w, :thrust_n, :rotor_power_w, :air_climb, :air_edge
      )
  end
end
