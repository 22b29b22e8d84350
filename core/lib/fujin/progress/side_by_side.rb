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

      # The one thing: what drove the grade most often, and when it last did.
      # @return [Row, nil] nil where nothing held a grade down
      def one_thing
        rows.select { |row| row.drove.positive? && bad?(row) }.max_by { |row| [row.drove, bad(row)] }
      end

      private

      def bad(row) = row.verdicts.count { |verdict| %w[marginal out].include?(verdict) }
      def bad?(row) = bad(row).positive?

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
