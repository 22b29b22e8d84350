# frozen_string_literal: true

require_relative 'record'

module Fujin
  # One row of a standard as the school set it; the newest that is in force counts, none is ever changed.
  class StandardChange < Record
    belongs_to :by, class_name: 'Fujin::Person'
    scope :in_order, -> { order(:position) }
  end
end
