# frozen_string_literal: true

module Fujin
  module Serialisers
    module_function

    # @param plan [Planning::Plan]
    # @return [Hash] the shape of `plan --json` and of the API's Plan
    def plan(plan)
      conditions = plan.conditions
      { 'manoeuvre' => plan.manoeuvre, 'aircraft' => conditions.type.id, 'course_deg' => number(plan.course_deg), 'ending' => plan.ending,
        'wind' => conditions.wind.to_s, 'wind_from_deg' => number(conditions.wind.from_deg), 'wind_kt' => number(conditions.wind.speed_kt),
        'house' => plan.house.values, 'rotor_rpm_bands' => rotor_bands(conditions.type),
        'numbers' => plan.numbers.transform_values { |n| plan_number(n) }, 'gates' => plan.gates.map { |g| gate(g) },
        'path' => plan.path.map { |point| point.to_h.transform_keys(&:to_s).transform_values { |v| v.is_a?(Symbol) ? v.to_s : number(v, 2) } },
        'band' => plan.band.map { |height, low, high| { 'height_ft' => number(height, 1), 'low_ft' => number(low, 1), 'high_ft' => number(high, 1) } },
        'reaches' => plan.reaches.map { |reach| reach(reach) },
        'cautions' => plan.cautions.map { |c| { 'id' => c.id, 'level' => c.level, 'text' => c.text } } }
    end

    def plan_number(number)
      found = { 'value' => self.number(number.value), 'unit' => number.unit, 'low' => self.number(number.low), 'high' => self.number(number.high) }
      number.value.nil? ? found.merge('verdict' => 'outside_model', 'reason' => number.reason) : found
    end

    def gate(gate)
      { 'id' => gate.id, 'height_ft' => number(gate.height_ft, 1), 'along_ft' => number(gate.along_ft, 1),
        'measures' => gate.measures.transform_values { |m| m.to_h { |k, v| [k.to_s, v.is_a?(String) ? v : number(v)] } } }
    end

    def reach(reach)
      { 'option' => reach.option, 'speed_kt' => number(reach.speed_kt, 1),
        'points' => reach.points.map { |along, across| { 'along_ft' => number(along, 0), 'across_ft' => number(across, 0) } } }
    end

    def rotor_bands(type)
      { 'power_on' => type.power_on_band, 'power_off' => type.power_off_band, 'low_warning' => type.low_warning_pct, 'absolute' => type.absolute_rotor_rpm }
    end
  end
end
