# frozen_string_literal: true

module Fujin
  module Sites
    # The room that the house keeps: around the rotor, behind the tail, over what is flown across.
    #
    # main_m, tail_m    horizontal, from the disc's edge and the tail
    # under_way_m       vertical, over obstacles of a corridor; wire_m over wires
    # steepest_deg      the steepest approach the house allows
    Clearances =
      Value.define(:radius_m, :tail_reach_m, :hub_m, :main_m, :tail_m, :under_way_m, :wire_m, :steepest_deg) do
        # At least, ft.
        self::LEAST_FT = 10.0
        self::UNDER_WAY_FT = 20.0
        self::WIRE_FT = 50.0
        # What hovering in one place is off by, m.
        self::PLACING_M = 1.0

        # @param type [Aircraft::Type], @param house [Planning::HouseMethod]
        def self.of(type, house)
          radius = type.fetch('rotor.radius_m').to_f
          share = house['site_clearance'] == 'half_radius' ? 0.5 : 1.0
          new(radius_m: radius, tail_reach_m: type.overall_length_m - radius,
              hub_m: type.fetch('rotor.hub_height_m').to_f, tail_m: self::LEAST_FT * Quantities::FT,
              main_m: [share * radius, self::LEAST_FT * Quantities::FT].max,
              under_way_m: self::UNDER_WAY_FT * Quantities::FT, wire_m: self::WIRE_FT * Quantities::FT,
              steepest_deg: house['steepest_angle_deg'].to_f)
        end

        # Half the width that the aircraft needs at a spot and on the way to it.
        def half_width_m = radius_m + main_m + self.class::PLACING_M

        # Vertical clearance over an obstacle so far from the spot: none at the room's edge, growing at the house limit
        # to what is kept under way.
        def over_m(obstacle, distance_m)
          [obstacle.wire? ? wire_m : under_way_m,
           (distance_m - half_width_m) * Math.tan(steepest_deg * Quantities::DEG)].min
        end

        # Where it stops growing.
        def full_from_m(obstacle) =
          half_width_m + ((obstacle.wire? ? wire_m : under_way_m) / Math.tan(steepest_deg * Quantities::DEG))
      end
  end
end
