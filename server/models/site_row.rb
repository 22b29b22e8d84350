# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A surveyed place: the GeoJSON it was drawn in, which the core reads.
  class SiteRow < Record
    self.table_name = 'sites'
    # What a student is shown of a place before the own survey is handed in: the ground, not what was found there.
    BLIND = %w[site spot].freeze

    belongs_to :changed_by, class_name: 'Fujin::Person', optional: true
    has_many :surveys, class_name: 'Fujin::SiteSurvey', foreign_key: 'site_id', inverse_of: :site, dependent: :destroy
    has_many :checks, class_name: 'Fujin::SiteCheck', foreign_key: 'site_id', inverse_of: :site, dependent: :delete_all
    scope :in_order, -> { order(Arel.sql('lower(name)')) }

    # @return [Sites::Site]
    # @raise [InvalidInput]
    def site = Sites::SiteFile.read(document)

    # The place with the lie of the land about it, where the school has heights of the ground.
    # @raise [InvalidInput]
    def surveyed = self.class.surveyed(document)

    def self.surveyed(document)
      Sites::SiteFile.read(document) { |map| TerrainGrid.about(map.lat_deg, map.lon_deg) }
    end

    # The place as a person may see it now.
    def document_for(person)
      blind?(person) ? document.merge('features' => shown) : document
    end

    # Has this person still to make a survey without having seen the school's?
    def blind?(person) = surveys.any? { |one| one.student_id == person.id && one.handed_in_at.nil? }

    private

    def shown = document['features'].select { |one| BLIND.include?(one['properties']['kind']) }
  end
end
