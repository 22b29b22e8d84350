# frozen_string_literal: true

module Fujin
  module Live
    # `call` is 'ahead' (in `seconds`), 'continue', 'go_around' (with the numbers that are out) or 'not_recorded'.
    GateCall = Value.define(:call, :height_ft, :seconds, :reasons, defaults: { seconds: nil, reasons: [].freeze })
  end
end
