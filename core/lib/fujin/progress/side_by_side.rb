# frozen_string_literal: true

module Fujin
  module Progress
    # Attempts at one manoeuvre beside each other: a row a measure, its middle, how far it spreads, how it went from the
    # first to the last, and how often it gave a phase its grade.
    class SideBySide
      # @!attribute measures [Hash{String => Hash}] as stored with the attempt; drivers [Array<String>] of its phases
      Column = Value.define(:id, :measures, :drivers)
      # `values` are by column, nil where it was not recorded; `verdicts` likewise.
      Row = Value.define(:measure, :values, :verdicts, :median, :spread, :first, :last, :drove)

      RECENT = 4
      BAD = %w[marginal out].freeze

      # @param columns [Array<Column>] in order of time
      # @param declared [Catalogue::Declaration]
      def initialize(columns, declared)
        @columns = columns
        @declared = declared
      end

      # @return [Array<Row>] measures that at least one of them has, in the declaration's order
      def rows
        @declared.measure_ids.uniq.filter_map do |id|
          told = @columns.map { |column| column.measures[id] }
          row(id, told) if told.any? { |measure| measure && measure['value'] }
        end
      end

      # The one thing: of what is still wrong in the last attempts, what held the grade down most often; of two alike
      # the one that comes first in the manoeuvre, for the later may follow from it.
      # @return [Row, nil] nil where the last attempts are to standard in everything that held one down
      def one_thing
        rows
          .select { |row| row.drove.positive? && row.verdicts.last(RECENT).any? { |verdict| BAD.include?(verdict) } }
          .each_with_index
          .max_by { |row, place| [row.drove, -place] }
          &.first
      end

      private

      def row(id, told)
        values = told.map { |measure| measure && measure['value'] }
        known = values.compact
        Row.new(
          measure: id,
          values: values.freeze,
          verdicts: told.map { |measure| measure && measure['verdict'] }.freeze,
          median: Quantities.median(known),
          spread: known.size < 2 ? nil : known.max - known.min,
          first: known.first,
          last: known.last,
          drove: @columns.count { |column| column.drivers.include?(id) }
        )
      end
    end
  end
end
