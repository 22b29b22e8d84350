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
          text = Text.of('Still open, for the low pass to settle: %{list}.', list: Sites::Spoken.list(open))
          return [caution('open', 'caution', text)] if blocking.empty?

          [caution('open', 'limit', "#{text} #{unfit(blocking)}")]
        end

        # Wires are; a wire is.
        def unfit(blocking)
          alone = blocking.size == 1 && !Sites::Spoken.of(blocking.first).end_with?('s')
          Text.count(alone ? 1 : 2, one: 'Nothing is suitable while %{list} is open.',
                                    other: 'Nothing is suitable while %{list} are open.',
                                    list: Sites::Spoken.list(blocking))
        end

        # Poles in a row carry something.
        def poles
          found = @site.standing.select { |one| one.what == 'pole' }
          wires = @site.standing.select(&:wire?)
          pair = found.combination(2).find do |a, b|
            from, to = [a, b].map { |one| one.rings[0][0] }
            (to - from).abs <= POLES_M && wires.none? { |wire| [from, to].all? { |at| wire.distance_m(at) < 10.0 } }
          end
          pair && caution('look_for_a_wire', 'limit',
                          Text.of('Look for a wire between %{list}: poles in a row carry something.',
                                  list: Sites::Spoken.list(pair.map(&:id))))
        end

        def surface
          Array(SURFACES[@site.surface]).each_with_index.map { |text, i| caution("surface_#{i + 1}", 'caution', text) }
        end

        def slope
          return [] if @site.slope_deg < SLOPE_DEG

          over = if @report.slope.within?
                   ''
                 else
                   Text.of(' That is over the %{limit_deg}° the type stands on.',
                           limit_deg: @report.slope.limit_deg.round(1))
                 end
          [caution('slope', @report.slope.within? ? 'caution' : 'limit',
                   Text.of('%{slope_deg}° down towards %{falls_toward_deg}°: across it, the uphill skid first, the ' \
                     'tail never uphill.%{over} The cyclic at its stop first: lift again, another place.',
                           slope_deg: @site.slope_deg.round(1),
                           falls_toward_deg: format('%03d', @site.falls_toward_deg.round), over: over)),
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
                  Text.of('Power in reserve is shown before a mountain site, not on it. This school: %{own} ' \
                    'Other schools: %{others} What was seen makes the margin.',
                          own: setting.reasons[mine], others: setting.reasons[other]))
        end

        # A grid of ground heights that is of another ground than the site's file.
        def grid
          grid_ft = @site.relief&.elevation_ft or return nil
          return nil if (grid_ft - @site.elevation_ft).abs <= Sites::Relief::DIFFER_FT

          caution('grid_differs', 'caution',
                  Text.of("The grid has the ground here at %{grid_ft} ft, the site's file at %{elevation_ft} ft: " \
                    'look at both. How the ground rises and falls is taken from the grid, the elevation from ' \
                    'the file.',
                          grid_ft: grid_ft.round, elevation_ft: @site.elevation_ft.round))
        end

        def light
          return nil unless @day.light.night?

          caution('night', 'limit', 'The sun is down at that time: a site is surveyed and used by daylight.')
        end

        def no_power
          margin = @day.margin_pct
          return nil if margin && margin >= Towering::MARGIN_PCT

          left = margin ? Text.of('%{margin} % of power', margin: margin.round) : 'No power'
          caution('power', 'caution',
                  Text.of('%{left} left out of ground effect: no towering take-off, no steep approach with the wind ' \
                    'behind, nothing that ends in a high hover.',
                          left: left))
        end

        def lee(line)
          region = @day.lee_on(line.line)
          noted = @day.lee_noted_on(line.line)
          if region
            caution('lee', 'caution',
                    Text.of('In the lee of %{what}: turbulent, little wind, sinking air up to %{up_to_m} ft over ' \
                      'the site.',
                            what: Sites::Spoken.of(region.obstacle.id),
                            up_to_m: (region.up_to_m / Quantities::FT).round(-1)))
          elsif noted
            caution('lee', 'note',
                    Text.of('The wind is unsteady for a while behind %{what}.',
                            what: Sites::Spoken.of(noted.obstacle.id)))
          end
        end

        def sun(line)
          seen = @day.light.in_the_eyes(line.line) or return nil
          high = @day.light.sun.elevation_deg.round
          if seen == 'glare'
            caution('sun', 'caution',
                    Text.of('The sun is in the eyes, %{high}° up: wires and tops in front of it are not seen.',
                            high: high))
          else
            caution('sun', 'note', Text.of('The sun stands %{high}° up ahead.', high: high))
          end
        end

        def shadow(line)
          from = @day.light.shadow_on_line(line.line)
          if from
            caution('shadow', 'caution',
                    Text.of('The shadow of %{what} lies on the spot or the last of the line: what is in it is not ' \
                      'seen.',
                            what: Sites::Spoken.of(from)))
          else
            nil
          end
        end

        def grid_ends(line)
          metres = @site.relief&.known_to_m(line.corridor) or return nil
          caution('grid_ends', 'note', Text.of('The grid has no heights beyond %{metres} ft of this line: the ground ' \
            'there counts as level.',
                                               metres: (metres / Quantities::FT).round(-1)))
        end

        def unknown(line)
          ids = line.sight.unknown
          if ids.empty?
            nil
          else
            caution('height_not_known', 'limit',
                    Text.of('Height not known: %{list}. Not known is not low.', list: Sites::Spoken.list(ids)))
          end
        end

        def behind(line)
          kt = line.headwind.value
          return nil unless kt && kt < -0.5

          caution('tailwind', 'caution',
                  Text.of('%{kt} kt from behind: higher ground speed, more sink for the angle, the nose up late.',
                          kt: (-kt).round))
        end

        def off_nose(line)
          return nil unless @site.surroundings_ft&.negative? && @day.wind && @day.wind.speed_kt >= LIGHT_KT

          off = Quantities.wrap_deg(@day.wind.from_deg - line.course_deg).abs
          return nil if off <= OFF_NOSE_DEG

          caution('off_the_nose', 'limit',
                  Text.of('The wind is %{off}° off the nose: onto a pinnacle within %{off_nose_deg}°, never from the ' \
                    'lee.',
                          off: off.round, off_nose_deg: OFF_NOSE_DEG.round))
        end

        def late(line)
          return nil unless line.break_off.nowhere?

          caution('no_break_off', 'limit',
                  'From nowhere on this line does a go-around clear what is ahead: decided before it begins, dual ' \
                    'only.')
        end

        def high_hover(line)
          found = line.high_hover or return nil
          unless found['possible']
            return caution('too_steep', 'limit',
                           'Steeper than the house allows: another line or another site.')
          end

          caution('high_hover', 'limit', Text.of('Steeper than the house allows. Dual, and only with the power for ' \
            'it: inside the limit to a hover at %{found} ft, then straight down ' \
            'at 300 ft/min or less.',
                                                 found: found['height_ft']))
        end
      end
    end
  end
end
