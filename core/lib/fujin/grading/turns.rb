# frozen_string_literal: true

module Fujin
  module Grading
    # Turns flown with bank: from 0.75 s before roll stays over 5° through 60° or more of heading, to 0.6 s before roll
    # last drops below half its median (docs/reference/boundaries.md). Without roll, the bank that the track's rate
    # asks for.
    class Turns
      include Stretches

      BANK_DEG = 5.0
      LEAST_DEG = 60.0
      # The turns of an S may be shallow: they alternate and all but cancel each other.
      S_LEAST_DEG = 25.0
      S_SUM_SHARE = 0.5
      HOLE_S = 0.6
      BEFORE_S = 0.75
      OUT_S = 0.6

      # `turned_deg` right positive.
      Turn = Value.define(:start_s, :end_s, :turned_deg, :estimated)

      # @return [Array<Turn>] between two moments, in order
      def find(from_s, to_s, least_deg: LEAST_DEG)
        return [] unless bank && signals.way

        range = signals.index(from_s)..signals.index(to_s)
        [1.0, -1.0].flat_map { |side| one_side(range, side, least_deg) }.sort_by(&:start_s)
      end

      # The turns of an S between two moments, none when they are no S.
      # @return [Array<Turn>]
      def s_turn(from_s, to_s)
        turns = find(from_s, to_s, least_deg: S_LEAST_DEG)
        alternate = turns.size > 1 && turns.each_cons(2).all? { |a, b| (a.turned_deg * b.turned_deg).negative? }
        if alternate && turns.sum(&:turned_deg).abs < S_SUM_SHARE * turns.map { |turn| turn.turned_deg.abs }.max
          turns
        else
          []
        end
      end

      private

      def one_side(range, side, least_deg)
        stretches(range, 1.0, hole_s: HOLE_S) { |i| bank[i] * side > BANK_DEG }.filter_map do |first, last|
          turned = signals.way[last] - signals.way[first]
          next if turned.nan? || turned * side < least_deg

          half = Quantities.median((first..last).map { |i| bank[i].abs }) / 2.0
          out = last.downto(first).find { |i| bank[i].abs >= half } || last
          Turn.new(
            start_s: signals.time(first) - BEFORE_S,
            end_s: signals.time(out) - OUT_S,
            turned_deg: turned,
            estimated: !signals.signal?(:roll)
          )
        end
      end

      def bank =
        @bank ||= signals.signal?(:roll) ? Recordings::Smoothing.mean(signals[:roll], signals.samples(0.2)) : from_track

      # tan(bank) = speed × turn rate / g.
      def from_track
        return nil unless signals.signal?(:track) && signals.signal?(:gs)

        rate =
          Recordings::Smoothing.rate(
            Recordings::Smoothing.mean(signals[:track], signals.samples(0.5)),
            signals.step_s,
            signals.samples(0.5)
          )
        rate.each_with_index.map do |deg_s, i|
          Math.atan(signals[:gs][i] * Quantities::KT * deg_s * Quantities::DEG / Quantities::G) / Quantities::DEG
        end
      end
    end
  end
end
