# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What to watch in a gliding autorotation today: rotor rpm in its entry and its flare, speeds held under
      # never-exceed, how it ends, ways to the spot that cannot be flown.
      class GlideCautions
        # Left over the absolute limit, points, before an entry is a limit.
        ENTRY_ROOM_PCT = 3.0
        OPTIONS = {
          'glide' => 'The area reached by the house glide', 'stretch' => 'A stretched glide', 'slow' => 'A slow glide',
          'delay' => 'A delayed entry', 's_turn' => 'An S-turn', 'circle' => 'A full circle'
        }.freeze

        # @param numbers [Hash{String => Planning::PlanNumber}] of the plan
        # @param left_out [Hash{String => String}] ways to the spot with the reason why not today
        def initialize(conditions, house, numbers:, left_out:)
          @conditions = conditions
          @type = conditions.type
          @house = house
          @numbers = numbers
          @left_out = left_out
        end

        # @return [Array<Planning::Caution>]
        def all = [entry_rpm, flare_rpm, speed_capped, at_the_end, *options_left_out].compact

        private

        def caution(id, level, text) = Planning::Caution.new(id: id, level: level, text: text)
        def value(id) = @numbers[id]&.value

        # A clean entry that leaves the green band: how far, so that it is expected and no more.
        def entry_rpm
          lowest = value('lowest_rotor_rpm_pct')
          low = @type.power_off_band[0]
          return nil unless lowest < low

          absolute = @type.absolute_rotor_rpm[0]
          caution(
            'entry_rpm',
            lowest < absolute + ENTRY_ROOM_PCT ? 'limit' : 'caution',
            Text.of("The entry flown as planned takes rotor rpm to %{lowest} %, %{under} points under the band's " \
              '%{band} % (absolute %{absolute} %): the warning will sound. A sooner collective, a slower ' \
              'entry or more mass keeps it higher.',
                    lowest: lowest.round(1), under: (low - lowest).round(1), band: low, absolute: absolute)
          )
        end

        def flare_rpm
          peak = value('flare_rotor_rpm_peak_pct')
          high = @type.power_off_band[1]
          return nil unless peak > high

          absolute = @type.absolute_rotor_rpm[1]
          caution(
            'flare_rpm',
            peak > absolute ? 'limit' : 'caution',
            Text.of("The flare flown as planned takes rotor rpm to %{peak} %, %{over} points over the band's " \
              '%{band} % (absolute %{absolute} %): collective check ready as it rises, ease the flare before ' \
              'the limit.',
                    peak: peak.round(1), over: (peak - high).round(1), band: high, absolute: absolute)
          )
        end

        # What the house would fly faster than today's power-off never-exceed allows.
        def speed_capped
          highest = Planning::NeverExceed.highest_planned_kt(@conditions)
          wanted = {
            'entry' => @house.entry_speed_kt(@type),
            'glide' => @house.glide_speed_kt(@type, @conditions.trim)
          }
          over = wanted.select { |_, speed_kt| speed_kt > highest }
          return nil if over.empty?

          caution(
            'never_exceed',
            'caution',
            Text.of('Power-off never-exceed is %{never_exceed_power_off_kt} kt today: %{over}.',
                    never_exceed_power_off_kt: value('never_exceed_power_off_kt').round(1),
                    over: over.map do |what, kt|
                      Text.of('%{what} at %{highest} kt instead of %{kt}',
                              what: what, highest: highest.floor, kt: kt.round)
                    end.join(', '))
          )
        end

        # What the end of the house's method asks for.
        def at_the_end
          if @house['ending'] == 'touchdown'
            caution('surface', 'caution', 'Touchdown only on a level hard surface that was looked at, into wind.')
          else
            caution('join', 'caution',
                    'Throttle joins as rotor rpm starts to fall, never with the rotor above its band.')
          end
        end

        def options_left_out =
          @left_out.map do |option, reason|
            caution("left_out_#{option}", 'note', Text.of('%{option} is left out today: %{reason}.',
                                                          option: OPTIONS.fetch(option), reason: reason))
          end
      end
    end
  end
end
