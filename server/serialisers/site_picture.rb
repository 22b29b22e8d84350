# frozen_string_literal: true

module Fujin
  # What is drawn of a site: shapes in metres north and east of its middle, sections in feet. Nothing here asks a
  # database.
  module SitePicture
    # Points of the clearance field that are drawn at most.
    FIELD_MOST = 900

    module_function

    # @param report [Manoeuvres::Confined::Report]
    def of(report)
      site = report.site
      { 'frame' => frame(site.map), 'ground' => rings(site.rings),
        'falls_toward_deg' => site.slope_deg.positive? ? Serialisers.number(site.falls_toward_deg) : nil,
        'obstacles' => site.obstacles.map { |one| obstacle(one) },
        'landables' => site.landables.map { |one| { 'id' => one.id, 'rings' => rings(one.rings) } },
        'spots' => report.rooms.map { |room| spot(room, report.day) },
        'approaches' => report.approaches.map { |line| approach(line) },
        'departures' => report.departures.map { |line| departure(line) },
        'field' => field(report) }
    end

    # Metres a degree, so that what is drawn can be written back.
    def frame(map)
      north, = map.north_east(map.lat_deg + 1.0, map.lon_deg)
      _, east = map.north_east(map.lat_deg, map.lon_deg + 1.0)
      { 'lat_deg' => map.lat_deg, 'lon_deg' => map.lon_deg, 'north_m_per_deg' => north, 'east_m_per_deg' => east }
    end

    def point(at) = [at.real.round(1), at.imaginary.round(1)]
    def rings(rings) = rings.map { |ring| ring.map { |at| point(at) } }
    def feet(metres) = Serialisers.number(metres / Quantities::FT, 1)

    def obstacle(one)
      { 'id' => one.id, 'what' => one.what, 'drawn' => drawn(one), 'status' => one.status, 'pass' => one.pass,
        'rings' => one.line ? [one.line.map { |at| point(at) }] : rings(one.rings), 'radius_m' => one.radius_m,
        'top_ft' => one.top && feet(one.top.value), 'known' => !one.top.nil? || one.flat? || one.ground?,
        'stands' => one.stands? }
    end

    def drawn(one)
      return 'line' if one.line

      one.point? ? 'point' : 'area'
    end

    def spot(room, day)
      clearances = day.clearances
      { 'id' => room.spot.id, 'at' => point(room.spot.at), 'termination' => room.spot.termination,
        'radius_m' => clearances.radius_m, 'room_m' => clearances.half_width_m, 'tail_m' => clearances.tail_reach_m,
        'headings_clear' => room.room.headings_clear, 'main_enough' => room.room.main_enough? }
    end

    def line(line, corridor)
      far = [line.line.length_m, corridor.reach_m].min
      { 'id' => line.id, 'spot' => line.spot.id, 'points' => line.line.points.map { |at| point(at) },
        'profile' => profile(line, corridor), 'corridor' => corridor_ring(corridor, far) }
    end

    # The ground under it, feet from the spot and over its ground; nothing where the school has no heights.
    def profile(line, corridor)
      relief = line.day.site.relief or return []
      relief.profile(corridor, ground_m: line.spot.ground_m).map { |along, height| [feet(along), feet(height)] }
    end

    # Outline of the strip under a line, every 20 m, up one side and down the other.
    def corridor_ring(corridor, far)
      at = [*(0.0..far).step(20.0), far].uniq
      sides = [-1.0, 1.0].map do |side|
        at.map do |distance|
          across = Sites::Plane.step(corridor.course_deg(distance)) * Complex(0, side * corridor.half_m(distance))
          point(corridor.at(distance) + across)
        end
      end
      sides[0] + sides[1].reverse
    end

    # What stands under a line, for its section: from and to in feet from the spot.
    def under(sight)
      sight.hits_for(:high).map do |hit|
        { 'id' => hit.obstacle.id, 'what' => hit.obstacle.what,
          'from_ft' => feet(hit.from_m), 'to_ft' => feet(hit.to_m),
          'top_ft' => feet(sight.top_m(hit.obstacle, :value)), 'high_ft' => feet(sight.top_m(hit.obstacle)) }
      end
    end

    def approach(line)
      drawn = line(line, line.corridor)
      # Beyond the spot only where the way out is straight on.
      on = line.beyond.from_m.zero? ? profile(line, line.beyond.corridor).drop(1) : []
      drawn.merge(
        'profile' => on.reverse.map do |along, height|
          [-along, height]
        end + drawn['profile'], 'under' => under(line.sight), 'beyond' => under(line.beyond.sight), **flown(line)
      )
    end

    def flown(line)
      gate = line.break_off.gate_m
      { 'path' => line.plan.path.map { |row| [(-row.along_ft).round(1), row.height_ft.round(1)] },
        'gate' => gate.is_a?(String) ? nil : mark(line, gate),
        'last' => line.break_off.last_m.is_a?(String) ? nil : mark(line, line.break_off.last_m),
        'away' => gate.is_a?(String) ? [] : away(line, gate) }
    rescue OutsideModel
      { 'path' => [], 'gate' => nil, 'last' => nil, 'away' => [] }
    end

    def mark(line, distance_m)
      { 'at' => point(line.corridor.at(distance_m)), 'distance_ft' => feet(distance_m),
        'height_ft' => feet(line.plan_height_m(distance_m)) }
    end

    # The go-around from the gate: feet from the spot, negative beyond it, and height.
    def away(line, gate_m)
      line.break_off.away_from(gate_m).each_slice(5).map(&:first).map { |one| [feet(-one.along_m), feet(one.height_m)] }
    end

    def departure(line)
      way = line.best
      path = way ? way.path.each_slice(3).map(&:first) : []
      line(line, line.corridor).merge(
        'way' => line.ways.key(way), 'under' => under(line.sight),
        'path' => path.map { |one| [feet(one.along_m), feet(one.height_m)] }
      )
    end

    def field(report)
      day = report.day
      field = day.kept(:field) do
        Sites::ClearanceField.new(report.site, day.clearances, skids_m: day.house['hover_height_ft'] * Quantities::FT,
                                                               most: FIELD_MOST)
      end
      { 'step_m' => Serialisers.number(field.step_m, 1), 'wanted_ft' => feet(day.clearances.main_m),
        'points' => field.points.map { |one| [*point(one.at), feet(one.clearance_m)] },
        'proposed' => field.proposed.map { |one| { 'at' => point(one.at), 'clearance_ft' => feet(one.clearance_m) } } }
    end
  end
end
