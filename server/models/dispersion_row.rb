# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A thousand landings worked out for one question about one exercise.
  class DispersionRow < Record
    self.table_name = 'dispersions'
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :exercise, class_name: 'Fujin::Exercise', inverse_of: :dispersions
  end
end
