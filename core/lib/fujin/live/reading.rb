# frozen_string_literal: true

module Fujin
  module Live
    # What the cockpit is shown of one moment. `bands` are [low, high] by 'rotor_rpm_pct', 'ias_kt', 'sink_fpm', either
    # side nil where it is free; `gate` is a GateCall or nil.
    Reading = Value.define(:t_s, :phase, :rotor_rpm_pct, :ias_kt, :sink_fpm, :height_ft, :bands, :gate)
  end
end
