# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # One control at a time.
      class EffectsOfControlsPlan < HoverPlan
        def self.declaration = EffectsOfControls

        # What the student has, and what is held against.
        LADDER = [
          ['following through', 'nothing: hands light on all three'],
          %w[cyclic position],
          %w[collective height],
          %w[pedals heading],
          ['cyclic and pedals', 'position and heading'],
          ['cyclic and collective', 'position and height'],
          ['all three, prompted', 'the box'],
          ['all three, alone', 'the box']
        ].freeze

        private

        def tables
          rows =
            LADDER.each_with_index.map do |(hands, held), i|
              [(i + 1).to_f, hands, held, (box[3] * (i < 4 ? 0.5 : 1.0))]
            end
          [
            Planning::Table.new(
              id: 'hand_over',
              title: 'Hand-over ladder',
              columns: [['Step', nil], ['Student has', nil], ['Holds', nil], %w[For s]],
              rows: rows,
              note: 'A step back at once when the box is left twice.'
            ),
            *super
          ]
        end
      end
    end
  end
end
