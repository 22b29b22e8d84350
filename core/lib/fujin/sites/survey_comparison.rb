# frozen_string_literal: true

module Fujin
  module Sites
    # A student's own survey, made blind, laid beside the school's: what was left out, what was judged otherwise, which
    # heights are off by more than either could know.
    class SurveyComparison
      # Drawn nearer than this besides what both do not know of the place, it is the same thing, m. Chosen.
      NEAR_M = 15.0
      # Kinds that are one thing to the eye.
      ALIKE = [%w[tree trees], %w[pole mast], %w[edge ridge]].freeze
      # Of these nothing may be missed.
      DECISIVE = %w[wire edge].freeze
      # So many others may be, for each level from the best down. Chosen.
      MISSES = { 4 => 0, 3 => 2, 2 => 5 }.freeze
      # `verdict` of a point: 'same', 'left_out', 'otherwise'; of an obstacle 'found', 'missed', 'height', 'extra'.
      Row = Value.define(:id, :what, :verdict, :school, :student)

      # @param school [Site], @param student [Site] the same ground, surveyed by the student
      def initialize(school, student)
        @school = school
        @student = student
      end

      # @return [Array<Row>] one a required point, in the order in which they are looked at
      def points
        theirs = Survey.new(@student.survey, []).answers
        Survey.new(@school.survey, []).answers.map do |(group, about), answer|
          given = theirs[[group, about]]
          Row.new(id: "#{group}.#{about}", what: about, school: answer&.status, student: given&.status,
                  verdict: point_verdict(answer, given))
        end
      end

      # @return [Array<Row>] one an obstacle of either; `school` and `student` are heights in ft
      def obstacles
        @obstacles ||= begin
          left = @student.standing
          rows = @school.standing.map do |one|
            match = left.select { |other| same?(one, other) }.min_by { |other| apart_m(one, other) }
            left -= [match]
            obstacle_row(one, match)
          end
          rows + left.map do |other|
            Row.new(id: other.id, what: other.what, verdict: 'extra', school: nil, student: feet(other))
          end
        end
      end

      def left_out = points.select { |row| row.verdict == 'left_out' }
      def otherwise = points.select { |row| row.verdict == 'otherwise' }
      def missed = obstacles.select { |row| row.verdict == 'missed' }

      # What is proposed to the instructor who grades it, 1 to 4: the lowest when a wire or an edge was missed, or said
      # not to be there while it is.
      # @return [Integer]
      def proposed_level
        return 1 if decisive?

        misses = left_out.size + otherwise.size + missed.size + obstacles.count { |row| row.verdict == 'height' }
        MISSES.find { |_, most| misses <= most }&.first || 1
      end

      private

      def point_verdict(answer, given)
        return 'left_out' unless given

        answer.nil? || answer.status == given.status ? 'same' : 'otherwise'
      end

      def decisive?
        missed.any? { |row| DECISIVE.include?(row.what) } ||
          otherwise.any? { |row| Survey::BLOCKING.include?(row.what) && row.student == 'not_there' }
      end

      def same?(one, other)
        alike = one.what == other.what || ALIKE.any? { |pair| (pair & [one.what, other.what]).size == 2 }
        alike && apart_m(one, other) <= NEAR_M + one.place_m + other.place_m
      end

      def apart_m(one, other)
        from = other.line || other.rings[0]
        from.map { |point| one.distance_m(point) }.min
      end

      def obstacle_row(one, match)
        Row.new(id: one.id, what: one.what, school: feet(one), student: match && feet(match),
                verdict: match ? height_verdict(one, match) : 'missed')
      end

      def height_verdict(one, match)
        return 'found' if one.top.nil? || match.top.nil?

        apart = match.top.low > one.top.high || match.top.high < one.top.low
        apart ? 'height' : 'found'
      end

      def feet(one) = one.top && (one.top.value / Quantities::FT)
    end
  end
end
