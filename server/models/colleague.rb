# frozen_string_literal: true

require_relative 'record'

module Fujin
  # An instructor who teaches somebody else's lesson too.
  class Colleague < Record
    belongs_to :sortie, class_name: 'Fujin::Sortie', inverse_of: :colleagues
    belongs_to :person, class_name: 'Fujin::Person'
    belongs_to :by, class_name: 'Fujin::Person'
  end
end
