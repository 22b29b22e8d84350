# frozen_string_literal: true

require_relative 'record'

module Fujin
  class FlyEvent < Record
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :by, class_name: 'Fujin::Person'

    # A lesson's taps in their order.
    # @param sortie [Sortie]
    # @return [Array<FlyEvent>]
    def self.of(sortie)
      return sortie.fly_events.to_a if sortie.association(:fly_events).loaded?

      asked(:of_a_lesson, sortie.id) { where('sortie_id = $1').order(:position) }
    end
  end
end
