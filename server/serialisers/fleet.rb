# frozen_string_literal: true

module Fujin
  # An aircraft with what is due, what was found and how much it has flown.
  module Serialisers
    module_function

    def craft(row, hours, today)
      aircraft(row).merge(
        'grounded' => row.grounded, 'hours' => number(hours, 1), 'dual_controls' => row.dual_controls,
        'recorder' => row.recorder,
        'maintenance' => row.maintenance.map { |item| maintenance(item, hours, today) },
        'defects' => row.defects.map { |defect| defect(defect) }
      )
    end

    def maintenance(item, hours, today)
      due = item.value
      state = if due.over?(hours, today)
                'over'
              else
                due.soon?(hours, today) ? 'due' : 'good'
              end
      { 'id' => item.id, 'title' => item.title, 'state' => state, 'text' => due.words,
        'hours_left' => item.at_hours && number(item.at_hours - hours, 1) }
    end

    def defect(row)
      { 'id' => row.id, 'text' => row.text, 'grounds' => row.grounds, 'by' => row.by.name,
        'at' => time(row.created_at) }
    end
  end
end
