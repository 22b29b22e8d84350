# frozen_string_literal: true

module Fujin
  module Progress
    # What a student's next lesson could be, each exercise with the reason in a sentence: what is weakest, what lapses,
    # what comes next in teaching order. The instructor decides.
    class NextLesson
      # Skill that was not flown for so long fades, days. Chosen.
      LAPSES_DAYS = 21
      MOST = 3
      # So many of a counted block fit into a lesson.
      MOST_AT_ONCE = 5

      # @!attribute manoeuvre [String], reason [String], attempts [Integer] how many
      # @!attribute settings [Hash{String => Numeric}] that they count with where something is counted
      Advice = Value.define(:manoeuvre, :reason, :attempts, :settings, defaults: { settings: {}.freeze })

      # @param declared [Array<Catalogue::Declaration>] in teaching order, those that this student's aircraft fly
      # @param standings [Hash{String => Standing, Stands}] by manoeuvre
      # @param signed [Array<String>] manoeuvres that are signed off
      # @param today [Date]
      # @param blocks [Array<BlockCount>] how far the counted blocks are
      def initialize(declared, standings, signed:, today:, blocks: [])
        @declared = declared
        @standings = standings.reject { |_, standing| standing.level.nil? }
        @signed = signed
        @today = today
        @blocks = blocks
      end

      # @return [Array<Advice>] the most pressing first, no manoeuvre twice
      def advice
        [*weakest, *unfinished, *lapsing, *following].uniq(&:manoeuvre).first(MOST).map do |one|
          one.with(settings: asked(one.manoeuvre))
        end
      end

      private

      def title(id) = @declared.find { |one| one.id == id }.title

      # What the counted blocks want of it next: flown without, it would stand on no rung.
      def asked(id)
        @blocks.filter_map(&:next_rung).select { |rung| rung.manoeuvres.include?(id) }.map(&:ask).reduce({}, :merge)
      end

      def open = @standings.slice(*@declared.map(&:id)).except(*@signed)

      # Below standard, the lowest level first.
      def weakest
        open.select { |_, standing| standing.level < 3 }.sort_by { |_, standing| standing.level }.map do |id, standing|
          phase = standing.weakest_phase&.tr('_', ' ')
          stuck = standing.stuck? ? ' and not getting better' : ''
          weak = Text.of(', %{phase} is the weakest phase', phase: phase) if phase
          Advice.new(manoeuvre: id, attempts: 3,
                     reason: Text.of('%{title}: not to standard yet%{stuck}%{weak}.',
                                     title: title(id), stuck: stuck, weak: weak))
        end
      end

      # Begun, and something is missing yet.
      def unfinished
        @blocks.select(&:begun?).filter_map do |one|
          rung = one.next_rung or next
          id = rung.manoeuvres.find { |name| @standings.key?(name) } || rung.manoeuvres.first
          next unless @declared.any? { |declared| declared.id == id }

          done = one.done[one.block.rungs.index(rung)]
          Advice.new(manoeuvre: id, attempts: [rung.wanted - done, MOST_AT_ONCE].min,
                     reason: Text.of('%{block}: %{done} of %{wanted} %{words}.',
                                     block: one.block.title, done: done, wanted: rung.wanted, words: rung.words))
        end
      end

      # To standard, and not flown for long.
      def lapsing
        @standings
          .slice(*@declared.map(&:id))
          .select { |_, standing| (@today - standing.last_flown).to_i >= LAPSES_DAYS }
          .sort_by { |_, standing| standing.last_flown }
          .map do |id, standing|
            Advice.new(manoeuvre: id, attempts: 2,
                       reason: Text.of('%{title}: not flown for %{today} days.',
                                       title: title(id), today: (@today - standing.last_flown).to_i))
          end
      end

      # The first that was not flown after the furthest that was, taught within the test; else the first of all. What is
      # only talked through leaves no attempt, and would come next for ever.
      def following
        furthest = @declared.rindex { |declared| @standings.key?(declared.id) } || -1
        unflown = ->(some) { some.find { |one| one.recorded? && !@standings.key?(one.id) && !one.outside_test } }
        one = unflown.call(@declared.drop(furthest + 1)) || unflown.call(@declared) or return []
        [Advice.new(manoeuvre: one.id, attempts: 3, reason: Text.of('%{one}: next in teaching order.', one: one.title))]
      end
    end
  end
end
