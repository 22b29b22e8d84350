# frozen_string_literal: true

require_relative 'record'

module Fujin
  class GradeRow < Record
    self.table_name = 'grades'
    belongs_to :attempt, class_name: 'Fujin::AttemptRow'
    belongs_to :by, class_name: 'Fujin::Person'
  end
end
