# frozen_string_literal: true

require_relative '../server_helper'

# Who belongs to the school, and how they come in and go.
class PeopleTest < Minitest::Test
  include ServerHelp

  GOOD = 'heather over slate'

  def add(**fields)
    post_json '/api/people', { id: SecureRandom.uuid, name: 'Wenna Marsh', sign_in: 'wenna', role: 'student',
                               mass_kg: 64 }.merge(fields)
    answer
  end

  def invite(id)
    post_json "/api/people/#{id}/invitation"
    answer['link'][%r{/join/(.+)\z}, 1]
  end

  def test_somebody_is_added_invited_and_comes_in_once
    as(@chief)
    person = add

    assert_equal %w[invited early], person.values_at('state', 'stage')
    word = invite(person['id'])
    clear_cookies
    @token = nil
    get "/api/invitations/#{word}"

    assert_equal 'wenna', answer['sign_in']
    post_json "/api/invitations/#{word}", { password: 'short' }

    assert_equal 422, status
    post_json "/api/invitations/#{word}", { password: GOOD }

    assert_equal [200, 'Wenna Marsh'], [status, answer['person']['name']]
    get "/api/invitations/#{word}"

    assert_equal 404, status, 'the link works once'
  end

  def test_a_second_invitation_ends_the_first_and_a_week_ends_both
    as(@chief)
    id = add['id']
    first = invite(id)
    second = invite(id)
    get "/api/invitations/#{first}"

    assert_equal 404, status
    Fujin::Invitation.update_all(expires_at: 1.second.ago)
    get "/api/invitations/#{second}"

    assert_equal 404, status
  end

  def test_only_the_chief_changes_people_and_says_why_where_it_is_grave
    as(@instructor)
    add

    assert_equal 403, status
    as(@chief)
    get "/api/people/#{@student.id}"
    version = last_response['etag']
    patch_json "/api/people/#{@student.id}", { stage: 'test' }, { 'HTTP_IF_MATCH' => version }

    assert_equal 422, status, 'a stage is changed with why'
    patch_json "/api/people/#{@student.id}", { stage: 'test', why: 'passed the progress check' },
               { 'HTTP_IF_MATCH' => version }

    assert_equal ['test', 'passed the progress check'], [answer['stage'], answer['history'][0]['why']]
    assert_equal [{ 'stage' => 'solo' }, { 'stage' => 'test' }], answer['history'][0].values_at('was', 'became')
    patch_json "/api/people/#{@student.id}", { name: 'Other' }, { 'HTTP_IF_MATCH' => version }

    assert_equal 409, status
  end

  def test_who_leaves_is_out_at_once_and_the_record_stays
    as(@instructor)
    cookie = rack_mock_session.cookie_jar['fujin.session']
    as(@chief)
    put_json "/api/people/#{@instructor.id}/state", { state: 'suspended', why: 'medical under review' }

    assert_equal 'suspended', answer['state']
    rack_mock_session.cookie_jar['fujin.session'] = cookie
    get '/api/today'

    assert_equal 401, status
    clear_cookies
    post_json '/api/session', { sign_in: 'instructor', password: PASSWORD }

    assert_equal 401, status
    assert_includes answer['detail'], 'has ended this access'
    as(@chief)
    put_json "/api/people/#{@student.id}/state", { state: 'left', why: 'moved away' }
    get "/api/students/#{@student.id}"

    assert_equal 200, status
    get '/api/students'

    refute_includes(answer['items'].map { |row| row['id'] }, @student.id)
  end

  def test_a_school_keeps_a_chief
    as(@chief)
    other = person('second', 'chief_instructor')
    put_json "/api/people/#{@chief.id}/state", { state: 'left', why: 'tired of it' }

    assert_equal 409, status, 'nobody ends their own access'
    other.update!(suspended_at: Time.now.utc)
    get "/api/people/#{@chief.id}"
    patch_json "/api/people/#{@chief.id}", { role: 'instructor', why: 'part time now' },
               { 'HTTP_IF_MATCH' => last_response['etag'] }

    assert_equal 409, status
    assert_includes answer['detail'], 'only chief instructor'
  end

  def test_documents_are_due_overdue_and_withdrawn
    as(@chief)
    today = Time.now.utc.to_date
    { 'good' => today + 46, 'due' => today + 45, 'over' => today - 1 }.each do |state, last|
      post_json "/api/people/#{@student.id}/documents", { id: SecureRandom.uuid, kind: 'medical', valid_until: last }

      assert_equal state, answer['documents'].find { |one| one['valid_until'] == last.iso8601 }['state']
    end
    post_json "/api/people/#{@student.id}/documents", { id: SecureRandom.uuid, kind: 'type_rating' }

    assert_equal 422, status, 'of which type?'
    id = answer_of("/api/people/#{@student.id}")['documents'][0]['id']
    custom_request('DELETE', "/api/documents/#{id}", {}, { 'HTTP_X_CSRF_TOKEN' => @token })

    assert_equal 2, answer['documents'].size
    assert_equal(1, answer_of("/api/people/#{@student.id}")['history'].count do |one|
      one['what'] == 'document withdrawn'
    end)
  end

  def answer_of(path)
    get path
    answer
  end

  def test_people_by_list_ten_mistakes_named_and_nothing_stored
    as(@chief)
    lines = (1..90).map { |i| "p#{i},Person #{i},student,solo,70,p#{i}@example.invalid" }
    wrong = ['Ab!,Bad Name,student,solo,70,', 'p1,Twice,student,solo,70,', 'q1,No Role,pilot,solo,70,',
             'q2,No Mass,student,solo,,', 'q3,Heavy,student,solo,700,', 'q4,,student,solo,70,', ',No Sign,student,,70,',
             'q5,Stage,student,expert,70,', 'q6,Mail,student,solo,70,nowhere', 'q7,Words,student,solo,seventy,']
    table = ['sign_in,name,role,stage,mass_kg,email', *lines, *wrong].join("\n")
    post_json '/api/people-list', { csv: table }
    faults = answer['rows'].select { |row| row['act'] == 'fault' }

    assert_equal [10, (92..101).to_a], [answer['faults'], faults.map { |row| row['line'] }]
    post_json '/api/people-list', { csv: table, store: true }

    assert_equal [409, 4], [status, Fujin::Person.count]
    good = ['sign_in,name,role,stage,mass_kg,email', *lines, 'student,Student,student,test,71,'].join("\n")
    post_json '/api/people-list', { csv: good, store: true }

    assert_equal [true, 94], [answer['stored'], Fujin::Person.count]
    assert_equal(['test', 71.0], @student.reload.then { |one| [one.stage, one.mass_kg] })
    get '/api/people-list'
    post_json '/api/people-list', { csv: last_response.body }

    assert_equal ['nothing'], answer['rows'].map { |row| row['act'] }.uniq
  end

  def test_who_looked_at_a_record_is_told_to_its_owner
    as(@instructor)
    2.times { get "/api/students/#{@student.id}" }
    as(@student)
    get "/api/students/#{@student.id}"
    get '/api/me'

    assert_equal([['Instructor', 2]], answer['views'].map { |view| view.values_at('viewer', 'times') })
    get '/api/me/export'
    refute_includes last_response.body, @student.password_digest
    assert_equal 'student', answer['person']['sign_in']
    assert_empty answer['person'].keys - Fujin::Person.column_names
  end

  # Two fields changed in a row, the second before the first was answered.
  def test_a_unit_that_is_changed_takes_none_back
    as(@student)
    patch_json '/api/me', { units: { temperature: 'f' } }
    patch_json '/api/me', { units: { time: 'local' } }

    assert_equal %w[f local], @student.reload.units.values_at('temperature', 'time')
    patch_json '/api/me', { mass_kg: 71 }

    assert_equal [71, 'f'], [@student.reload.mass_kg, @student.units['temperature']]
  end

  def test_the_log_of_changes_is_the_chief_s_and_refuses_to_be_changed
    as(@chief)
    add

    assert_equal 201, status, last_response.body
    get '/api/audit'

    assert_equal 200, status, last_response.body
    assert_equal ['added', 'Wenna Marsh', 'Chief'], answer['items'][0].values_at('what', 'subject', 'by')
    assert_raises(ActiveRecord::StatementInvalid) do
      Fujin::Record.transaction(requires_new: true) { Fujin::AuditEntry.last.update!(what: 'nothing') }
    end
    as(@instructor)
    get '/api/audit'

    assert_equal 403, status
  end

  def test_what_may_go_of_somebody_who_left_goes_and_the_record_stays
    Fujin::PersonDocument.create!(person: @student, by: @chief, kind: 'medical', created_at: Time.now.utc)
    @student.update!(email: 'student@example.invalid')
    as(@chief)
    post_json "/api/people/#{@student.id}/forgetting", { why: 'asked for it' }

    assert_equal 409, status, 'who is here is not forgotten'
    put_json "/api/people/#{@student.id}/state", { state: 'left', why: 'moved away' }
    post_json "/api/people/#{@student.id}/forgetting", { why: 'asked for it' }

    assert_equal [200, nil, [], 'Student'], [status, *answer.values_at('email', 'documents', 'name')]
    assert Fujin::Sortie.exists?(@sortie.id)
    get '/api/school'

    assert_empty answer['long_gone']
    Fujin::Person.find_by(sign_in: 'other').update!(left_on: Date.new(2020, 1, 1))
    get '/api/school'

    assert_equal(['Other'], answer['long_gone'].map { |one| one['name'] })
  end

  def test_the_school_s_mark_and_words_stand_on_what_is_printed
    as(@chief)
    put_json '/api/school',
             { name: 'Testing Field', time_zone: 'Etc/UTC', print_words: 'Ring before you come', keep_left_days: 90 }

    assert_equal 'Ring before you come', answer['print_words']
    put_json '/api/school/logo', { image: Base64.strict_encode64('GIF89a') }

    assert_equal 422, status
    put_json '/api/school/logo', { image: Base64.strict_encode64("\x89PNG\r\n\x1A\nbroken".b) }

    assert_equal 422, status, 'a picture that cannot be printed is not kept'
    get "/api/sorties/#{@sortie.id}/brief"
    plain = last_response.body.bytesize
    picture = File.binread(Dir[File.expand_path('../../web/public/*.png', __dir__)].min_by { |file| File.size(file) })
    put_json '/api/school/logo', { image: Base64.strict_encode64(picture) }

    assert_equal 200, status
    get "/api/sorties/#{@sortie.id}/brief"

    assert_operator last_response.body.bytesize, :>, plain + (picture.bytesize / 2)
    put_json '/api/school', { name: 'Testing Field', time_zone: 'Mars/Base', keep_left_days: 90 }

    assert_equal 422, status
  end
end
