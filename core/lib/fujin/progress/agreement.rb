# frozen_string_literal: true

module Fujin
  module Progress
    # How alike instructors grade the same recordings, phase by phase, and who grades higher where. It compares people
    # only on what they both graded; it says nothing of who is right.
    class Agreement
      # One instructor's last word on one phase of one attempt.
      Given = Value.define(:attempt, :phase, :by, :grade)
      # Pairs of grades of the same phase: how many, and the share that are the same and within one step, percent.
      PhaseAgreement = Value.define(:phase, :pairs, :same_pct, :within_one_pct)
      # How much higher (+) or lower somebody grades a phase than the others did on the same recordings, in steps.
      Difference = Value.define(:by, :phase, :steps, :attempts) do
        # Fewer say nothing yet.
        self::FEWEST = 3

        def telling? = attempts >= self.class::FEWEST
      end

      # @param given [Array<Given>]
      def initialize(given)
        @shared = given.group_by { |g| [g.attempt, g.phase] }.values.select { |all| all.map(&:by).uniq.size > 1 }
      end

      # Recordings' attempts that more than one instructor graded.
      def attempts = @shared.flatten.map(&:attempt).uniq.size

      # @return [Array<PhaseAgreement>] in the order in which phases appear
      def phases
        @shared
          .group_by { |all| all.first.phase }
          .map do |phase, shared|
            apart =
              shared.flat_map do |all|
                all.combination(2).reject { |a, b| a.by == b.by }.map { |a, b| (a.grade - b.grade).abs }
              end
            PhaseAgreement.new(
              phase: phase,
              pairs: apart.size,
              same_pct: share(apart, 0),
              within_one_pct: share(apart, 1)
            )
          end
      end

      # @return [Array<Difference>] by name, then phase
      def differences
        @shared
          .flat_map { |all| all.map { |mine| [mine, mean(all.reject { |g| g.by == mine.by }.map(&:grade))] } }
          .group_by { |mine, _| [mine.by, mine.phase] }
          .map do |(by, phase), pairs|
            Difference.new(
              by: by,
              phase: phase,
              steps: mean(pairs.map { |mine, others| mine.grade - others }),
              attempts: pairs.size
            )
          end
          .sort_by { |d| [d.by, d.phase] }
      end

      private

      def share(apart, most) = 100.0 * apart.count { |steps| steps <= most } / apart.size
      def mean(values) = values.sum.fdiv(values.size)
    end
  end
end
