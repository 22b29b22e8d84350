# frozen_string_literal: true

module Fujin
  # Sites: drawn and surveyed, computed for a day, and surveyed again by students before they have seen the school's.
  class SitesArea < Area
    CHECKS_SHOWN = 6

    get_route('/api/sites') { json(SiteRow.in_order.includes(:surveys).map { |row| site_line(row) }) }

    post_route '/api/sites' do
      Sites::SiteFile.read(document)
      named_once('site', own_fields[:name]) do
        SiteRow.create!(id: body_json['id'], **own_fields) unless SiteRow.exists?(id: body_json['id'])
      end
      json(site_json(SiteRow.find(body_json['id'])), status: 201)
    end

    get_route '/api/sites/:id' do
      row = SiteRow.find(params['id'])
      versioned(row)
      json(site_json(row))
    end

    put_route '/api/sites/:id' do
      row = SiteRow.find(params['id'])
      match_version!(row)
      Sites::SiteFile.read(document)
      named_once('site', own_fields[:name]) { row.update!(own_fields) }
      versioned(row)
      json(site_json(row))
    end

    delete_route '/api/sites/:id' do
      SiteRow.find(params['id']).destroy!
      json(SiteRow.in_order.includes(:surveys).map { |row| site_line(row) })
    end

    get_route '/api/sites/:id/geojson' do
      row = SiteRow.find(params['id'])
      content_type 'application/geo+json'
      headers 'Content-Disposition' => %(attachment; filename="#{row.name.downcase.gsub(/[^a-z0-9]+/, '-')}.geojson")
      JSON.pretty_generate(row.document_for(current_person))
    end

    # A changed drawing may be tried before it is kept.
    post_route '/api/sites/:id/report' do
      row = SiteRow.find(params['id'])
      if row.blind?(current_person)
        raise NotAllowed,
              'Your own survey comes first: hand it in, then the school\'s is shown.'
      end

      question = SiteQuestion.new(body_json['document'] || row.document, body_json, house, checks: row.checks)
      report = question.report
      json(Serialisers.site(report).merge('picture' => SitePicture.of(report),
                                          'check' => question.used_check&.then { |one| Serialisers.site_check(one) }))
    end

    # What was found at sites near by and may hold here too.
    get_route('/api/sites/:id/neighbours') { json(SiteNeighbours.new(SiteRow.find(params['id'])).suggestions) }

    # A power check flown there, kept with what was predicted for it; the day's answers rest on it from now on.
    post_route '/api/sites/:id/power-checks' do
      row = SiteRow.find(params['id'])
      question = SiteQuestion.new(row.document, body_json['question'], house)
      check = question.flown_check or raise InvalidInput, [{ path: 'power_check', message: 'what did the gauge show?' }]
      question.day
      row.checks.create!(id: body_json['id'], by: current_person, checked_at: body_json['at'], **check)
      json(site_json(row), status: 201)
    rescue ActiveRecord::RecordNotUnique
      json(site_json(row), status: 201)
    end

    post_route '/api/sites/:id/proposals' do
      row = SiteRow.find(params['id'])
      day = SiteQuestion.new(body_json['document'] || row.document, body_json, house, checks: row.checks).day
      spot = day.site.spot(body_json['spot']) or raise NotFound, Text.of('There is no spot %{body_json} here.',
                                                                         body_json: body_json['spot'].inspect)
      json(Serialisers.site_proposals(Manoeuvres::Confined::Proposals.new(day, spot)))
    end

    get_route('/api/terrain') { json(terrain_lines) }

    # An ASCII grid, as it is.
    post_route '/api/terrain' do
      text = request.body.read(TerrainGrid::MOST_BYTES + 1).to_s
      if text.bytesize > TerrainGrid::MOST_BYTES
        raise InvalidInput, [{ path: '(file)', message: Text.of('is larger than %{most_bytes} MB',
                                                                most_bytes: TerrainGrid::MOST_BYTES / 1_048_576) }]
      end

      named_once('grid', params['name']) do
        TerrainGrid.create!(name: params['name'], text: text, added_by: current_person)
      end
      json(terrain_lines, status: 201)
    end

    delete_route '/api/terrain/:id' do
      TerrainGrid.find(params['id']).destroy!
      json(terrain_lines)
    end

    post_route '/api/sites/:id/surveys' do
      row = SiteRow.find(params['id'])
      student = Person.students.find(body_json['student_id'])
      row.surveys.create_or_find_by!(student: student) { |survey| survey.asked_by = current_person }
      json(site_json(row.reload), status: 201)
    end

    get_route '/api/site-surveys/:id' do
      survey = own_survey
      versioned(survey)
      json(survey_json(survey))
    end

    put_route '/api/site-surveys/:id' do
      survey = own_survey
      raise Conflict, 'It is handed in: what was found stays as it was.' if survey.handed_in_at

      match_version!(survey)
      survey.features = found_features
      Sites::SiteFile.read(survey.document)
      survey.handed_in_at = Time.now.utc if body_json['hand_in']
      survey.save!
      versioned(survey)
      json(survey_json(survey))
    end

    post_route '/api/site-surveys/:id/grade' do
      survey = SiteSurvey.find(params['id'])
      raise Conflict, 'It is not handed in yet.' unless survey.handed_in_at

      survey.update!(level: body_json['level'], note: body_json['note'], graded_by: current_person)
      json(survey_json(survey))
    end

    helpers do
      def house = Planning::HouseMethod.new(School.current.house)
      def document = body_json.fetch('document')

      # Without the heights themselves: there may be millions.
      def terrain_lines
        TerrainGrid.in_order.includes(:added_by).select(TerrainGrid.column_names - ['packed'])
          .map { |row| Serialisers.terrain_line(row) }
      end

      def site_name
        document['features'].find { |one| one.dig('properties', 'kind') == 'site' }.dig('properties', 'name')
      end

      def own_fields = { name: site_name.presence || 'Unnamed site', document: document, changed_by: current_person }

      def own_survey
        survey = SiteSurvey.find(params['id'])
        own!(survey.student_id)
        survey
      end

      # Only what a survey is: what was found, and the answers.
      def found_features
        body_json['features'].select { |one| SiteSurvey::KINDS.include?(one.dig('properties', 'kind')) }
      end

      def site_line(row)
        Serialisers.site_line(row, blind: row.blind?(current_person), survey: survey_of(row))
      end

      def survey_of(row) = row.surveys.find { |one| one.student_id == current_person.id }

      def site_json(row)
        surveys = if current_person.instructor?
                    row.surveys
                  else
                    row.surveys.select do |one|
                      one.student_id == current_person.id
                    end
                  end
        site_line(row).merge('document' => row.document_for(current_person), 'version' => row.lock_version,
                             'may_edit' => current_person.instructor?,
                             'checks' => row.checks.includes(:by).newest_first.first(CHECKS_SHOWN)
                               .map { |one| Serialisers.site_check(one) },
                             'surveys' => surveys.map { |one| Serialisers.survey_line(one) })
      end

      def survey_json(survey)
        shown = current_person.instructor? || survey.handed_in_at
        compared = shown && survey.handed_in_at
        Serialisers.site_survey(survey, comparison: (survey.comparison if compared),
                                        flown: compared ? SurveyFlown.of(survey) : [])
      end
    end
  end
end
