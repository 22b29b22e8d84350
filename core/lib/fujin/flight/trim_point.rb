# frozen_string_literal: true

module Fujin
  module Flight
    # One steady condition: forces balanced, power known. SI, radians.
    TrimPoint = Value.define(:rotor_power_w, :engine_power_w, :thrust_n, :induced_m_s, :climb_through_disc_m_s,
                             :collective_rad, :disc_pitch_rad, :advance_ratio, :ring_strength)
  end
end
