# frozen_string_literal: true

module Fujin
  module Commands
    # The page `docs/one-change.md`.
    class TwinsPage
      # @param answers [Array<Fujin::Truth::Twins::Answered>]
      # @param count [Integer] of flights of each manoeuvre
      def initialize(answers, count, seed)
        @answers = answers
        @count = count
        @seed = seed
      end

      def to_h
        @answers.group_by(&:manoeuvre).transform_values do |all|
          claims = all.flat_map(&:claims)
          { 'asked' => all.size, 'claimed' => all.count(&:claimed?), 'numbers' => claims.size,
            'hold' => claims.count(&:holds?) }
        end
      end

      def to_s = [head, kinds, measures, silent].join("\n")

      private

      def head = <<~TEXT
        # How far *one change* can be trusted

        Made by `bin/fujin truth --twins #{@count} --seed #{@seed} --out docs/one-change.md`; run it again rather than changing this page.

        Flights of every manoeuvre of which it can be asked, #{@count} of each, with one fault in winds of 2 to 14 kt, half of them gusty, recorded
        as an ordinary recorder would. Where that fault is the first that is named, one change is asked for; and the same flight is flown in the
        same air without the fault, measured without any error. A number that is claimed holds where the difference it tells is within a quarter
        of the true one, or within the uncertainty that is printed with the number. The model's own flights are the easiest there are.
      TEXT

      def kinds
        rows = to_h.map do |id, found|
          [Catalogue.find(id).title, *found.values_at('asked', 'claimed', 'numbers'),
           share(*found.values_at('hold', 'numbers'))]
        end
        Tables.section('Manoeuvres', %w[manoeuvre asked answered numbers hold], rows)
      end

      def measures
        claims = @answers.flat_map(&:claims)
        rows = claims.group_by(&:measure).sort.map do |id, all|
          ["`#{id}`", all.size, share(all.count(&:holds?), all.size), *worst(all)]
        end
        Tables.section('Numbers', ['measure', 'claimed', 'hold', 'farthest off', 'where'], rows)
      end

      # Among those that do not hold.
      def worst(all)
        one = all.reject(&:holds?).max_by { |claim| (claim.claimed - claim.true_change).abs / [claim.room, 1e-9].max }
        return ['', ''] unless one

        unit = Glossary.measure(one.measure).unit
        [format('%.4g said, %.4g true %s', one.claimed, one.true_change, unit), "#{one.manoeuvre}, #{one.fault}"]
      end

      def silent
        rows = @answers.reject(&:claimed?).group_by { |one| [one.manoeuvre, one.fault] }.sort.map do |names, all|
          [*names, all.size, all.first.reason]
        end
        Tables.section('Nothing claimed', ['manoeuvre', 'fault', 'times', 'for example'], rows)
      end

      def share(some, all) = all.zero? ? '' : "#{(100.0 * some / all).round} %"
    end
  end
end
