# frozen_string_literal: true

module Fujin
  module Planning
    # The type's height-velocity area: corners as [height ft, speed kt].
    class HeightVelocity
      attr_reader :low_speed, :high_speed

      def initialize(type)
        @low_speed = type.optional('height_velocity.low_speed_ft_kt', [])
        @high_speed = type.optional('height_velocity.high_speed_ft_kt', [])
      end

      def known? = low_speed.size > 1

      def shapes
        [['low_speed', low_speed], ['high_speed', high_speed]].reject { |_, corners| corners.size < 2 }
          .map do |id, corners|
            Shape.new(
              id: id,
              label: 'avoid area',
              kind: 'avoid',
              points:
                corners.map { |ft, kt| [kt.to_f, ft.to_f] } + (id == 'low_speed' ? [] : [[corners.last[1].to_f, 0.0]])
            )
          end
      end

      # Is a height and speed inside the low-speed part?
      def inside?(height_ft, speed_kt)
        low_speed.each_cons(2).any? do |(h1, v1), (h2, v2)|
          next false unless (h1..h2).cover?(height_ft) && h2 > h1

          speed_kt < v1 + ((v2 - v1) * (height_ft - h1) / (h2 - h1))
        end
      end

      # Seconds that a planned path spends inside.
      def exposure_s(path)
        path.each_cons(2).sum { |a, b| a.ias_kt && inside?(a.height_ft, a.ias_kt) ? b.t_s - a.t_s : 0.0 }
      end
    end
  end
end
