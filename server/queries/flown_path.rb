# frozen_string_literal: true

module Fujin
  # The flown path of one attempt in the plan's frame: feet along and across the final course from the spot.
  # Empty when position or height was not recorded.
  class FlownPath
    EVERY_S = 0.5

    def initialize(signals, proposal, spot)
      @signals = signals
      @proposal = proposal
      @spot = spot
    end

    # @return [Array<Hash>] PathPoints
    def points
      return [] unless @proposal.course_deg && %i[lat lon agl].all? { |name| @signals.signal?(name) }

      attempt = @proposal.attempt
      map = LocalMap.new(*@spot)
      from = [attempt.start_s - 12.0, @signals.start_s].max
      (0..((attempt.end_s - from) / EVERY_S).floor).filter_map { |i| point(from + (i * EVERY_S), map, attempt) }
    end

    private

    def point(time, map, attempt)
      lat = @signals.at(:lat, time)
      height = @signals.at(:agl, time) - @signals.agl_zero_ft
      return nil if lat.nan? || height.nan?

      north, east = map.north_east(lat, @signals.at(:lon, time))
      along, across = LocalMap.along_across(north, east, @proposal.course_deg)
      {
        't_s' => time.round(2),
        'along_ft' => (along / Quantities::FT).round(1),
        'across_ft' => (across / Quantities::FT).round(1),
        'height_ft' => height.round(1),
        'ias_kt' => shown(:ias, time),
        'groundspeed_kt' => shown(:gs, time),
        'sink_fpm' => shown(:sink, time),
        'rotor_rpm_pct' => shown(:nr, time),
        'phase' => phase_at(time, attempt)
      }
    end

    def shown(name, time) = Serialisers.number(@signals.at(name, time), 1)

    def phase_at(time, attempt) =
      attempt.phases.find { |p| time >= p.start_s && time < p.end_s }&.id ||
        (time < attempt.start_s ? 'setup' : 'after')
  end
end
