# frozen_string_literal: true

module Fujin
  module Planning
    # A manoeuvre worked out for one day. `course_deg` is the final course; along is + beyond the spot,
    # across + right of it.
    Plan =
      Value.define(
        :manoeuvre, :conditions, :house, :course_deg, :ending, :numbers, :gates, :path, :band, :reaches, :cautions,
        :setup, :tables, :charts, :watched, :settings,
        defaults: {
          band: [].freeze,
          reaches: [].freeze,
          setup: nil,
          tables: [].freeze,
          charts: [].freeze,
          watched: [].freeze,
          settings: {}.freeze
        }
      ) do
        # @return [Float, nil]
        def value(name) = numbers[name]&.value
        def limits = cautions.select { |caution| caution.level == 'limit' }

        # Height, speed and rotor energy along the path.
        def ledger = EnergyLedger.of(path, conditions)
      end
  end
end
