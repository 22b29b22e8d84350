# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # What to watch on a site today, of the place and of each line; words of surfaces in surfaces.yml.
      class SiteCautions
        SURFACES = YAML.safe_load_file("#{__dir__}/surfaces.yml").freeze
        # Standing on a slope of this and more, dynamic rollover is said with the angle.
        SLOPE_DEG = 2.0
        # Two poles this far apart in line without a wire between them: look for one, m.
        POLES_M = 150.0
        RIDGE_FT = 100.0
        # Up to so far off the nose onto a pinnacle or a ridge, degrees.
        OFF_NOSE_DEG = 45.0
        LIGHT_KT = 3.0

        # @param report [Report]
        def initialize(report)
          @report = report
          @day = report.day
          @site = @day.site
        end

        # @return [Array<Planning::Caution>]
        def all = [no_wind, *open_points, poles, *surface, *slope, *heights, power_check, grid, light, no_power].compact

        # @param line [FlownApproach]
        # @return [Array<Planning::Caution>]
        def of_approach(line)
          [*of_any(line), shadow(line), behind(line), off_nose(line), late(line), high_hover(line)].compact
        end

        # @param line [FlownDeparture]
        # @return [Array<Planning::Caution>]
        def of_departure(line) = of_any(line).compact

        private

        def of_any(line) = [lee(line), sun(line), unknown(line), grid_ends(line)]

        def caution(id, level, text) = Planning::Caution.new(id: id, level: level, text: text)

        def no_wind
          return nil if @day.wind

          caution('no_wind', 'limit',
                  'No wind given: lines, break-off points and departures are not worked out. Not given is not calm.')
        end

        def open_points
          open = @report.survey.open
          return [] if open.empty?

          blocking = @report.survey.blocking
          unfit = if blocking.any?
                    " Nothing is suitable while #{Sites::Spoken.list(blocking)} #{one_or_more(blocking)} open."
                  else
                    ''
                  end
          [caution('open', blocking.any? ? 'limit' : 'caution',
                   "Still open, for the low pass to settle: #{Sites::Spoken.list(open)}.#{unfit}")]
        end

        # Wires are; a wire is.
        def one_or_more(ids) = ids.size == 1 && !Sites::Spoken.of(ids.first).end_with?('s') ? 'is' : 'are'

        # Poles in a row carry something.
        def poles
          found = @site.standing.select { |one| one.what == 'pole' }
          wires = @site.standing.select(&:wire?)
          pair = found.combination(2).find do |a, b|
            from, to = [a, b].map { |one| one.rings[0][0] }
            (to - from).abs <= POLES_M && wires.none? { |wire| [from, to].all? { |at| wire.distance_m(at) < 10.0 } }
          end
          pair && caution('look_for_a_wire', 'limit',
                          "Look for a wire between #{Sites::Spoken.list(pair.map(&:id))}: poles in a row carry " \
                            'something.')
        end

        def surface
          Array(SURFACES[@site.surface]).each_with_index.map { |text, i| caution("surface_#{i + 1}", 'caution', text) }
        end

        def slope
          return [] if @site.slope_deg < SLOPE_DEG

          over = if @report.slope.within?
                   ''
                 else
                   " That is over the #{@report.slope.limit_deg.round(1)}° the type " \
                     'stands on.'
                 end
          [caution('slope', @report.slope.within? ? 'caution' : 'limit',
                   "#{@site.slope_deg.round(1)}° down towards #{format('%03d', @site.falls_toward_deg.round)}°: " \
                     'across it, the uphill skid ' \
                     "first, the tail never uphill.#{over} The cyclic at its stop first: lift again, another place."),
           caution('rollover', 'caution', 'Dynamic rollover: a skid held, a sideways motion, more than 3°/s about ' \
             'it. Collective ' \
             'down smoothly; cyclic alone does not stop it.')]
        end

        # A pinnacle or a ridge.
        def heights
          below = @site.surroundings_ft
          ridge = @site.standing.find { |one| one.what == 'ridge' }
          return [] unless (below && below <= -RIDGE_FT / 2) || ridge

          [caution('ridge_air', 'caution', 'Air rises on the windward side and sinks, turbulent, on the lee side: ' \
            'along the windward side, ' \
            'into the wind or up to 45° off the nose, never from the lee.'),
           caution('pinnacle', 'caution', 'Power in reserve before the edge, not below the spot until over it, the ' \
             'edge crossed last. Hover ' \
             'height is kept until the tail is inside the edge. The way out is ' \
             'downhill, into the wind.'),
           (if below.nil?
              caution('surroundings', 'caution',
                      'How far the ground falls around it is not known: no sinking on the way out counts.')
            end)].compact
        end

        # High ground asks for power that was shown, in one of the two ways that are taught; each has its reason.
        def power_check
          return nil unless heights.any?

          setting = Planning::HouseMethod::SETTINGS.find { |one| one.name == 'power_check' }
          mine = @day.house['power_check']
          other = (setting.allowed - [mine]).first
          caution('power_shown', 'note',
                  'Power in reserve is shown before a mountain site, not on it. This school: ' \
                    "#{setting.reasons[mine]} Other schools: #{setting.reasons[other]} What was seen makes the margin.")
        end

        # A grid of ground heights that is of another ground than the site's file.
        def grid
          grid_ft = @site.relief&.elevation_ft or return nil
          return nil if (grid_ft - @site.elevation_ft).abs <= Sites::Relief::DIFFER_FT

          caution('grid_differs', 'caution',
                  "The grid has the ground here at #{grid_ft.round} ft, the site's file at " \
                    "#{@site.elevation_ft.round} ft: look at both. How the ground rises and falls is taken from the " \
                    'grid, the elevation from the file.')
        end

        def light
          return nil unless @day.light.night?

          caution('night', 'limit', 'The sun is down at that time: a site is surveyed and used by daylight.')
        end

        def no_power
          margin = @day.margin_pct
          return nil if margin && margin >= Towering::MARGIN_PCT

          caution('power', 'caution', "#{margin ? "#{margin.round} % of power" : 'No power'} left out of ground " \
            'effect: no towering ' \
            'take-off, no steep approach with the wind behind, nothing that ends in a high ' \
            'hover.')
        end

        def lee(line)
          region = @day.lee_on(line.line)
          noted = @day.lee_noted_on(line.line)
          if region
            caution('lee', 'caution',
                    "In the lee of #{Sites::Spoken.of(region.obstacle.id)}: turbulent, little wind, sinking air up " \
                      "to #{(region.up_to_m / Quantities::FT).round(-1)} ft over the site.")
          elsif noted
            caution('lee', 'note',
                    "The wind is unsteady for a while behind #{Sites::Spoken.of(noted.obstacle.id)}.")
          end
        end

        def sun(line)
          seen = @day.light.in_the_eyes(line.line) or return nil
          high = @day.light.sun.elevation_deg.round
          if seen == 'glare'
            caution('sun', 'caution',
                    "The sun is in the eyes, #{high}° up: wires and tops in front of it are not seen.")
          else
            caution('sun', 'note', "The sun stands #{high}° up ahead.")
          end
        end

        def shadow(line)
          from = @day.light.shadow_on_line(line.line)
          if from
            caution('shadow', 'caution',
                    "The shadow of #{Sites::Spoken.of(from)} lies on the spot or the last of the line: what is in it " \
                      'is not seen.')
          else
            nil
          end
        end

        def grid_ends(line)
          metres = @site.relief&.known_to_m(line.corridor) or return nil
          caution('grid_ends', 'note', "The grid has no heights beyond #{(metres / Quantities::FT).round(-1)} ft of " \
            'this ' \
            'line: the ground there counts as level.')
        end

        def unknown(line)
          ids = line.sight.unknown
          if ids.empty?
            nil
          else
            caution('height_not_known', 'limit',
                    "Height not known: #{Sites::Spoken.list(ids)}. Not known is not low.")
          end
        end

        def behind(line)
          kt = line.headwind.value
          return nil unless kt && kt < -0.5

          caution('tailwind', 'caution',
                  "#{(-kt).round} kt from behind: higher ground speed, more sink for the angle, the nose up late.")
        end

        def off_nose(line)
          return nil unless @site.surroundings_ft&.negative? && @day.wind && @day.wind.speed_kt >= LIGHT_KT

          off = Quantities.wrap_deg(@day.wind.from_deg - line.course_deg).abs
          return nil if off <= OFF_NOSE_DEG

          caution('off_the_nose', 'limit',
                  "The wind is #{off.round}° off the nose: onto a pinnacle within #{OFF_NOSE_DEG.round}°, never from " \
                    'the lee.')
        end

        def late(line)
          return nil unless line.angle_deg.value && @day.wind && line.break_off.last_m == 'nowhere'

          caution('no_break_off', 'limit',
                  'From nowhere on this line does a go-around clear what is ahead: decided before it begins, dual ' \
                    'only.')
        rescue OutsideModel
          nil
        end

        def high_hover(line)
          found = line.high_hover or return nil
          unless found['possible']
            return caution('too_steep', 'limit',
                           'Steeper than the house allows: another line or another site.')
          end

          caution('high_hover', 'limit', 'Steeper than the house allows. Dual, and only with the power for it: ' \
            'inside the limit to a hover ' \
            "at #{found['height_ft']} ft, then straight down at 300 ft/min or less.")
        end
      end
    end
  end
end
