# frozen_string_literal: true

module Fujin
  module Grading
    # From signals to proposals.
    class Grader
      # The five steps.
      GRADE_WORDS = ['taken over', 'assisted or far out', 'prompted or marginal', 'to standard', 'polished'].freeze
      HELP_CEILING = { 'alone' => 4, 'prompted' => 2, 'assisted' => 1, 'taken_over' => 0 }.freeze
      RANK = { 'polished' => 4, 'in' => 3, 'marginal' => 2, 'out' => 1 }.freeze

      # @param ranges [Boolean] whether what the recording leaves open in each measure is asked too, which takes longer
      def initialize(signals, context, ranges: true)
        @signals = signals
        @context = context
        @ranges = ranges
      end

      # @return [Array<Proposal>] every attempt of every recorded manoeuvre, in order of time
      def proposals = attempts.map { |attempt| propose(@context.catalogue.find(attempt.manoeuvre), attempt) }

      # @return [Array<Attempt>]
      def attempts
        @context
          .catalogue
          .finders
          .reduce([]) { |taken, finder| taken + finder.new(@signals, @context, taken).find }
          .sort_by(&:start_s)
      end

      # Measures and grades one attempt whose boundaries are known.
      def propose(manoeuvre, attempt)
        taker = manoeuvre.measurer.new(@signals, attempt, @context, manoeuvre)
        measures = judged(taker, manoeuvre, attempt)
        measures = with_unplanned_contact(with_missed_gate(measures, attempt), attempt)
        faults = manoeuvre.fault_finder.new(taker, measures).faults
        grades =
          attempt.phase_ids.map { |phase| self.class.grade(phase, measures.values.select { |m| m.phase == phase }) }
        Proposal.new(
          attempt: attempt,
          measures: measures.freeze,
          faults: faults.freeze,
          grades: grades.freeze,
          gate_s: taker.gate_s,
          standard_version: @context.standard_of(manoeuvre).version,
          course_deg: taker.course_deg,
          starts_s: BoundaryErrors.new(attempt, @signals).starts_s.freeze
        )
      end

      # All polished 4, all in 3, any marginal 2, any out or critical 1; what was not recorded abstains.
      # @param help ['alone', 'prompted', 'assisted', 'taken_over'] from taps: it can only lower the grade
      # @return [PhaseGrade]
      def self.grade(phase, measures, help: 'alone')
        judged = measures.select(&:judged?)
        driver = judged.min_by { |m| m.critical ? 0 : RANK.fetch(m.verdict) }
        standard = driver && (driver.critical ? 1 : RANK.fetch(driver.verdict))
        grade = [standard, (HELP_CEILING.fetch(help) if help != 'alone')].compact.min
        held_down = grade.nil? || grade < (standard || 9)
        driver_id = held_down ? (help unless help == 'alone') : driver&.id
        PhaseGrade.new(phase: phase, grade: grade, driver: driver_id, critical: judged.any?(&:critical))
      end

      private

      def judged(taker, manoeuvre, attempt)
        taken = taker.measures
        ranges = @ranges ? Spread.new(@signals, attempt, @context, manoeuvre, taker.targets).ranges(taken) : {}
        barometer = @signals.estimated?(:agl)
        Judging.new(@context, manoeuvre, taker.targets, barometer: barometer).judged(taken, ranges)
      end

      # A gate missed and flown through is critical; one that led to a go-around is not.
      def with_missed_gate(measures, attempt)
        return measures if attempt.result == :go_around

        measures.transform_values { |m| m.gate? && m.verdict == 'out' ? m.with(critical: true) : m }
      end

      # A recovery under power that touches the ground is critical, whatever its lowest sample shows.
      def with_unplanned_contact(measures, attempt)
        lowest = measures['recovery_min_height_ft']
        return measures unless lowest && attempt.touched_in_recovery?(@signals)

        measures.merge(lowest.id => lowest.with(verdict: 'out', critical: true))
      end
    end
  end
end
