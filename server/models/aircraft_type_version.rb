# frozen_string_literal: true

require_relative 'record'

module Fujin
  # One version of a type the school keeps for itself; the newest counts, none is ever changed.
  class AircraftTypeVersion < Record
    belongs_to :by, class_name: 'Fujin::Person'
    scope :in_order, -> { order(:type_id, :number) }
  end
end
