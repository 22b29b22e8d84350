# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The turns of an autorotation as settings of its plan: which way, through how much, how steep.
      module FlownTurn
        SIDES = { true => 'right', false => 'left' }.freeze
        BANKS_DEG = (10.0..60.0)

        module_function

        # @param attempt [Grading::Attempt], @param planned [Hash{String => Object}] settings that the sortie has
        # @param course_deg [Float] final course
        # @return [Hash{String => Object}] the planned ones, with the turns as they were flown
        def settings(signals, context, attempt, planned, course_deg)
          phase = attempt.phase('turn')
          phase ? planned.merge(flown(signals, context, phase, planned, course_deg)) : planned
        end

        def flown(signals, context, phase, planned, course_deg)
          finder = Grading::Turns.new(signals, context)
          from = phase.start_s - 1.0
          to = phase.end_s + 2.0
          turns = finder.s_turn(from, to)
          turns = finder.find(from, to) if turns.empty?
          return {} if turns.empty?

          deg = planned['turn_deg'] || turned_deg(turns, signals, course_deg)
          {
            'turn_side' => SIDES.fetch(turns.first.turned_deg.positive?),
            'turn_deg' => deg,
            'bank_deg' => bank_deg(signals, phase)
          }.compact
        end

        # Over the ground: the final course less the track it came in on, as many times round as the nose went. The
        # middle turn of an S is twice its first.
        def turned_deg(turns, signals, course_deg)
          return turns.map { |turn| turn.turned_deg.abs }.max / 2.0 if turns.size > 1

          turned = turns.first.turned_deg
          track = signals.signal?(:track) ? signals.at(:track, turns.first.start_s) : Float::NAN
          return turned.abs if track.nan?

          (turned + Quantities.wrap_deg(course_deg - track - turned)).abs
        end

        # The bank that was held: the median of its upper half.
        def bank_deg(signals, phase)
          return nil unless signals.signal?(:roll)

          banks = signals.window(:roll, phase.start_s, phase.end_s).map(&:abs).sort
          banks.empty? ? nil : Quantities.median(banks[(banks.size / 2)..]).clamp(BANKS_DEG.begin, BANKS_DEG.end)
        end
      end
    end
  end
end
