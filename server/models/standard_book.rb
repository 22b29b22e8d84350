# frozen_string_literal: true

require_relative 'standard_change'

module Fujin
  # The standards as this school has them: those that ship, with the rows that the chief instructor set otherwise.
  class StandardBook
    # @param on [Date] in force on that day
    # @return [Hash{String => Grading::Standard}] by manoeuvre, where the school has its own
    def self.standards(on:)
      StandardChange.where(effective_from: ..on).in_order.group_by(&:manoeuvre).to_h do |id, changes|
        [id, changed(Catalogue.find(id).standard, changes)]
      end
    end

    # @param changes [Array<StandardChange>] the later ones count
    # @return [Grading::Standard] its version says how many rows were set
    def self.changed(standard, changes)
      known = changes.select { |change| standard.rules.key?(change.measure) }
      rules = known.to_h do |change|
        [change.measure, Grading::StandardRow.new(standard.rules.fetch(change.measure)).with(change.values)]
      end
      standard.with("#{standard.version}+#{changes.size}", rules)
    end

    # What a manoeuvre is held to on a day.
    # @return [Grading::Standard]
    def self.standard(manoeuvre, on:) = standards(on: on).fetch(manoeuvre, Catalogue.find(manoeuvre).standard)

    # @param values [Array<Float>] early, solo, test, instructor
    # @return [StandardChange]
    # @raise [NotFound, InvalidInput]
    def self.change(manoeuvre, measure, values, by:, reason:, effective_from:)
      was = row(manoeuvre, measure, on: effective_from)
      row(manoeuvre, measure, on: effective_from).with(values)
      if was.values == values.map(&:to_f)
        raise InvalidInput, [{ path: 'values', message: 'nothing differs from what is in force then' }]
      end

      StandardChange.create!(manoeuvre: manoeuvre, measure: measure, was: was.values, values: values.map(&:to_f),
                             reason: reason, effective_from: effective_from, by: by, created_at: Time.now.utc)
    end

    # @return [Grading::StandardRow]
    def self.row(manoeuvre, measure, on:)
      rule = standard(manoeuvre, on: on).rules[measure] or
        raise NotFound, Text.of('The standard of %{find} has no rule for %{measure}.',
                                find: Catalogue.find(manoeuvre).title.downcase, measure: measure)
      Grading::StandardRow.new(rule)
    end
  end
end
