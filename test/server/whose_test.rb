# frozen_string_literal: true

require_relative '../server_helper'

# Whose records a student may read: their own. Every read of the contract that a student may ask, asked with what
# belongs to somebody else.
class WhoseTest < Minitest::Test
  include ServerHelp

  # What everybody of the school may read.
  OPEN = %w[/api/sites/{id} /api/sites/{id}/geojson /api/types/{id} /api/types/{id}/curves
            /api/aircraft/{id}/power-card].freeze

  # An id of everything that is the other student's, by the first word of its address.
  def ids
    @ids ||= begin
      lesson = sortie(student: @other)
      attempt, = imported(lesson)
      {
        'students' => @other.id, 'people' => @other.id, 'sorties' => lesson.id,
        'exercises' => lesson.exercises.first.id,
        'recordings' => attempt.recording_id, 'attempts' => attempt.id, 'solo-authorities' => authority.id,
        'sign-offs' => signed(attempt).id, 'dispersions' => dispersion(lesson).id, 'site-surveys' => survey.id
      }
    end
  end

  def authority
    Fujin::SoloSigning.new(@other, @chief).give(
      { 'id' => SecureRandom.uuid, 'exercises' => ['hover'], 'places' => ['Heath'], 'aircraft_ids' => [@aircraft.id],
        'wind_kt' => 10, 'gust_kt' => 15, 'crosswind_kt' => 6, 'visibility_m' => 8000, 'cloud_base_ft' => 1500,
        'daylight_only' => true, 'from' => '2026-11-25', 'until' => '2026-12-01', 'despite' => 'shown' }
    )
  end

  def signed(attempt)
    row = Fujin::SignOff.create!(id: SecureRandom.uuid, student: @other, by: @chief, created_at: Time.now.utc,
                                 manoeuvre: 'hover')
    scope = %w[standards stages aircraft_types people_aboard endings].to_h { |name| [name, []] }
    Fujin::Chain.append(
      { 'kind' => 'sign_off', 'id' => row.id, 'student' => 'Other', 'manoeuvre' => 'hover', 'instructor' => 'Chief',
        'signed_at' => '2026-11-25T12:00:00Z', 'remark' => '', 'conditions' => [], 'scope' => scope, 'validity' => [],
        'evidence' => [{ 'attempt_id' => attempt.id, 'on_day' => '2026-11-25', 'level' => 3, 'grades' => {},
                         'aircraft' => 'Q-TEST', 'standard_version' => '1', 'recording_sha256' => 'ab' }] },
      now: Time.now.utc
    ) { row }
  end

  def dispersion(lesson)
    Fujin::DispersionRow.create!(sortie_id: lesson.id, exercise: lesson.exercises.first, question: 'q' * 64,
                                 status: 'waiting')
  end

  def survey
    drawn = JSON.parse(File.read(Dir["#{ROOT}/db/demo/sites/*.geojson"].first))
    site = Fujin::SiteRow.create!(name: 'Orchard', document: drawn, changed_by_id: @chief.id)
    Fujin::SiteSurvey.create!(site: site, student: @other, asked_by_id: @chief.id)
  end

  ROOT = File.expand_path('../..', __dir__)
  CONTRACT = YAML.load_file(File.join(ROOT, 'api', 'openapi.yaml')).freeze

  # Reads of one record that a student may ask at all.
  READS = CONTRACT['paths'].select do |path, verbs|
    verbs.key?('get') && path.include?('{id}') &&
      Fujin::Permissions.allowed?("GET #{path.gsub('{id}', ':id')}", 'student')
  end.keys.freeze - OPEN

  def test_every_read_of_another_s_is_as_if_there_were_nothing
    ids
    as(@student)
    leaks = READS.reject do |path|
      id = ids[path.split('/')[2]]
      next false unless id

      get "#{path.sub('{id}', id)}#{'?manoeuvre=hover' if path.end_with?('side-by-side')}"
      status == 404
    end

    assert_empty leaks
  end

  # The same addresses answer their owner: what is refused above is refused for whose it is.
  def test_their_owner_reads_them
    ids
    as(@other)
    # A stream goes on for as long as it is read.
    refused = READS.reject { |path| path.end_with?('/live') }.select do |path|
      get "#{path.sub('{id}', ids.fetch(path.split('/')[2]))}#{'?manoeuvre=hover' if path.end_with?('side-by-side')}"
      [401, 403].include?(status)
    end

    assert_empty refused
  end
end
