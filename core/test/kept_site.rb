# frozen_string_literal: true

require_relative 'kept'

# All that is worked out of one site on one day, as it is kept.
module KeptSite
  # @param day [Fujin::Manoeuvres::Confined::Day]
  def told_of(day)
    report = Fujin::Manoeuvres::Confined::Report.new(day)
    words = Fujin::Manoeuvres::Confined::SiteCautions.new(report)
    parts = { rooms: report.rooms.map { |room| [room.room.main, room.room.headings_clear, room.turns, room.enough?] },
              approaches: report.approaches.map { |one| way_in(one) },
              departures: report.departures.map { |one| way_out(one) },
              said: [*report.approaches.flat_map { |one| words.of_approach(one) },
                     *report.departures.flat_map { |one| words.of_departure(one) }].map(&:to_h),
              slope: [report.slope.slope, report.slope.within?.to_s, report.slope.rollover_margin],
              reconnaissance: looked(report.reconnaissance), verdicts: report.verdicts.transform_values(&:to_h),
              rest: [report.lapses, report.cautions.map(&:to_h), report.density_altitude_ft, day.margin_pct] }
    Kept.sums(parts)
  end

  def way_in(line)
    [line.id, line.course_deg, line.headwind, line.crosswind, line.angle_needed, line.decides, line.kind,
     line.angle_deg, line.inside_limits.to_s, line.breaches.map(&:to_h), line.least_clearance,
     Kept.asked { line.break_off.last_m }, Kept.asked { line.break_off.gate_m }, line.escape, line.high_hover]
  end

  def way_out(line)
    ways = line.ways.transform_values do |way|
      [way.verdict, way.because, way.decides, way.climb_angle_needed, way.climb_angle, way.clearance, way.lift_point,
       way.lift_speed, way.commit_point, way.avoid_area_s]
    end
    [line.id, line.headwind, line.crosswind, line.verdict, ways, line.escape]
  end

  def looked(reconnaissance)
    [reconnaissance.side, reconnaissance.speed_kt, reconnaissance.orbit_height, reconnaissance.orbit_radius,
     reconnaissance.orbit_escape, reconnaissance.pass_height, reconnaissance.pass_clearance]
  end
end
