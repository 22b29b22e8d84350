# frozen_string_literal: true

module Fujin
  module Progress
    # How far a student has come in a counted block.
    class BlockCount
      attr_reader :block, :done
      # What was not known of attempts that would have counted: a setting's or measure's name each.
      attr_reader :unplaced

      # @param attempts [Array<GradedAttempt>] of one student, at any manoeuvres
      def self.of(block, attempts)
        counted = block.manoeuvres
        attempts = attempts.select { |attempt| counted.include?(attempt.manoeuvre) }
        unplaced = attempts.filter_map do |attempt|
          next if block.rungs.any? { |rung| rung.takes?(attempt) }

          block.rungs.filter_map { |rung| rung.unknown_in(attempt) }.first
        end
        new(block, done: block.rungs.map { |rung| attempts.count { |attempt| rung.takes?(attempt) } },
                   unplaced: unplaced)
      end

      # @param done [Array<Integer>] how many stand on each rung
      # @param unplaced [Array<String>]
      def initialize(block, done:, unplaced:)
        @block = block
        @done = done.freeze
        @unplaced = unplaced.freeze
        freeze
      end

      def complete? = block.rungs.zip(done).all? { |rung, count| count >= rung.wanted }
      def begun? = done.any?(&:positive?) || unplaced.any?

      # What is missing next: from the hardest rung that was begun on, for nobody is sent back down, unless a sign-off
      # waits for the rest.
      # @return [Rung, nil] nil when nothing is
      def next_rung
        open = block.rungs.each_index.select { |i| done[i] < block.rungs[i].wanted }
        place = open.find { |i| i >= (done.rindex(&:positive?) || 0) }
        place ||= open.first if block.needed_for.any?
        place && block.rungs[place]
      end

      # @return [Array<String>] a rung each: '4 of 10 stop-and-restart take-offs'
      def lines
        block.rungs.zip(done).map do |rung, count|
          Text.of('%{number} of %{wanted} %{words}',
                  number: [count, rung.wanted].min, wanted: rung.wanted,
                  words: rung.words)
        end
      end

      # As a condition of a sign-off or of solo.
      # @return [Condition]
      def condition
        Condition.new(id: "block_#{block.id}", met: complete?,
                      text: Text.of('%{what}: %{told}', what: block.title, told: lines.join(', ')))
      end
    end
  end
end
