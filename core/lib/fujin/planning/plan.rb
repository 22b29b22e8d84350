# frozen_string_literal: true

module Fujin
  module Planning
    # One planned number. `low` and `high` are the 5 and 95 % bounds where they are known.
    # A number that cannot be had has no value, the verdict 'outside_model' and the reason.
    PlanNumber = Value.define(:value, :unit, :low, :high, :reason, defaults: { low: nil, high: nil, reason: nil })

    # A point the attempt must pass with its numbers in band, or be broken off.
    # `measures` are {target:, low:, high:, unit:} by measure id; `text` says what to look at where no measure can.
    Gate = Value.define(:id, :height_ft, :along_ft, :measures, :text, defaults: { text: nil })

    PathPoint = Value.define(:t_s, :along_ft, :across_ft, :height_ft, :ias_kt, :groundspeed_kt, :sink_fpm, :rotor_rpm_pct, :phase)

    # `level` is 'limit' (stop and think), 'caution' or 'note'.
    Caution = Value.define(:id, :level, :text)

    # Where the wheels or skids can be put from the entry point, by one option: farthest points over the ground,
    # in feet along and across from the spot.
    Reach = Value.define(:option, :speed_kt, :points)

    # Where the set-up starts and what must be steady for how long before the manoeuvre begins.
    # `leg_ft` is the ground that the steady stretch covers, `start_along_ft` its beginning from the spot.
    SetUp = Value.define(:height_ft, :speed_kt, :steady_s, :leg_ft, :start_along_ft, :start_across_ft, :text)

    # Rows of numbers and words that belong together: legs, check points, ladders, boxes.
    # `columns` are [label, unit] pairs; a cell is a number, a text or nil.
    Table = Value.define(:id, :title, :columns, :rows, :note, defaults: { note: nil })

    # One number against another. `areas` and `lines` are Shape; `kind` of an area is 'avoid', 'limit' or 'band'.
    # `track` is what the plan does on it.
    Axis = Value.define(:label, :unit, :low, :high)
    Shape = Value.define(:id, :label, :kind, :points)
    Chart = Value.define(:id, :title, :x, :y, :areas, :lines, :track)

    # A manoeuvre worked out for one day. `course_deg` is the final course; along is + beyond the spot,
    # across + right of it.
    Plan = Value.define(:manoeuvre, :conditions, :house, :course_deg, :ending, :numbers, :gates, :path, :band, :reaches, :cautions,
                        :setup, :tables, :charts, :settings,
                        defaults: { band: [].freeze, reaches: [].freeze, setup: nil, tables: [].freeze, charts: [].freeze, settings: {}.freeze }) do
      # @return [Float, nil]
      def value(name) = numbers[name]&.value
      def limits = cautions.select { |caution| caution.level == 'limit' }

      # Height, speed and rotor energy along the path.
      def ledger = EnergyLedger.of(path, conditions)
    end
  end
end
