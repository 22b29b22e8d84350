# frozen_string_literal: true

module Fujin
  module Progress
    # Whether attempts within one flight get worse: then a break does more than another try.
    class FlightTrend
      # So many in a row tell it. Chosen: two may be chance, four are a tired student.
      LAST = 3
      TO_STANDARD = 3

      # @param levels [Array<Integer, nil>] of the attempts at one exercise in order, 0 to 4; nil is not graded
      def initialize(levels)
        @last = levels.compact.last(LAST)
      end

      # The last three never better than the one before, worse in the end, and under standard.
      def falling?
        @last.size == LAST && @last.each_cons(2).all? { |before, after| after <= before } &&
          @last.last < @last.first && @last.last < TO_STANDARD
      end

      # @return [String] the three in words
      def words = @last.map { |level| Grading::Grader::GRADE_WORDS[level] }.join(', then ')
    end
  end
end
