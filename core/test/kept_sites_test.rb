# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'

# What is worked out of the sample sites, each on three days: room, lines in and out with their break-off points and
# escapes, reconnaissance, slope, verdicts, what makes it lapse, cautions, what is proposed.
class KeptSitesTest < Minitest::Test
  FOLDER = File.expand_path('../../db/demo/sites', __dir__)
  DAYS = {
    'a breeze' => { type: 'tansy-2', wind: '350/10' },
    'across, gusty and hot' => { type: 'bracken-2', wind: '100/14G22', oat_c: 27.0 },
    'strong, alone in the larger one' => { type: 'yarrow-4', wind: '230/22', people: 'solo' }
  }.freeze

  Dir[File.join(FOLDER, '*.geojson')].each do |path|
    name = File.basename(path, '.geojson')
    define_method("test_#{name.tr('-', '_')}_is_as_it_was") do
      site = Fujin::Sites::SiteFile.read(JSON.parse(File.read(path)))
      found = DAYS.to_h { |day, given| [day, answers(site, **given)] }

      assert_empty Kept.differences("site_#{name}", found)
    end
  end

  private

  def answers(site, type:, wind:, people: 'dual', **more)
    day = Fujin::Manoeuvres::Confined::Day.of(
      site, type(type), Fujin::Planning::HouseMethod.new, wind: Fujin::Wind.parse(wind), people: people,
                                                          at: Time.utc(2026, 11, 28, 12), stage: 'solo', **more
    )
    report = Fujin::Manoeuvres::Confined::Report.new(day)
    parts = { rooms: report.rooms.map { |room| [room.room.main, room.room.headings_clear, room.turns, room.enough?] },
              approaches: report.approaches.map { |one| way_in(one) },
              departures: report.departures.map { |one| way_out(one) },
              slope: [report.slope.slope, report.slope.within?.to_s, report.slope.rollover_margin],
              reconnaissance: looked(report.reconnaissance), verdicts: report.verdicts.transform_values(&:to_h),
              rest: [report.lapses, report.cautions.map(&:to_h), report.density_altitude_ft, day.margin_pct] }
    parts.map { |name, part| Kept.sum(part).to_h { |key, value| ["#{name} #{key}", value] } }.reduce(:merge)
  end

  def way_in(line)
    [line.id, line.course_deg, line.headwind, line.crosswind, line.angle_needed, line.decides, line.kind,
     line.angle_deg, line.inside_limits.to_s, line.breaches.map(&:to_h), line.least_clearance,
     asked { line.break_off.last_m }, asked { line.break_off.gate_m }, line.escape, line.high_hover]
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

  def asked
    yield
  rescue Fujin::OutsideModel => e
    e.message
  end
end
