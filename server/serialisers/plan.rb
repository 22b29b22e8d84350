# frozen_string_literal: true

module Fujin
  module Serialisers
    module_function

    # @param plan [Planning::Plan]
    # @return [Hash] the shape of `plan --json` and of the API's Plan
    def plan(plan)
      conditions = plan.conditions
      {
        'manoeuvre' => plan.manoeuvre,
        'aircraft' => conditions.type.id,
        'course_deg' => number(plan.course_deg),
        'ending' => plan.ending,
        'wind' => conditions.wind.to_s,
        'wind_from_deg' => number(conditions.wind.from_deg),
        'wind_kt' => number(conditions.wind.speed_kt),
        'house' => plan.house.values,
        'rotor_rpm_bands' => rotor_bands(conditions.type),
        'settings' => plan.settings,
        'key_numbers' => Catalogue.find(plan.manoeuvre).key_numbers & plan.numbers.keys,
        'numbers' => plan.numbers.to_h { |name, n| [name, plan_number(n).merge(number_words(name, plan.manoeuvre))] },
        'gates' => plan.gates.map { |g| gate(g) },
        'path' => plan.path.map { |point| path_point(point) },
        'band' =>
          plan.band.map do |height, low, high|
            { 'height_ft' => number(height, 1), 'low_ft' => number(low, 1), 'high_ft' => number(high, 1) }
          end,
        'reaches' => plan.reaches.map { |reach| reach(reach) },
        'marks' => Planning::PathMarks.of(plan).map { |mark| plain(mark) },
        'watched' => plan.watched.map { |stretch| plain(stretch) },
        'setup' => plan.setup && plain(plan.setup),
        'tables' => plan.tables.map { |t| table(t) },
        'charts' => plan.charts.map { |c| chart(c) },
        'ledger' => plan.ledger.map { |entry| plain(entry) },
        'cautions' => plan.cautions.map { |c| { 'id' => c.id, 'level' => c.level, 'text' => c.text } }
      }
    end

    def plan_number(number)
      found = {
        'value' => self.number(number.value),
        'unit' => number.unit,
        'low' => self.number(number.low),
        'high' => self.number(number.high)
      }
      number.value.nil? ? found.merge('verdict' => 'outside_model', 'reason' => number.reason) : found
    end

    def number_words(name, manoeuvre)
      entry = Glossary.number(name, manoeuvre)
      { 'label' => entry.label, 'why' => entry.why, 'digits' => entry.digits, 'group' => entry.group }
    end

    # A value of numbers and texts as a hash.
    def plain(value) = value.to_h.to_h { |name, v| [name.to_s, v.is_a?(Numeric) ? number(v, 2) : v] }
    def path_point(point) = plain(point).merge('phase' => point.phase.to_s)

    def gate(gate)
      {
        'id' => gate.id,
        'title' => gate.title,
        'height_ft' => number(gate.height_ft),
        'along_ft' => number(gate.along_ft, 1),
        'text' => gate.text,
        'measures' => gate.measures.transform_values { |m| m.to_h { |k, v| [k.to_s, v.is_a?(String) ? v : number(v)] } }
      }
    end

    def table(table)
      {
        'id' => table.id,
        'title' => table.title,
        'note' => table.note,
        'columns' => table.columns.map { |label, unit| { 'label' => label, 'unit' => unit } },
        'rows' => table.rows.map { |row| row.map { |cell| cell.is_a?(Numeric) ? number(cell, 3) : cell } }
      }
    end

    def chart(chart)
      axis = ->(a) { { 'label' => a.label, 'unit' => a.unit, 'low' => number(a.low, 1), 'high' => number(a.high, 1) } }
      {
        'id' => chart.id,
        'title' => chart.title,
        'x' => axis.call(chart.x),
        'y' => axis.call(chart.y),
        'areas' => chart.areas.map { |s| shape(s) },
        'lines' => chart.lines.map { |s| shape(s) },
        'track' => chart_points(chart.track),
        'moments' => chart.moments.map do |x, y, t_s|
          { 'x' => number(x, 2), 'y' => number(y, 2), 't_s' => number(t_s, 1) }
        end
      }
    end

    def shape(shape) =
      { 'id' => shape.id, 'label' => shape.label, 'kind' => shape.kind, 'points' => chart_points(shape.points) }

    def chart_points(points) = points.map { |x, y| { 'x' => number(x, 2), 'y' => number(y, 2) } }

    def way(way)
      { 'id' => way.id, 'text' => way.text, 'amount' => way.amount && number(way.amount, 1), 'unit' => way.unit,
        'chance' => number(way.chance, 3) }
    end

    def reach(reach)
      {
        'option' => reach.option,
        'speed_kt' => number(reach.speed_kt, 1),
        'points' =>
          reach.points.map { |along, across| { 'along_ft' => number(along, 0), 'across_ft' => number(across, 0) } }
      }
    end

    def rotor_bands(type)
      {
        'power_on' => type.power_on_band,
        'power_off' => type.power_off_band,
        'low_warning' => type.low_warning_pct,
        'absolute' => type.absolute_rotor_rpm
      }
    end
  end
end
