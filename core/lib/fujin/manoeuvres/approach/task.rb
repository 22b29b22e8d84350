# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # What a pilot means to do on a powered approach, faults included. SI and radians.
      # `ground_speed` gives the ground speed wanted with so many metres still to go, `line` the height of the line
      # there, `angle_rad` its angle at the beginning; `ending` is :hover, :surface or
      # :run_on.
      Task =
        Value.define(
          :course_rad, :start_height_m, :start_kt, :angle_rad, :end_height_m, :ground_speed, :line, :ending,
          :decision_kt, :climb_kt, :decide_after_s, :sank_m_s, :line_m, :drift_m_s, :contact_pitch_rad
        )
    end
  end
end
