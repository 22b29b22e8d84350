# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Scenario
      # What the instructor asks and wants to hear, with the day's numbers in it; for the plan.
      module LostVisibilityTalk
        private

        def talk
          Planning::Table.new(
            id: 'talk',
            title: 'Talked through',
            columns: [['When', nil], ['Asked', nil], ['Wanted', nil]],
            rows: [
              ['before take-off', 'Where is the way out, leg by leg?',
               'a heading to clear air and a place to land, named for each leg'],
              ['it gets worse', 'What tells you first?',
               'the horizon goes soft; slowing down or going lower without meaning to'],
              ['decision point', 'When is it decided?', decided],
              ['turn back', 'Which way, and how?', turned],
              ['no way back', 'What then?',
               'a landing into wind at the place that was named, while its ground can still be looked over'],
              ['nothing to see', 'And if it happens all the same?',
               'level by the instruments, power and heading held, no look for the ground; then a gentle turn back ' \
                 'or a climb, and a call for help'],
              ['afterwards', 'Who is told?', 'the school, the same day; nobody is blamed for turning back']
            ],
            note: 'No training in cloud is implied: without instruments and the rating for it there are only seconds.'
          )
        end

        def decided
          seen = value('decision_visibility_m')
          first = if seen
                    Text.of('at %{seen} m seen, ', seen: (seen / 100.0).ceil * 100)
                  else
                    'at the least that the school allows, '
                  end
          Text.of('%{first}slowed to %{decision_kt} kt, or down to %{height_ft} ft: whichever comes first, and ' \
            'nothing is weighed again',
                  first: first, decision_kt: decision_kt.round, height_ft: @height_ft.round)
        end

        def turned
          time = value('turn_back_time_s')
          after = time ? Text.of(', round in %{time} s', time: time.round) : ''
          Text.of('%{side}, level, %{bank_deg}° of bank%{after}; eyes outside, speed and height as they are',
                  side: side, bank_deg: bank_deg.round, after: after)
        end

        def side
          across = wind.crosswind_kt(@course_deg)
          return 'to the better side' if across.abs < 1.0

          across.positive? ? 'to the right, into the wind' : 'to the left, into the wind'
        end
      end
    end
  end
end
