# frozen_string_literal: true

module Fujin
  module Live
    # `call` is 'ahead' (in `seconds`), 'continue', 'go_around' (with the numbers that are out, and what to do) or
    # 'not_recorded'. `title` is the gate's, `over` the phase that must be over there.
    GateCall = Value.define(:call, :title, :height_ft, :seconds, :reasons, :say, :over,
                            defaults: { seconds: nil, reasons: [].freeze, say: nil, over: nil })
  end
end
