# frozen_string_literal: true

module Fujin
  module Planning
    # One planned number. `low` and `high` are the 5 and 95 % bounds where they are known.
    # A number that cannot be had has no value, the verdict 'outside_model' and the reason.
    PlanNumber = Value.define(:value, :unit, :low, :high, :reason, defaults: { low: nil, high: nil, reason: nil })

    # A point the attempt must pass with its numbers in band, or be broken off.
    Gate = Value.define(:id, :height_ft, :along_ft, :measures)

    PathPoint = Value.define(:t_s, :along_ft, :across_ft, :height_ft, :ias_kt, :groundspeed_kt, :sink_fpm, :rotor_rpm_pct, :phase)

    # `level` is 'limit' (stop and think), 'caution' or 'note'.
    Caution = Value.define(:id, :level, :text)

    # Where the wheels or skids can be put from the entry point, by one option: farthest points over the ground,
    # in feet along and across from the spot.
    Reach = Value.define(:option, :speed_kt, :points)

    # A manoeuvre worked out for one day. `course_deg` is the final course; along is + beyond the spot,
    # across + right of it.
    Plan = Value.define(:manoeuvre, :conditions, :house, :course_deg, :ending, :numbers, :gates, :path, :band, :reaches, :cautions) do
      # @return [Float, nil]
      def value(name) = numbers[name]&.value
    end
  end
end
