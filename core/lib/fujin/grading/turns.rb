# frozen_string_literal: true

module Fujin
  module Grading
    # Turns flown with bank: from 0.75 s before roll stays over 5° through 60° or more of heading, to 0.6 s before roll last
    # drops below half its median (MEASURES.md section 2). Without roll, the bank that the track's rate asks for.
    class Turns
      include Stretches

      BANK_DEG = 5.0
      LEAST_DEG = 60.0
      HOLE_S = 0.6
      BEFORE_S = 0.75
      OUT_S = 0.6

      # `turned_deg` right positive.
      Turn = Value.define(:start_s, :end_s, :turned_deg, :estimated)

      # @return [Array<Turn>] between two moments, in order
      def find(from_s, to_s)
        return [] unless bank && signals.signal?(:heading)

        range = signals.index(from_s)..signals.index(to_s)
        [1.0, -1.0].flat_map { |side| one_side(range, side) }.sort_by(&:start_s)
      end

      private

      def one_side(range, side)
        stretches(range, 1.0, hole_s: HOLE_S) { |i| bank[i] * side > BANK_DEG }.filter_map do |first, last|
          turned = signals[:heading][last] - signals[:heading][first]
          next if turned.nan? || turned * side < LEAST_DEG

          half = Quantities.median((first..last).map { |i| bank[i].abs }) / 2.0
          out = last.downto(first).find { |i| bank[i].abs >= half } || last
          Turn.new(start_s: signals.time(first) - BEFORE_S, end_s: signals.time(out) - OUT_S, turned_deg: turned, estimated: !signals.signal?(:roll))
        end
      end

      def bank = @bank ||= signals.signal?(:roll) ? Recordings::Smoothing.mean(signals[:roll], signals.samples(0.2)) : from_track

      # tan(bank) = speed × turn rate / g.
      def from_track
        return nil unless signals.signal?(:track) && signals.signal?(:gs)

        rate = Recordings::Smoothing.rate(Recordings::Smoothing.mean(signals[:track], signals.samples(0.5)), signals.step_s, signals.samples(0.5))
        rate.each_with_index.map { |deg_s, i| Math.atan(signals[:gs][i] * Quantities::KT * deg_s * Quantities::DEG / Quantities::G) / Quantities::DEG }
      end
    end
  end
end
