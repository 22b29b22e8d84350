# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Something found on an aircraft, as it was written down; cleared with what was done.
  class Defect < Record
    belongs_to :aircraft, class_name: 'Fujin::AircraftRow'
    belongs_to :sortie, class_name: 'Fujin::Sortie', optional: true
    belongs_to :by, class_name: 'Fujin::Person'
    belongs_to :cleared_by, class_name: 'Fujin::Person', optional: true
    scope :open, -> { where(cleared_at: nil).order(:created_at) }
  end
end
