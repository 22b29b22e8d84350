# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A thousand landings worked out for one question about one sortie.
  class DispersionRow < Record
    self.table_name = 'dispersions'
    belongs_to :sortie, class_name: 'Fujin::Sortie'
  end
end
