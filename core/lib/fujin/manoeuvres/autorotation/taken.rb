# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What a part of an autorotation takes: metres along and across the final course over the ground, seconds, metres
      # of height.
      Taken = Value.define(:along_m, :across_m, :seconds, :height_m)
    end
  end
end
