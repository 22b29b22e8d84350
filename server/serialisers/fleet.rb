# frozen_string_literal: true

module Fujin
  # An aircraft with what is due, what was found and how much it has flown.
  module Serialisers
    module_function

    # @param check [SiteCheck, nil] the last power check of its type
    def craft(row, hours, today, check = nil)
      aircraft(row).merge(
        'grounded' => row.grounded, 'hours' => number(hours, 1), 'dual_controls' => row.dual_controls,
        'recorder' => row.recorder,
        'last_check' => check && power_check(check),
        'maintenance' => row.maintenance.map { |item| maintenance(item, hours, today) },
        'defects' => row.defects.map { |defect| defect(defect) }
      )
    end

    def power_check(check) = { 'k' => number(check.k, 3), 'at' => time(check.checked_at), 'site' => check.site.name }

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
