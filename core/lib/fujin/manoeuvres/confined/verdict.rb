# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Is the site fit for a use: judged at one spot with room, one approach to it inside the limits, one departure.
      #
      # `verdict` is 'suitable', 'if' or 'not'; nil where no wind is given. `because` in order: the first decides.
      class Verdict
        USES = %w[touch_and_go drop_off shut_down train_dual train_solo].freeze
        TOUCHING = %w[touch_and_go drop_off shut_down].freeze
        BEARING = %w[grass gravel tarmac rock].freeze
        SOLO_CLEARANCE = 1.5
        SOLO_ESCAPE_PCT = 60.0
        # People, animals and loose things are kept out of the room and so far round it, m.
        KEPT_OUT_M = 30.0
        STALE_DAYS = { 'wire' => 7 }.freeze
        USUAL_STALE_DAYS = 30
        RANK = { 'suitable' => 0, 'if' => 1, 'not' => 2 }.freeze

        Answer = Value.define(:use, :verdict, :because, :approach, :departure, :spot)

        # @param report [Report]
        def initialize(report, hottest_margin_pct: nil)
          @report = report
          @day = report.day
          @site = @day.site
          @hottest = hottest_margin_pct
        end

        # @return [Answer]
        def of(use)
          unless @day.wind
            return Answer.new(use: use, verdict: nil, because: [reason('wind', 'wind', nil, nil)], approach: nil,
                              departure: nil, spot: nil)
          end

          ways.map { |spot, approach, departure| judged(use, spot, approach, departure) }
            .min_by { |answer| [RANK.fetch(answer.verdict), answer.because.size] } || nothing(use)
        end

        private

        def reason(id, number, value, limit) = Reason.new(id: id, number: number, value: value, limit: limit)

        # A line that is missing leaves nothing to judge.
        def nothing(use)
          missing = %w[spot approach departure].zip([@report.rooms, @report.approaches, @report.departures])
            .find { |_, found| found.empty? }&.first || 'line'
          Answer.new(use: use, verdict: 'not', because: [reason(missing, missing, nil, nil)], approach: nil,
                     departure: nil, spot: nil)
        end

        def ways
          @report.rooms.flat_map do |room|
            of_spot = ->(flown) { flown.select { |one| one.spot.id == room.spot.id } }
            [room].product(of_spot.call(@report.approaches), of_spot.call(@report.departures))
          end
        end

        def judged(use, room, approach, departure)
          blocked = blocking + room_wanting(room, use) + approach_wanting(approach, use) + departure_wanting(departure)
          blocked += ground_blocking(room) if touching?(use, room)
          conditions = open_points + approach_ifs(approach, use) + departure_ifs(departure) + stale
          conditions += ground_ifs if touching?(use, room)
          conditions += shut_down if use == 'shut_down'
          blocked += solo(approach, departure) + conditions if use == 'train_solo'
          verdict = if blocked.any? then 'not'
                    else
                      conditions.any? ? 'if' : 'suitable'
                    end
          Answer.new(use: use, verdict: verdict, because: (blocked.any? ? blocked : conditions).uniq,
                     spot: room.spot.id, approach: approach.id, departure: departure.id)
        end

        def touching?(use, room) = TOUCHING.include?(use) || room.spot.termination == 'surface'

        def blocking = @blocking ||= survey.blocking.map { |id| reason(id, 'open', nil, nil) } + unknown_heights

        # A height that is not known in every approach's corridor, or in every departure's.
        def unknown_heights
          [@report.approaches.map { |one| one.sight.unknown }, @report.departures.map do |one|
            one.sight.unknown
          end]
            .select { |ids| ids.any? && ids.all?(&:any?) }
            .flat_map { |ids| ids.flatten.uniq.map { |id| reason(id, 'top_ft', nil, nil) } }
        end

        def room_wanting(room, use)
          share = use == 'train_solo' ? SOLO_CLEARANCE : 1.0
          limit = @day.clearances.main_m * share / Quantities::FT
          main = room.room.main
          found = []
          if main.value && main.low < limit - 1e-6
            found << reason(room.room.decides, 'clearance_main_ft', main.value,
                            limit)
          end
          if room.room.headings_clear.empty?
            found << reason(room.spot.id, 'headings_clear', nil,
                            Sites::Clearances::LEAST_FT)
          end
          found
        end

        def approach_wanting(approach, use)
          return [] if approach.inside_limits
          return [] if use != 'train_solo' && approach.high_hover&.fetch('possible')

          approach.breaches.map { |one| one.with(id: approach.id) }
        end

        def departure_wanting(departure)
          return [] unless departure.verdict == 'not'

          way = departure.ways.values.first
          [reason(departure.id, way.because.split(': ').first, way.climb_angle.value, way.climb_angle_needed.value)]
        end

        def survey = @report.survey
        def open_points = (survey.open - survey.blocking).map { |id| reason(id, 'open', nil, nil) } + high_only
        def high_only = (survey.from_high_only - survey.open).map { |id| reason(id, 'pass', nil, nil) }

        def approach_ifs(approach, _use)
          found = []
          found << reason(approach.id, 'high_hover', nil, nil) if approach.angle_deg.value.nil?
          found << reason(approach.id, 'break_off', nil, nil) if approach.break_off.nowhere?
          found
        end

        def departure_ifs(departure)
          return [] unless departure.verdict == 'marginal'

          [reason(departure.id, departure.best.because || 'departure', departure.best.clearance.value, nil)]
        end

        def stale
          return [] unless @day.at

          @site.standing.filter_map do |one|
            days = one.at && ((@day.at - Time.iso8601(one.at.length > 10 ? one.at : "#{one.at}T00:00:00Z")) / 86_400.0)
            limit = STALE_DAYS.fetch(one.what, USUAL_STALE_DAYS)
            reason(one.id, 'survey_age_days', days.ceil, limit) if days && days > limit
          rescue ArgumentError
            nil
          end
        end

        def ground_blocking(room)
          slope = @report.slope
          found = []
          found << reason('site', 'slope_deg', @site.slope_deg, slope.limit_deg) unless slope.within?
          found + @site.standing.select { |one| one.flat? && one.what != 'water' }.filter_map do |one|
            metres = one.distance_m(room.spot.at) - one.place_m
            limit = @day.clearances.half_width_m + KEPT_OUT_M
            reason(one.id, 'distance_ft', metres / Quantities::FT, limit / Quantities::FT) if metres < limit
          end
        end

        def ground_ifs
          return [] if BEARING.include?(@site.surface)

          [reason('site', 'surface', @site.surface, nil)]
        end

        # The power to leave at the hottest of the day.
        def shut_down
          limit = FlownApproach::LITTLE_PCT
          return [] if @hottest && @hottest >= limit

          [reason('site', 'power_margin_at_hottest_pct', @hottest, limit)]
        end

        def solo(approach, departure)
          found = []
          behind = -@day.headwind_kt(approach.course_deg)
          found << reason(approach.id, 'tailwind_kt', behind, 0.0) if behind > 0.05
          found << reason(approach.id, 'break_off', nil, nil) if approach.break_off.nowhere?
          [[approach.id, approach.escape[0]], [departure.id, departure.escape]].each do |id, share|
            unless share.value && share.value >= SOLO_ESCAPE_PCT
              found << reason(id, 'escape_pct', share.value,
                              SOLO_ESCAPE_PCT)
            end
          end
          found
        end
      end
    end
  end
end
