# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      ConfinedArea =
        Catalogue.declare(
          __dir__,
          id: 'confined_area',
          title: 'Confined area',
          family: 'limited',
          summary:
            'In over what stands around a place that was looked at twice, to a spot inside it, and out again: angle, ' \
            'the ' \
            'last height to break off, where the tail goes, the way out.',
          **DeclaredAlike.fields('confined_area')
        )
    end
  end
end
