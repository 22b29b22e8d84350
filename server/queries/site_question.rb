# frozen_string_literal: true

module Fujin
  # What is asked of a site: the aircraft, the load, the day; defaults are those of the school's first type.
  class SiteQuestion
    HOT = 'hottest_oat_c'

    # @param fields [Hash] the API's SiteQuestion
    # @param checks [ActiveRecord::Relation] power checks flown there, for a question that names none
    def initialize(document, fields, house, checks: SiteCheck.none)
      @site = SiteRow.surveyed(document)
      @fields = fields
      @house = house
      @checks = checks
    end

    # @return [Manoeuvres::Confined::Report]
    # @raise [InvalidInput, OutsideModel]
    def report = Manoeuvres::Confined::Report.new(day, hottest_margin_pct: hottest)

    def day(oat_c = @fields['oat_c']) = Manoeuvres::Confined::Day.of(
      @site, type, @house, wind: wind, oat_c: oat_c, at: at, k: k, stage: @fields['stage'] || 'solo', **load, **air
    )

    # The check of that day that the answer rests on, where the question names none of its own.
    # @return [SiteCheck, nil]
    def used_check
      return nil if @fields.key?('power_check')

      @used_check ||= @checks.holding(type_id: type.id, mass_kg: check_conditions.mass_kg, at: at)
    end

    # The question's own check: what was seen, what the model predicts for it in that air with that load.
    # @return [Hash, nil] fields of a SiteCheck
    # @raise [InvalidInput] for one that cannot be believed
    def flown_check
      check = @fields['power_check'] or return nil
      @flown_check ||= begin
        how = check.slice('how', 'height_ft', 'ias_kt').transform_keys(&:to_sym)
        conditions = check_conditions
        engine = Flight::Engine.new(type, conditions.atmosphere)
        { 'type_id' => type.id, 'seen' => check['seen'], 'unit' => engine.instrument_unit, **how.transform_keys(&:to_s),
          'predicted' => Manoeuvres::Confined::PowerCheck.predicted(conditions, **how).round(1),
          'k' => Manoeuvres::Confined::PowerCheck.k(conditions, seen: check['seen'], **how),
          'mass_kg' => conditions.mass_kg,
          'density_altitude_ft' => (conditions.atmosphere.density_altitude_m / Quantities::FT).round }
      end
    end

    private

    def check_conditions = Planning::Conditions.build(type: type, wind: Wind.calm, elevation_ft: @site.elevation_ft,
                                                      oat_c: @fields['oat_c'], **load, **air)

    def type = TypeStore.find(@fields['type_id'] || TypeStore.all.find(&:helicopter?).id)
    def load = { people: @fields['people'] || 'dual', mass_kg: @fields['mass_kg'] }
    def air = { qnh_hpa: @fields['qnh_hpa'] || 1013.25 }

    # A direction without a speed, or the other way round, is half a wind.
    def wind
      from, speed = @fields.values_at('wind_from_deg', 'wind_kt')
      return nil if from.nil? && speed.nil?

      half = { 'wind_from_deg' => from, 'wind_kt' => speed }.key(nil)
      raise InvalidInput, [{ path: half, message: 'a wind needs direction and speed; none given is not calm' }] if half

      Wind.new(from_deg: from, speed_kt: speed, gust_kt: @fields['gust_kt'])
    end

    def at = @fields['at'] && Time.iso8601(@fields['at'])

    def hottest = @fields[HOT] && day(@fields[HOT]).margin_ige_pct

    # What a power check flown there has shown; 1 where none was.
    def k
      return flown_check ? flown_check['k'] : 1.0 if @fields.key?('power_check')

      used_check&.k || 1.0
    end
  end
end
