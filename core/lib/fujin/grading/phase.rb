# frozen_string_literal: true

module Fujin
  module Grading
    # A timed part of an attempt. `estimated` is true when a boundary came from a fallback.
    Phase = Value.define(:id, :start_s, :end_s, :estimated, defaults: { estimated: false })
  end
end
