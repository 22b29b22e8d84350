# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Turns across a line: looked for only when that is the exercise, across the planned line through the sortie's
      # spot. One attempt is a half circle on each side, from a crossing to the next but one
      # (docs/reference/boundaries.md).
      class TurnsAcrossALineFinder
        include Grading::Stretches

        EXERCISE = 'turns_across_a_line'
        ABOVE_FT = 150.0
        SLOWEST_KT = 25.0
        # How far out from the line a half circle may reach, of the planned radius, and still be one.
        REACH = (0.4..2.0)
        # Heading turned through in one, degrees.
        HALF_DEG = (110.0..250.0)
        # A line crossed flatter than this was not crossed but followed.
        LEAST_CROSSING_DEG = 35.0

        # @return [Array<Attempt>]
        def find
          return [] unless asked?

          halves = crossings.each_cons(2).filter_map { |from, to| half(from, to) }
          pair(halves).reject { |found| overlaps?(found.start_s, found.end_s) }
        end

        # Where the aircraft is from the line, which lies across the wind through the spot: out from it, downwind +,
        # and along it.
        # @param wind [Wind]
        # @return [AboutSpot]
        def self.line(signals, spot, wind) = Grading::AboutSpot.new(signals, spot, downwind_deg(wind))

        # How far a track is from square to it, degrees.
        def self.off_square_deg(track_deg, wind) =
          90.0 - (90.0 - Quantities.wrap_deg(track_deg - downwind_deg(wind)).abs).abs

        def self.downwind_deg(wind) = (wind.from_deg + 180.0) % 360.0

        private

        def asked? =
          @context.exercise == EXERCISE && @context.spot &&
            %i[lat lon agl gs track].all? { |name| signals.signal?(name) }

        # The half circle since the last crossing.
        def begun(_found)
          from = asked? ? crossings.last : nil
          return nil unless from && from < last_index && (from..last_index).all? { |i| height(i).nan? || flying?(i) }
          return nil if out[from..].reject(&:nan?).map(&:abs).max.to_f > REACH.last * radius_ft

          start = signals.time(from)
          side = out[last_index].positive? ? 'downwind_turn' : 'upwind_turn'
          overlaps?(start, signals.end_s) ? nil : attempt(EXERCISE, [phase(side, start, signals.end_s)])
        end

        Half = Struct.new(:from, :to, :side, :turned)

        def line = @line ||= self.class.line(signals, @context.spot, @context.conditions.wind)
        def radius_ft = @radius_ft ||= @context.plan_of(TurnsAcrossALine).value('turn_radius_ft')

        def out = @out ||= (0...signals.size).map { |i| line.along(i) }

        def flying?(index) = height(index) > ABOVE_FT && signals[:gs][index] > SLOWEST_KT

        # Samples at which the line was crossed, not followed.
        def crossings
          (1...signals.size).select do |i|
            next unless (out[i - 1] <= 0.0) != (out[i] <= 0.0) && flying?(i)

            self.class.off_square_deg(signals[:track][i], @context.conditions.wind) < 90.0 - LEAST_CROSSING_DEG
          end
        end

        def half(from, to)
          return nil unless (from..to).all? { |i| height(i).nan? || flying?(i) }

          reach = out[from..to].reject(&:nan?).map(&:abs).max / radius_ft
          turned = signals[:track][to] - signals[:track][from]
          if REACH.cover?(reach) && HALF_DEG.cover?(turned.abs)
            Half.new(from, to, out[(from + to) / 2] <=> 0.0, turned)
          else
            nil
          end
        end

        # Halves that follow each other on alternate sides, two and two.
        def pair(halves)
          found = []
          rest = halves
          while rest.size > 1
            first, second = rest
            if first.to == second.from && first.side != second.side && (first.turned * second.turned).negative?
              found << attempt(
                EXERCISE,
                [first, second].map do |h|
                  phase(h.side.positive? ? 'downwind_turn' : 'upwind_turn', signals.time(h.from), signals.time(h.to))
                end
              )
              rest = rest.drop(2)
            else
              rest = rest.drop(1)
            end
          end
          found
        end
      end
    end
  end
end
