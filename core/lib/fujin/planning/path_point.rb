# frozen_string_literal: true

module Fujin
  module Planning
    PathPoint =
      Value.define(:t_s, :along_ft, :across_ft, :height_ft, :ias_kt, :groundspeed_kt, :sink_fpm, :rotor_rpm_pct, :phase)
  end
end
