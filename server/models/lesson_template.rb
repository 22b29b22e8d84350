# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A lesson that the school keeps to take it again: its exercises without day and place.
  class LessonTemplate < Record
    KEPT = %w[manoeuvre settings planned_count objective].freeze

    belongs_to :by, class_name: 'Fujin::Person'
    scope :in_order, -> { order(Arel.sql('lower(title)')) }
  end
end
