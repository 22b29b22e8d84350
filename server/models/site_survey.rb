# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A student's own survey of a site, made before the school's is seen; then graded like a phase.
  class SiteSurvey < Record
    # What a survey may hold besides the ground itself.
    KINDS = %w[obstacle survey_point].freeze

    belongs_to :site, class_name: 'Fujin::SiteRow', inverse_of: :surveys
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :asked_by, class_name: 'Fujin::Person'
    belongs_to :graded_by, class_name: 'Fujin::Person', optional: true

    # The ground with what the student found.
    # @raise [InvalidInput]
    def document
      ground = site.document['features'].select { |one| SiteRow::BLIND.include?(one['properties']['kind']) }
      { 'type' => 'FeatureCollection', 'features' => ground + features }
    end

    # @return [Sites::SurveyComparison]
    def comparison = Sites::SurveyComparison.new(site.site, Sites::SiteFile.read(document))
  end
end
