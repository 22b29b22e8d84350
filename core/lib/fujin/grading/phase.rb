# frozen_string_literal: true

module Fujin
  module Grading
    # A timed part of an attempt. `estimated` is true when a boundary came from a fallback.
    Phase =
      Value.define(:id, :start_s, :end_s, :estimated, defaults: { estimated: false }) do
        def duration_s = end_s - start_s
      end
  end
end
