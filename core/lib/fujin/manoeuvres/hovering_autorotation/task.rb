# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # What a pilot means to do in a hovering autorotation, faults included. SI and radians.
      Task =
        Value.define(
          :course_rad, :height_m, :headwind_kt, :closure_s, :cushion_gain, :raised_rad, :drift_m_s,
          :contact_pitch_rad, :pedal_lag_s
        )
    end
  end
end
