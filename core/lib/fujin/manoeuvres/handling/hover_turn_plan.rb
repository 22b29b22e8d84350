# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Pedal turns: rate, time, the side that costs power.
      class HoverTurnPlan < HoverPlan
        def self.declaration = HoverTurn

        RATES_DEG_S = { 'early' => 15.0, 'solo' => 20.0, 'test' => 25.0, 'instructor' => 30.0 }.freeze

        private

        def turn_deg = (@settings['turn_deg'] || 90.0).to_f
        def slow_headings = (0..8).map { |i| ['in the turn', @course_deg + (side * turn_deg * i / 8.0)] }
        def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
        def costly? = @settings['turn_side'] == @type.power_on_pedal
        def rate = RATES_DEG_S.fetch(@stage)

        def own_numbers =
          super.merge(
            'turn_deg' => number(turn_deg, 'deg'),
            'turn_rate_deg_s' => number(rate, 'deg_s'),
            'turn_time_s' => number(turn_deg / rate, 's')
          )

        def own_cautions
          side = @settings['turn_side']
          text = costly? ? 'take power: watch rotor rpm.' : 'give power back: stopping takes it.'
          [
            caution('turn_power', 'note', Text.of('%{side} turns %{text}', side: side.capitalize, text: text)),
            caution(
              'tail_swing',
              'caution',
              'Look round before the tail swings. With the wind behind, the nose wants to swing: slow down before it.'
            ),
            *super
          ]
        end
      end
    end
  end
end
