# frozen_string_literal: true

module Fujin
  # What is asked of a site: the aircraft, the load, the day; defaults are those of the school's first type.
  class SiteQuestion
    HOT = 'hottest_oat_c'

    # @param fields [Hash] the API's SiteQuestion
    def initialize(document, fields, house)
      @site = Sites::SiteFile.read(document)
      @fields = fields
      @house = house
    end

    # @return [Manoeuvres::Confined::Report]
    # @raise [InvalidInput, OutsideModel]
    def report = Manoeuvres::Confined::Report.new(day, hottest_margin_pct: hottest)

    def day(oat_c = @fields['oat_c']) = Manoeuvres::Confined::Day.of(
      @site, type, @house, wind: wind, oat_c: oat_c, at: at, k: k, stage: @fields['stage'] || 'solo', **load, **air
    )

    private

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
      check = @fields['power_check'] or return 1.0
      conditions = Planning::Conditions.build(type: type, wind: Wind.calm, elevation_ft: @site.elevation_ft,
                                              oat_c: @fields['oat_c'], **load, **air)
      Manoeuvres::Confined::PowerCheck.k(conditions,
                                         **check.slice('seen', 'how', 'height_ft', 'ias_kt').transform_keys(&:to_sym))
    end
  end
end
