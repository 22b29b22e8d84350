# frozen_string_literal: true

require_relative '../server_helper'

# Whose lesson it is: others read it and may give a second opinion; who was added, and the chief instructor, change it.
class OfTheLessonTest < Minitest::Test
  include ServerHelp

  CONTRACT = YAML.load_file(Fujin::Settings::CONTRACT).freeze
  ROUTES = Fujin::Permissions::TABLE.select { |_, who| who == Fujin::Permissions::OF_THE_LESSON }.keys.freeze

  def setup
    super
    @colleague = person('colleague', 'instructor')
    @attempt, = imported(@sortie)
  end

  def address(path)
    id = { 'sorties' => @sortie.id, 'attempts' => @attempt.id, 'recordings' => @attempt.recording_id,
           'exercises' => @sortie.exercises.first.id }.fetch(path.split('/')[2])
    path.sub(':id', id).sub(':person', @colleague.id)
  end

  # Something that fits the contract, as far as it goes: who may not is told so before it is looked at.
  def statuses(routes)
    routes.to_h do |route|
      verb, path = route.split
      next [route, upload(@sortie, 'x').status] if path.end_with?('/recordings')

      made = sample(CONTRACT['paths'].fetch(path.gsub(/:(\w+)/, '{\1}'))[verb.downcase])
      call(verb, address(path), made, 'HTTP_IF_MATCH' => '"99"')
      [route, status]
    end
  end

  def sample(told)
    schema = told.dig('requestBody', 'content', 'application/json', 'schema') or return {}
    fill(schema)
  end

  def fill(schema)
    schema = CONTRACT.dig(*schema['$ref'].delete_prefix('#/').split('/')) if schema['$ref']
    return schema['enum'].compact.first if schema['enum']

    case schema['type']
    when 'object' then schema.fetch('properties', {}).slice(*schema['required']).transform_values { |one| fill(one) }
    when 'array' then Array.new(schema.fetch('minItems', 0)) { fill(schema['items']) }
    when 'integer', 'number' then schema.fetch('minimum', 1)
    when 'boolean' then false
    else { 'uuid' => SecureRandom.uuid, 'date-time' => '2026-11-25T10:00:00Z', 'date' => '2026-11-25' }
      .fetch(schema['format'], 'straight_in_autorotation')
    end
  end

  def test_a_colleague_changes_no_lesson_of_another
    as(@colleague)
    found = statuses(ROUTES)

    assert_operator ROUTES.size, :>, 20
    assert_equal [403], found.values.uniq, found.reject { |_, status| status == 403 }.to_s
    get "/api/sorties/#{@sortie.id}"

    assert_equal [200, false], [status, answer['may_edit']]
  end

  def test_whoever_is_added_does
    as(@instructor)
    post_json "/api/sorties/#{@sortie.id}/colleagues", { person_id: @colleague.id }

    assert_equal([@colleague.id], answer['colleagues'].map { |one| one['id'] })
    as(@colleague)
    patch_json "/api/sorties/#{@sortie.id}", { fuel_kg: 41 }, 'HTTP_IF_MATCH' => %("#{@sortie.reload.lock_version}")

    assert_equal [200, true], [status, answer['may_edit']]
    as(@instructor)
    call('DELETE', "/api/sorties/#{@sortie.id}/colleagues/#{@colleague.id}", {})

    assert_empty answer['colleagues']
    as(@colleague)

    assert_equal [403], statuses(ROUTES).values.uniq
    assert_equal ['colleague added', 'colleague taken off'],
                 Fujin::AuditEntry.where(subject_id: @sortie.id).order(:id).pluck(:what).grep(/colleague/)
  end

  # Their grade is a second opinion, not the last word.
  def test_a_colleague_s_grade_is_a_second_opinion
    grade = ->(kind) { grade_all(@attempt, @colleague, kind, grade: 0, reason: 'I would not') && status }

    assert_equal 403, grade.call('instructor')
    assert_match(/second opinion/, answer['detail'])
    assert_equal 200, grade.call('second')
    assert_empty @attempt.reload.given('instructor')
    grade_all(@attempt, @chief, 'instructor', grade: 3, reason: 'seen')

    assert_equal 200, status, 'the chief instructor has the last word everywhere'
  end

  def test_only_one_s_own_taps_are_taken_back
    as(@instructor)
    tap = { id: SecureRandom.uuid, kind: 'help', at: '2026-11-25T10:05:00Z', attempt_no: 1,
            payload: { value: 'prompted' } }
    post_json "/api/sorties/#{@sortie.id}/events", { events: [tap] }

    assert_equal 200, status
    undo = { id: SecureRandom.uuid, kind: 'undo', at: '2026-11-25T10:06:00Z', payload: { target: tap[:id] } }
    as(@chief)
    post_json "/api/sorties/#{@sortie.id}/events", { events: [undo] }

    assert_equal [403, true], [status, answer['detail'].include?("a colleague's")]
    as(@instructor)
    post_json "/api/sorties/#{@sortie.id}/events", { events: [undo] }

    assert_equal 200, status
  end

  # Acknowledged and dropped it would be lost without a word.
  def test_taps_that_cannot_be_stored_are_refused_with_why
    other = sortie(student: @other)
    as(@instructor)
    tap = { id: SecureRandom.uuid, kind: 'attempt', at: '2026-11-25T10:05:00Z', attempt_no: 1 }
    post_json "/api/sorties/#{@sortie.id}/events", { events: [tap] }
    post_json "/api/sorties/#{other.id}/events", { events: [tap] }

    assert_equal [409, true], [status, answer['detail'].include?('another lesson')]
    %w[1900-01-01T00:00:00Z 2999-12-31T00:00:00Z].each do |at|
      post_json "/api/sorties/#{@sortie.id}/events", { events: [tap.merge(id: SecureRandom.uuid, at: at)] }

      assert_equal [422, 'events.0.at'], [status, answer.dig('errors', 0, 'path')]
    end
  end

  # What an attempt was, and whether it counts, keeps its history.
  def test_changes_of_an_attempt_are_in_the_audit_log
    as(@instructor)
    put_json "/api/attempts/#{@attempt.id}/void", { counts: false, reason: 'traffic' }
    put_json "/api/attempts/#{@attempt.id}/manner", { manner: 'demonstration', task: 'whole' }
    entries = Fujin::AuditEntry.where(subject_kind: 'attempt_row').order(:id)

    assert_equal [['attempt does not count', 'traffic', @instructor.id]],
                 entries.where(what: 'attempt does not count').pluck(:what, :why, :by_id)
    assert_equal 'demonstration', entries.last.became['manner']
  end
end
