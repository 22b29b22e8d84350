# frozen_string_literal: true

module Fujin
  # How far the counted blocks are that a lesson's exercises are part of, a sentence each.
  class CountedLines
    # @param sortie [Sortie]
    def initialize(sortie)
      @sortie = sortie
    end

    # @return [Array<String>]
    def of(exercise)
      blocks.select { |one| one.block.manoeuvres.include?(exercise.manoeuvre) }
        .flat_map { |one| one.lines.map { |line| Text.of('%{what}: %{told}', what: one.block.title, told: line) } }
    end

    private

    # The student's record is read only where the lesson has something that counts.
    def blocks
      @blocks ||= begin
        counting = School.current.counted_blocks.any? { |block| block.manoeuvres.intersect?(@sortie.manoeuvres) }
        counting ? KeptProgress.standing(@sortie.student).counts : []
      end
    end
  end
end
