# frozen_string_literal: true

module Fujin
  module Planning
    # Rows of numbers and words that belong together: legs, check points, ladders, boxes.
    # `columns` are [label, unit] pairs; a cell is a number, a text or nil.
    Table = Value.define(:id, :title, :columns, :rows, :note, defaults: { note: nil })
  end
end
