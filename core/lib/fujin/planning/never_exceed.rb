# frozen_string_literal: true

module Fujin
  module Planning
    # The power-off never-exceed speed today, and the highest speed that is planned under it.
    module NeverExceed
      # Chosen: what a student's speed wanders by in a glide flown well.
      MARGIN_KT = 5.0

      module_function

      # The type file's value is for sea level and is held in true airspeed, so the dial's falls with density altitude.
      # @return [Float, nil] kt on the dial; nil for a type without one
      def power_off_kt(conditions)
        limit = conditions.type.optional('speeds_kt.never_exceed_power_off')
        limit && conditions.atmosphere.equivalent_speed(limit.to_f).clamp(0.0, limit.to_f)
      end

      # @return [Float] the speed, or the highest that is planned today
      def capped(speed_kt, conditions) = [speed_kt, highest_planned_kt(conditions)].min

      # @return [Float] kt; infinite for a type without a limit
      def highest_planned_kt(conditions) = power_off_kt(conditions)&.-(MARGIN_KT) || Float::INFINITY
    end
  end
end
