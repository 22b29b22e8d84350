# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A thousand landings worked out for one question about one exercise.
  class DispersionRow < Record
    self.table_name = 'dispersions'
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :exercise, class_name: 'Fujin::Exercise', inverse_of: :dispersions
    belongs_to :by, class_name: 'Fujin::Person', optional: true

    # Those that somebody still waits for.
    scope :wanted, -> { where(status: %w[waiting working]) }
  end
end
