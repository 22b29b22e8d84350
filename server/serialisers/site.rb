# frozen_string_literal: true

module Fujin
  module Serialisers
    module_function

    # @param report [Manoeuvres::Confined::Report]
    # @return [Hash] the shape of `site --json` and of the API's SiteReport
    def site(report)
      site = report.site
      cautions = Manoeuvres::Confined::SiteCautions.new(report)
      {
        'site' => site_ground(site),
        'day' => site_day(report),
        'spots' => report.rooms.map { |room| site_spot(room) },
        'approaches' => report.approaches.map { |line| site_approach(line, cautions.of_approach(line)) },
        'departures' => report.departures.map { |line| site_departure(line, cautions.of_departure(line)) },
        'reconnaissance' => site_reconnaissance(report.reconnaissance, site), 'slope' => site_slope(report.slope),
        'open' => report.survey.open,
        'verdicts' => report.verdicts.transform_values { |answer| site_verdict(answer) },
        'valid_until' => report.valid_until&.iso8601,
        'lapses' => report.lapses,
        'cautions' => report.cautions.map { |one| caution(one) }
      }
    end

    def caution(one) = { 'id' => one.id, 'level' => one.level, 'text' => one.text }

    # A number of a site: `value`, `low` and `high`, and for a missing one why; ids of what is not known apart.
    def site_number(number)
      found = { 'value' => self.number(number.value, 2), 'unit' => number.unit, 'low' => self.number(number.low, 2),
                'high' => self.number(number.high, 2) }
      return found unless number.value.nil?

      reason, ids = number.reason.to_s.split(': ', 2)
      if ids && reason == 'not_known'
        found.merge('reason' => reason,
                    'ids' => ids.split(', '))
      else
        found.merge('reason' => number.reason)
      end
    end

    def site_ground(site)
      { 'name' => site.name, 'elevation_ft' => number(site.elevation_ft), 'surface' => site.surface,
        'lat_deg' => number(site.map.lat_deg, 7), 'lon_deg' => number(site.map.lon_deg, 7),
        'surroundings_ft' => number(site.surroundings_ft), 'terrain' => site.relief && site_terrain(site.relief) }
    end

    # What the grid of ground heights has here.
    def site_terrain(relief)
      { 'elevation_ft' => number(relief.elevation_ft, 0), 'cell_m' => cell_m(relief.terrain.cell_deg) }
    end

    def site_check(check)
      { 'id' => check.id, 'type_id' => check.type_id, 'by' => check.by.name, 'at' => check.checked_at.iso8601,
        'how' => check.how, 'height_ft' => number(check.height_ft), 'ias_kt' => number(check.ias_kt),
        'seen' => number(check.seen, 1), 'predicted' => number(check.predicted, 1), 'unit' => check.unit,
        'k' => number(check.k, 3), 'mass_kg' => number(check.mass_kg, 0),
        'density_altitude_ft' => number(check.density_altitude_ft, 0) }
    end

    def terrain_line(row)
      { 'id' => row.id, 'name' => row.name, 'cell_m' => cell_m(row.cell_deg), 'west_deg' => number(row.west_deg, 5),
        'east_deg' => number(row.east_deg, 5), 'south_deg' => number(row.south_deg, 5),
        'north_deg' => number(row.north_deg, 5), 'added_by' => row.added_by&.name }
    end

    # From north to south.
    def cell_m(cell_deg) = number(LocalMap.new(0.0, 0.0).north_east(cell_deg, 0.0)[0], 0)

    def site_day(report)
      day = report.day
      margin = ->(pct) { { 'value' => number(pct, 2), 'unit' => 'pct' } }
      { 'wind' => day.wind&.to_s, 'mass_kg' => number(day.conditions.mass_kg),
        'density_altitude_ft' => number(report.density_altitude_ft, 0),
        'power_margin_pct' => margin.call(day.margin_pct),
        'power_margin_ige_pct' => margin.call(day.margin_ige_pct), 'k' => number(day.k, 3), 'stage' => day.stage,
        'at' => day.at&.iso8601, 'gauge' => site_gauge(day) }
    end

    # What the gauge should show in a hover at 4 ft and in a level pass at climb speed, by the type file alone.
    def site_gauge(day)
      engine = Flight::Engine.new(day.nominal.type, day.conditions.atmosphere)
      { 'unit' => engine.instrument_unit, 'hover' => gauge_reading(day, 'hover'), 'pass' => gauge_reading(day, 'pass'),
        'pass_ias_kt' => number(day.type.fetch('speeds_kt.climb')),
        'how' => day.house['power_check'] == 'hover' ? 'hover' : 'pass' }
    end

    def gauge_reading(day, how)
      number(Manoeuvres::Confined::PowerCheck.predicted(day.nominal, how: how), 1)
    rescue OutsideModel
      nil
    end

    def site_spot(room)
      headings = (0...360).step(Sites::Room::STEP_DEG)
      { 'id' => room.spot.id, 'clearance_main_ft' => site_number(room.room.main), 'decides' => room.room.decides,
        'clearance_tail_ft' => headings.to_h { |deg| [deg.to_s, site_number(room.room.tail(deg.to_f))] },
        'headings_clear' => room.room.headings_clear,
        'turns_clear' => room.turns.map { |turn| turn.merge('power_pct' => site_number(turn['power_pct'])) } }
    end

    def site_approach(line, cautions)
      clearance, least_at = line.least_clearance
      escape, avoid = line.escape
      { 'id' => line.id, 'course_deg' => number(line.course_deg, 1), 'headwind_kt' => site_number(line.headwind),
        'crosswind_kt' => site_number(line.crosswind), 'angle_needed_deg' => site_number(line.angle_needed),
        'decides' => line.decides, 'kind' => line.kind, 'angle_deg' => site_number(line.angle_deg),
        'inside_limits' => line.inside_limits, 'breaches' => line.breaches.map { |one| site_reason(one) },
        'least_clearance_ft' => site_number(clearance), 'least_at' => least_at && rounded(least_at),
        'last_possible' => break_off_point(line) { line.break_off.last_m },
        'break_off' => break_off_point(line) { line.break_off.gate_m },
        'escape_pct' => site_number(escape), 'avoid_area_pct' => site_number(avoid),
        'high_hover' => line.high_hover, 'cautions' => cautions.map { |one| caution(one) } }
    end

    def rounded(hash) = hash.transform_values { |value| value.is_a?(Float) ? number(value, 2) : value }

    # Where a go-around is still decided: rounded to ten feet, for nobody flies it closer.
    def break_off_point(line)
      at = yield
      return at if at.is_a?(String)

      about = Manoeuvres::Confined::BreakOff::ABOUT_FT
      feet = ->(value) {
        { 'value' => value.round(-1), 'unit' => 'ft', 'low' => [value - about, 0.0].max.round(-1),
          'high' => (value + about).round(-1) }
      }
      { 'distance_ft' => feet.call(at / Quantities::FT), 'height_ft' => feet.call(line.at(at, :height_ft)),
        'ias_kt' => { 'value' => number(line.at(at, :ias_kt), 1), 'unit' => 'kt' } }
    rescue OutsideModel => e
      { 'value' => nil, 'reason' => e.message }
    end

    def site_departure(line, cautions)
      { 'id' => line.id, 'course_deg' => number(line.course_deg, 1), 'headwind_kt' => site_number(line.headwind),
        'crosswind_kt' => site_number(line.crosswind),
        'ways' => line.ways.transform_values { |way| departure_way(way) }, 'escape_pct' => site_number(line.escape),
        'cautions' => cautions.map { |one| caution(one) } }
    end

    def departure_way(way)
      { 'verdict' => way.verdict, 'because' => way.because, 'decides' => way.decides,
        'climb_angle_needed_deg' => site_number(way.climb_angle_needed),
        'climb_angle_deg' => site_number(way.climb_angle), 'clearance_ft' => site_number(way.clearance),
        'lift_point_ft' => site_number(way.lift_point), 'lift_kt' => site_number(way.lift_speed),
        'commit_point_ft' => site_number(way.commit_point), 'avoid_area_s' => site_number(way.avoid_area_s) }
    end

    # Heights over the site's ground, and as the altimeter shows them.
    def site_reconnaissance(looks, site)
      on_the_altimeter = ->(height) { height.value && (height.value + site.elevation_ft).round(-1).to_i }
      { 'side' => looks.side, 'speed_kt' => number(looks.speed_kt, 0),
        'orbit_height_ft' => site_number(looks.orbit_height),
        'orbit_altimeter_ft' => on_the_altimeter.call(looks.orbit_height),
        'orbit_radius_ft' => site_number(looks.orbit_radius), 'orbit_escape_pct' => site_number(looks.orbit_escape),
        'pass_height_ft' => site_number(looks.pass_height),
        'pass_altimeter_ft' => on_the_altimeter.call(looks.pass_height),
        'pass_clearance_ft' => site_number(looks.pass_clearance) }
    end

    def site_slope(slope)
      { 'slope_deg' => site_number(slope.slope), 'limit_deg' => number(slope.limit_deg), 'within' => slope.within?,
        'rollover_margin_deg' => site_number(slope.rollover_margin) }
    end

    # What decides, in figures and in words.
    def site_reason(one) = rounded(one.to_h.transform_keys(&:to_s)).merge('text' => one.clause)

    def site_verdict(answer)
      { 'verdict' => answer.verdict, 'because' => answer.because.map { |one| site_reason(one) }, 'spot' => answer.spot,
        'approach' => answer.approach, 'departure' => answer.departure }
    end

    # A site in the list: what is open of it, unless it is still to be surveyed blind.
    def site_line(row, blind:, survey:)
      site = row.site
      asked = Sites::Survey.new(site.survey, site.obstacles)
      { 'id' => row.id, 'name' => row.name, 'lat_deg' => number(site.map.lat_deg, 6),
        'lon_deg' => number(site.map.lon_deg, 6), 'elevation_ft' => number(site.elevation_ft),
        'surface' => site.surface,
        'open' => blind ? [] : asked.open, 'blocking' => blind ? [] : asked.blocking, 'blind' => blind,
        'survey_id' => survey&.id, 'changed_by' => row.changed_by&.name, 'changed_at' => row.updated_at.iso8601 }
    end

    def survey_line(survey)
      { 'id' => survey.id, 'student_id' => survey.student_id, 'student' => survey.student.name,
        'asked_by' => survey.asked_by.name, 'handed_in_at' => survey.handed_in_at&.iso8601, 'level' => survey.level,
        'note' => survey.note }
    end

    # @param comparison [Sites::SurveyComparison, nil] nil until it is handed in
    def site_survey(survey, comparison:, flown:)
      survey_line(survey).merge(
        'site_id' => survey.site_id, 'site' => survey.site.name, 'features' => survey.features,
        'document' => survey.document, 'version' => survey.lock_version,
        'frame' => SitePicture.frame(survey.site.site.map), 'flown' => flown,
        'comparison' => comparison && survey_comparison(comparison)
      )
    end

    def survey_comparison(comparison)
      { 'points' => comparison.points.map { |row| survey_row(row) },
        'obstacles' => comparison.obstacles.map { |row| survey_row(row) },
        'proposed_level' => comparison.proposed_level }
    end

    def survey_row(row)
      shown = ->(value) { value.is_a?(Numeric) ? number(value, 0).to_i.to_s : value }
      { 'id' => row.id, 'what' => row.what, 'verdict' => row.verdict, 'school' => shown.call(row.school),
        'student' => shown.call(row.student) }
    end

    def site_proposals(proposals)
      line = ->(one) {
        one.flown.line.points.map do |at|
          one.flown.day.site.lat_lon(at).reverse.map do |deg|
            number(deg, 7)
          end
        end
      }
      { 'approaches' => proposals.approaches.map do |one|
        site_approach(one.flown, []).merge('why' => one.why, 'coordinates' => line.call(one))
      end,
        'departures' => proposals.departures.map do |one|
          site_departure(one.flown, []).merge('why' => one.why, 'coordinates' => line.call(one))
        end }
    end
  end
end
