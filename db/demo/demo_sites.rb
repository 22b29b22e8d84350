# frozen_string_literal: true

require 'json'

module Fujin
  # The demo school's sites with the ground about the ridge; two of them a student surveys before having seen what the
  # school found there.
  class DemoSites
    FOLDER = __dir__
    SURVEYED = {
      'Lighthouse lawn' => [{ by: 'oda', found: 'lighthouse-lawn-oda.geojson', level: 3 }, { by: 'basil' }],
      'Walled orchard' => [{ by: 'tove', found: 'walled-orchard-tove.geojson' }]
    }.freeze
    NOTE = 'Well looked at. The bench on the seaward side is not empty on a fine evening: it decides where one may ' \
      'land.'

    # @param people [Hash{String => Person}] by the name they sign in with, @param today [Date]
    def initialize(people, today)
      @people = people
      @today = today
    end

    def create
      files('terrain', 'asc').each do |file|
        TerrainGrid.create!(name: File.basename(file), text: File.read(file), added_by: @people.fetch('ismay'))
      end
      files('sites', 'geojson').each { |file| site(JSON.parse(File.read(file))) }
    end

    private

    def files(folder, kind) = Dir[File.join(FOLDER, folder, "*.#{kind}")]

    def site(document)
      name = document['features'][0]['properties']['name']
      row = SiteRow.create!(name: name, document: document, changed_by: @people.fetch('ismay'))
      SURVEYED.fetch(name, []).each { |fields| survey(row, **fields) }
    end

    def survey(row, by:, found: nil, level: nil)
      features = found ? JSON.parse(File.read(File.join(FOLDER, 'surveys', found)))['features'] : []
      SiteSurvey.create!(
        site: row, student: @people.fetch(by), asked_by: @people.fetch('corwin'), features: features,
        handed_in_at: (@today.to_time(:utc) - (2 * 86_400) if found), level: level, note: (NOTE if level),
        graded_by: (@people.fetch('corwin') if level)
      )
    end
  end
end
