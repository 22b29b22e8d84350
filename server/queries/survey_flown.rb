# frozen_string_literal: true

module Fujin
  # What the student's own attempts at a site showed of the points that they had surveyed there.
  module SurveyFlown
    # The last so many attempts.
    MOST = 5

    module_function

    # @param survey [SiteSurvey]
    # @return [Array<Hash>] the API's SurveyFlown, the last flown first
    def of(survey)
      attempts(survey).flat_map do |attempt|
        Manoeuvres::Confined::SurveyEvidence.of(attempt.proposal['measures'] || {}).flat_map do |point, found|
          found.map { |id, measure| row(attempt, point, id, measure) }
        end
      end
    end

    def attempts(survey)
      AttemptRow.joins(:sortie).joins(:exercise).includes(:sortie)
        .where(exercises: { site_id: survey.site_id }, sorties: { student_id: survey.student_id })
        .order('sorties.starts_at DESC', position: :desc).first(MOST)
    end
    private_class_method :attempts

    def row(attempt, point, id, measure)
      { 'point' => point, 'measure' => id, 'label' => measure['label'], 'sortie_id' => attempt.sortie_id,
        'position' => attempt.position, 'flown_on' => attempt.sortie.day.iso8601,
        **measure.slice('value', 'low', 'high', 'unit', 'verdict') }
    end
    private_class_method :row
  end
end
