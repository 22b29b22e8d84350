# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Circuit
      # Circuits: a take-off, all the way round, a landing; legs split at the turns (docs/reference/boundaries.md). It
      # is made of attempts that other finders found and stands beside them; one with an autorotation in it is none.
      class Finder
        include Grading::Stretches

        LEGS = %w[upwind crosswind downwind base final].freeze
        # How far from the full turn its turns may add up, degrees.
        ROUND_ROOM_DEG = 45.0
        # Not all the way round yet, its turns are taken for what they are.
        QUARTERS_DEG = 360.0

        # @return [Array<Attempt>]
        def find
          order = @taken.sort_by(&:start_s)
          order.each_with_index.filter_map do |off, i|
            next unless part(off) == 'take_off'

            landing = order[(i + 1)..].find { |after| part(after) || declared(after).power_off }
            circuit(off, landing) if landing && part(landing) == 'landing'
          end
        end

        private

        def declared(attempt) = @context.catalogue.find(attempt.manoeuvre)
        def part(attempt) = declared(attempt).part_of_circuit

        # From a take-off that no landing has followed.
        def begun(_found)
          off = @taken.sort_by(&:start_s).reverse.find { |one| part(one) || declared(one).power_off }
          return nil unless off && part(off) == 'take_off'

          turns = Grading::Turns.new(signals, @context).find(off.start_s, signals.end_s)
          side = turns.sum(&:turned_deg) <=> 0.0
          return nil if turns.any? { |turn| (turn.turned_deg <=> 0.0) != side }

          flown = legs(turns, off.start_s, signals.end_s, QUARTERS_DEG)
          flown && attempt('circuit', flown, events: { take_off_s: off.start_s }, finish: signals.end_s)
        end

        def circuit(off, landing)
          finish = landing.event(:stopped_s) || landing.event(:contact_s) || landing.end_s
          turns = Grading::Turns.new(signals, @context).find(off.start_s, finish)
          side = turns.sum(&:turned_deg) <=> 0.0
          return nil if turns.empty? || turns.any? { |turn| (turn.turned_deg <=> 0.0) != side }

          legs = whole(turns, off.start_s, finish)
          return nil unless legs&.any? { |leg| leg.id == 'downwind' }

          attempt('circuit', legs, events: { stopped_s: finish, take_off_s: off.start_s })
        end

        # Nil when it did not come once round.
        def whole(turns, start, finish)
          round = turns.sum { |turn| turn.turned_deg.abs }
          (round - 360.0).abs > ROUND_ROOM_DEG ? nil : legs(turns, start, finish, round)
        end

        # Each leg named by how far round it has come; nil when it came by one of them twice.
        def legs(turns, start, finish, round)
          ends = [start, *turns.map(&:end_s)].zip([*turns.map(&:start_s), finish])
          come = turns.each_with_object([0.0]) { |turn, all| all << (all.last + (turn.turned_deg.abs * 360.0 / round)) }
          found =
            ends
              .zip(come)
              .map do |(from, to), deg|
                phase(LEGS[(deg / 90.0).round] || LEGS.last, from, to, estimated: turns.any?(&:estimated))
              end
          found.map(&:id).uniq.size == found.size ? found : nil
        end
      end
    end
  end
end
