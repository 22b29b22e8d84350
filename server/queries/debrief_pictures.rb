# frozen_string_literal: true

module Fujin
  # An attempt's energy ledger and its way through the limits map, from its stored path.
  class DebriefPictures
    Point = Value.define(:t_s, :height_ft, :ias_kt, :sink_fpm, :rotor_rpm_pct)

    def initialize(attempt)
      @attempt = attempt
      @setting = SortieSetting.new(attempt.sortie)
    end

    # @return [Hash] the API's AttemptPictures
    def to_h
      flown = (@attempt.path || []).select { |point| point['t_s'].between?(@attempt.start_s, @attempt.end_s) }
      points = flown.map { |point| self.class.point(point) }.select(&:ias_kt)
      {
        'ledger' => self.class.ledger(flown, @setting.conditions),
        'charts' => points.size < 3 ? [] : charts(points).map { |chart| Serialisers.chart(chart) }
      }
    end

    def self.point(point)
      Point.new(
        t_s: point['t_s'],
        height_ft: point['height_ft'],
        ias_kt: point['ias_kt'],
        sink_fpm: point['sink_fpm'] || 0.0,
        rotor_rpm_pct: point['rotor_rpm_pct']
      )
    end

    # Time counts from the first point.
    def self.ledger(path, conditions)
      entries = Planning::EnergyLedger.of(path.map { |p| point(p) }, conditions)
      first = entries.first&.t_s || 0.0
      entries.map { |entry| Serialisers.plain(entry.with(t_s: entry.t_s - first)) }
    end

    private

    def charts(points)
      house = @setting.house
      gliding = @attempt.manoeuvre.end_with?('autorotation')
      allowed = gliding ? nil : ->(kt) { house.sink_allowed_fpm(kt) }
      [Planning::LimitsMap.sink(@setting.conditions, allowed: allowed, path: points, autorotation: gliding),
       Planning::LimitsMap.height_velocity(@setting.type, path: points)].compact
    end
  end
end
