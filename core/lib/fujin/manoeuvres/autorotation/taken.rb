# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What a part of an autorotation takes: metres along and across the final course over the ground, seconds, metres
      # of height. On the final course for `lined_up_s` of the seconds.
      Taken = Value.define(:along_m, :across_m, :seconds, :height_m, :lined_up_s, defaults: { lined_up_s: 0.0 })
    end
  end
end
