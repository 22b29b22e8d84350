# frozen_string_literal: true

require_relative 'record'

module Fujin
  class FlyEvent < Record
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :by, class_name: 'Fujin::Person'
  end
end
