# frozen_string_literal: true

module Fujin
  # Plain columns for people.
  module Tables
    module_function

    # @param rows [Array<Array>] cells; numbers are lined up on the right
    def lines(rows)
      texts = rows.map { |row| row.map { |cell| cell.is_a?(Float) ? figure(cell) : cell.to_s } }
      widths = texts.transpose.map { |column| column.map(&:length).max }
      texts.each_with_index.map do |row, r|
        row
          .each_with_index
          .map { |text, c| rows[r][c].is_a?(Numeric) ? text.rjust(widths[c]) : text.ljust(widths[c]) }
          .join('  ')
          .rstrip
      end
    end

    # The lines of a table in Markdown.
    # @param head [Array<String>], @param rows [Array<Array>]
    def markdown(head, rows) =
      [head, head.map { '---' }, *rows].map { |cells| "| #{cells.map { |c| c.to_s.gsub('|', '\|') }.join(' | ')} |" }

    # A part of a page with such a table.
    def section(title, head, rows) = "\n## #{title}\n\n#{markdown(head, rows).join("\n")}\n"

    # What rounds to nought has no sign.
    def figure(value)
      value = 0.0 if value.abs < 0.005
      digits = if value.abs >= 100
                 0
               else
                 (value.abs >= 10 ? 1 : 2)
               end
      format("%.#{digits}f", value)
    end
  end
end
