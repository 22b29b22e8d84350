# frozen_string_literal: true

require_relative 'record'

module Fujin
  # One exercise of a lesson: a manoeuvre with its settings, place, method and objective.
  class Exercise < Record
    # What is an exercise's own; everything else of a lesson is the day's.
    FIELDS = %w[
      manoeuvre settings house objective spot_name spot_lat_deg spot_lon_deg elevation_ft course_deg height_ft
      planned_count not_judged first_tries task surprise site_id site_line
    ].freeze

    # What of it its attempts are measured by.
    MEASURED = %w[settings house spot_lat_deg spot_lon_deg elevation_ft course_deg height_ft
                  site_id site_line].freeze

    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :site, class_name: 'Fujin::SiteRow', optional: true
    has_many :attempts, class_name: 'Fujin::AttemptRow', inverse_of: :exercise
    has_many :dispersions, class_name: 'Fujin::DispersionRow', inverse_of: :exercise, dependent: :delete_all

    before_update { self.plan_version += 1 if changed.intersect?(MEASURED) }

    # Its attempts show nothing of readiness.
    def practice? = first_tries || not_judged.any?
    # How an attempt at it comes about, unless somebody says otherwise.
    def manner = surprise ? 'surprise' : 'announced'
    # The student may know of it, in SQL and with its lesson; otherwise it is #secret? yet.
    KNOWN = <<~SQL.squish
      (exercises.surprise IS NULL OR sorties.on_at IS NOT NULL
        OR EXISTS (SELECT 1 FROM attempts WHERE attempts.exercise_id = exercises.id))
    SQL

    # The student is not to know of it yet.
    def secret? = !surprise.nil? && sortie.on_at.nil? && !attempts.exists?
    def declaration = Catalogue.find(manoeuvre)
    def own_settings = settings.slice(*declaration.settings)
    def spot = [spot_lat_deg, spot_lon_deg]
  end
end
