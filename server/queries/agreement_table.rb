# frozen_string_literal: true

module Fujin
  # Agreement of the school's instructors on recordings that more than one of them graded.
  class AgreementTable
    def to_h
      agreement = Progress::Agreement.new(given)
      {
        'attempts' => agreement.attempts,
        'phases' =>
          agreement.phases.map do |p|
            {
              'phase' => p.phase,
              'pairs' => p.pairs,
              'same_pct' => p.same_pct.round,
              'within_one_pct' => p.within_one_pct.round
            }
          end,
        'differences' =>
          agreement.differences.map do |d|
            {
              'name' => d.by,
              'phase' => d.phase,
              'steps' => d.steps.round(2),
              'attempts' => d.attempts,
              'telling' => d.telling?
            }
          end
      }
    end

    private

    # Everybody's last word, of attempts that somebody gave a second opinion on.
    def given
      rows =
        GradeRow
          .where(kind: %w[instructor second], attempt_id: GradeRow.where(kind: 'second').select(:attempt_id))
          .order(:position)
          .includes(:by)
      rows
        .group_by { |g| [g.attempt_id, g.phase, g.by_id] }
        .values
        .map do |all|
          Progress::Agreement::Given.new(
            attempt: all.last.attempt_id,
            phase: all.last.phase,
            by: all.last.by.name,
            grade: all.last.grade
          )
        end
    end
  end
end
