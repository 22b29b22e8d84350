# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Scenario
      # The decision point of a flight into less and less visibility: the school's least, or where a turn back no longer
      # fits into half of what is seen, whichever comes first.
      class LostVisibilityPlan < Planning::ManoeuvrePlan
        include LostVisibilityTalk

        def self.declaration = LostVisibility

        # A gentle turn, level, with little to look at. Chosen.
        BANK_DEG = 20.0
        # Of what is seen ahead, as much may be flown into. Chosen: the other half is for what was seen too late.
        SHARE = 0.5
        # Slowing down in level flight, m/s². Chosen: the nose stays where the horizon was.
        SLOWING_M_S2 = 1.0
        HEIGHT_FT = 500.0
        LEAST_M = 1500.0
        ROWS_M = [5000, 3000, 2000, 1500, 1000, 800, 500].freeze
        # Where nothing fits any more.
        LAND = 'land'

        private

        # The height that is not gone under because of what is not seen.
        def default_height_ft = HEIGHT_FT
        def height_range_ft = [200, 3000]
        def slow_headings = []
        def bank_deg = (@settings['bank_deg'] || BANK_DEG).to_f
        def least_m = (@settings['least_visibility_m'] || LEAST_M).to_f
        # The speed of the least power, near enough: slower costs more of it, and does not help to see.
        def decision_kt = @type.fetch('speeds_kt.climb').to_f
        def cruise_kt = @type.fetch('speeds_kt.cruise').to_f

        def turn_back(knots) =
          (@turns ||= {})[knots] ||=
            TurnBack.new(true_kt(knots) * Q::KT, bank_deg, LocalMap.along_across(*wind.vector, @course_deg))

        # How far must be seen for the turn to fit.
        def needed_m(knots) = turn_back(knots).ahead_m / SHARE
        def decision_m = [least_m, needed_m(decision_kt)].max
        def ground_m_s(knots) = [groundspeed_kt(@course_deg, knots) * Q::KT, 0.0].max

        # How far it goes while it stops over the ground; a gyroplane does not stop in the air.
        def stop_m(knots)
          ground = ground_m_s(knots)
          (ground * TurnBack::REACTION_S) + (ground * ground / (2.0 * SLOWING_M_S2))
        end

        def own_numbers
          {
            'decision_visibility_m' => try('m') { decision_m },
            'decision_speed_kt' => number(decision_kt, 'kt'),
            'decision_height_ft' => number(@height_ft, 'ft'),
            'turn_back_visibility_m' => try('m') { needed_m(decision_kt) },
            'cruise_visibility_m' => try('m') { needed_m(cruise_kt) },
            'fastest_speed_kt' => try('kt') { fastest_kt(decision_m) },
            'seen_s' => try('s') { decision_m / ground_m_s(decision_kt) },
            'bank_deg' => number(bank_deg, 'deg'),
            'turn_back_radius_ft' => try('ft') { turn_back(decision_kt).radius_m / Q::FT },
            'turn_back_ahead_ft' => try('ft') { turn_back(decision_kt).ahead_m / Q::FT },
            'turn_back_time_s' => try('s') { turn_back(decision_kt).time_s },
            'stop_ahead_ft' => (number(stop_m(decision_kt) / Q::FT, 'ft') if @type.helicopter?),
            'level_power_kw' => try('kw') { performance.level_power_w(decision_kt) / 1000.0 },
            'power_in_turn_kw' => try('kw') { performance.level_power_in_bank_w(decision_kt, bank_deg) / 1000.0 }
          }.compact
        end

        # The fastest at which a turn back fits into what is seen.
        # @raise [OutsideModel] where not even the decision speed leaves room
        def fastest_kt(seen_m)
          return cruise_kt if needed_m(cruise_kt) <= seen_m
          if needed_m(decision_kt) > seen_m
            raise OutsideModel, Text.of('even at %{decision_kt} kt a turn back needs more than is seen',
                                        decision_kt: decision_kt.round)
          end

          Roots.find(decision_kt, cruise_kt, tolerance: 0.05, what: 'speed for the visibility') do |knots|
            (needed_m(knots) - seen_m) / 1000.0
          end
        end

        # From where it is seen to where it is turned: the talk is the picture.
        def path
          turn_back(decision_kt).places.first(2).map do |place|
            point(place.t_s, place.along_m / Q::FT, @height_ft, decision_kt, place.groundspeed_m_s / Q::KT, 0.0,
                  place.phase, across_ft: place.across_m / Q::FT)
          end
        rescue OutsideModel
          []
        end

        def setup =
          Planning::SetUp.standing(height_ft: @height_ft, steady_s: 0.0,
                                   text: 'On the ground, with the map, or in clear air with the way back in sight')

        def tables = [talk, by_visibility]

        def by_visibility
          columns = [%w[Seen m], ['Fastest, to turn back', 'kt'], ['Fastest, to stop', 'kt'], ['Seen ahead', 's']]
          columns.delete_at(2) unless @type.helicopter?
          Planning::Table.new(
            id: 'by_visibility',
            title: 'How fast for what is seen',
            columns: columns,
            rows: ROWS_M.map { |seen| row(seen.to_f) },
            note: Text.of('%{reaction_s} s, then %{bank_deg}° of bank, all in half of what is seen: geometry, not a ' \
              'permission. The least that the law and the school allow goes before.',
                          reaction_s: TurnBack::REACTION_S.round, bank_deg: bank_deg.round)
          )
        end

        def row(seen)
          fastest = cell { fastest_kt(seen) }
          ahead = fastest && (seen / ground_m_s(fastest))
          [seen, fastest || LAND, *(fastest_to_stop(seen) if @type.helicopter?), ahead || LAND]
        end

        def fastest_to_stop(seen) =
          [cruise_kt, *cruise_kt.floor.downto(10)].find { |knots| stop_m(knots) <= SHARE * seen }&.to_f || LAND

        def own_cautions
          [
            caution('talk_only', 'caution',
                    'A talk, not a flight: nobody flies into less than the law and the school allow.'),
            *slower_before,
            *too_little_power,
            caution('first_signs', 'caution',
                    'Slowing down and going lower because of what is not seen are the first signs, not a way on.')
          ]
        end

        # At the decision point cruise is too fast already.
        def slower_before
          fastest = value('fastest_speed_kt')
          return [] if fastest.nil? || fastest >= cruise_kt

          [caution('slower_before', 'caution',
                   Text.of('At %{decision_visibility_m} m nothing faster than %{fastest} kt leaves room to turn ' \
                     'back: slow down before that.',
                           decision_visibility_m: value('decision_visibility_m').round, fastest: fastest.floor))]
        end

        def too_little_power
          turning = value('power_in_turn_kw')
          return [] if turning.nil? || turning * 1000.0 <= performance.power_available_w

          [caution('turn_power', 'limit', 'The turn back takes more power than there is: less bank, or lighter.')]
        end
      end
    end
  end
end
