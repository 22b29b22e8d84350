# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Somebody who would take a gap, with one instructor or any.
  class Wait < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :instructor, class_name: 'Fujin::Person', optional: true
    belongs_to :by, class_name: 'Fujin::Person'
    scope :open, -> { where(done_at: nil).order(:created_at) }
  end
end
