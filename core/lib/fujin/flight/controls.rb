# frozen_string_literal: true

module Fujin
  module Flight
    # What the pilot asks of the aircraft for one step. Angles radians; pedal is the share of full
    # engine torque it balances (0..1); throttle is open (governed) or closed. In a gyroplane the open throttle gives
    # `power_share` of the power there is; it has no collective.
    Controls = Struct.new(:disc_pitch, :bank, :collective, :pedal, :yaw_rate, :throttle_open, :power_share)
  end
end
