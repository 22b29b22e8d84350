# frozen_string_literal: true

module Fujin
  module Live
    # What the cockpit is shown of one moment. `exercise` is the id of the lesson's exercise that is flown and `phase`
    # the one of its phases that goes on, since `phase_s`; both nil between attempts. `values` are by the names of
    # Instruments, without what is not sent; `bands` are [low, high] by the same, either side nil where it is free;
    # `gate` is a GateCall or nil; `box_s` how long a hover must be held, nil for anything else.
    Reading = Value.define(:t_s, :exercise, :phase, :phase_s, :values, :bands, :gate, :box_s)
  end
end
