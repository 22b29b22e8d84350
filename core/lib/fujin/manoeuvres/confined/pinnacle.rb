# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      Pinnacle =
        Catalogue.declare(
          __dir__,
          id: 'pinnacle',
          title: 'Pinnacle or ridge',
          family: 'limited',
          summary:
            'Onto high ground from the windward side, power in reserve before the edge, the edge crossed last, and ' \
            'down the ' \
            'slope into the wind on the way out.',
          **DeclaredAlike.fields('pinnacle')
        )
    end
  end
end
