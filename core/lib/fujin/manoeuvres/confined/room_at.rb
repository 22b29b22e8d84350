# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # The room at a spot, and the turns of the nose between the lines that meet there with the power each costs.
      class RoomAt
        include Planning::Numbers

        # How quickly the nose is turned, deg/s. Chosen: a quarter turn in six seconds.
        TURN_DEG_S = 15.0
        # A tail rotor's power grows with its thrust to this power (momentum theory).
        THRUST_TO_POWER = 1.5

        attr_reader :spot, :room

        # @param spot [Sites::Spot], @param day [Day]
        def initialize(spot, day)
          @spot = spot
          @day = day
          @room = day.kept(:room, spot) do
            Sites::Room.new(day.site.obstacles, day.clearances, at: spot.at, ground_m: spot.ground_m,
                                                                skids_m: day.skids_m(spot))
          end
        end

        # Enough for the disc, and for the tail on one heading at least.
        def enough? = room.main_enough? && room.headings_clear.any?

        # From each approach's course to each departure's, by either pedal.
        # @return [Array<Hash>] from_deg, to_deg, pedal, clear, power_pct
        def turns
          courses(@day.site.approaches).product(courses(@day.site.departures)).uniq.flat_map do |from, to|
            next [] if Quantities.wrap_deg(to - from).abs < 1.0

            %w[left right].map do |pedal|
              { 'from_deg' => from, 'to_deg' => to, 'pedal' => pedal, 'clear' => room.turn_clear?(from, to, pedal),
                'power_pct' => power_pct(pedal) }
            end
          end
        end

        private

        def courses(lines) = lines.select { |line| line.spot == spot.id }.map(&:course_deg)

        # A steady turn by the pedal that asks more of the tail rotor costs power, by the other it gives some back: what
        # the yaw law balances the turn with, on the share of power that is the tail rotor's.
        def power_pct(pedal)
          share = 1.0 - @day.type.fetch('engine.efficiency')
          torque = @day.trim.hover_power_w / Flight::Engine.new(@day.type, @day.conditions.atmosphere).limit_w
          rate = TURN_DEG_S * Quantities::DEG
          more = rate / (Flight::Model::YAW_LAG_S * Flight::Model::YAW_OF_TORQUE)
          thrust = 1.0 + ((pedal == @day.type.power_on_pedal ? more : -more) / torque)
          number(100.0 * share * (([thrust, 0.0].max**THRUST_TO_POWER) - 1.0), 'pct')
        rescue OutsideModel => e
          no_number('pct', e.message)
        end
      end
    end
  end
end
