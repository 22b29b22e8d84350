# frozen_string_literal: true

module Fujin
  # An attempt's energy ledger and its way through the limits map, from its stored path.
  class DebriefPictures
    Point = Value.define(:t_s, :height_ft, :ias_kt, :sink_fpm, :rotor_rpm_pct)

    # @param attempt [AttemptRow]
    # @param viewer [Person]
    def initialize(attempt, viewer)
      @attempt = attempt
      @viewer = viewer
      @held_back = HeldBack.from?(viewer, attempt)
      @setting = SortieSetting.of(attempt)
    end

    # @return [Hash] the API's AttemptPictures
    def to_h
      flown = @attempt.flown_path
      points = flown.map { |point| self.class.point(point) }.select(&:ias_kt)
      {
        'hover' => (hover(flown) if @attempt.declaration.phases.include?('hover')),
        'landings' => landings,
        'reachable' => ReachableThen.new(@attempt, @setting).to_h,
        'ledger' => @held_back ? [] : self.class.ledger(flown, @setting.conditions),
        'charts' => points.size < 3 || @held_back ? [] : charts(points).map { |chart| Serialisers.chart(chart) }
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

    # The circle is the measure's, about the middle of the path as drawn.
    def hover(flown)
      return nil if flown.empty?

      heights = flown.map { |point| point['height_ft'] }
      {
        'along_ft' => Quantities.median(flown.map { |point| point['along_ft'] }),
        'across_ft' => Quantities.median(flown.map { |point| point['across_ft'] }),
        'within_ft' => (@attempt.proposal.dig('measures', 'hover_drift_95_ft', 'value') unless @held_back),
        'low_ft' => heights.min,
        'high_ft' => heights.max
      }
    end

    # Those of the lesson that this person may see.
    def landings
      sortie = @attempt.sortie
      LightAttempts.preload([sortie])
      own = sortie.attempts.select { |row| row.asked? && row.counts && !HeldBack.from?(@viewer, row) }
      numbers = sortie.attempts.each.with_index(1).to_h { |row, number| [row.id, number] }
      misses = AttemptRow.where(id: own.map(&:id)).pluck(:id, *LandingScatter::COLUMNS)
      LandingScatter.of(misses.map { |id, *miss| [numbers.fetch(id), *miss] }.sort_by(&:first))
    end

    def charts(points)
      house = @setting.house
      gliding = @attempt.manoeuvre.end_with?('autorotation')
      allowed = gliding ? nil : ->(kt) { house.sink_allowed_fpm(kt) }
      [Planning::LimitsMap.sink(@setting.conditions, allowed: allowed, path: points, autorotation: gliding),
       Planning::LimitsMap.height_velocity(@setting.type, path: points)].compact
    end
  end
end
