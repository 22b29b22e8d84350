# frozen_string_literal: true

require_relative '../server_helper'
require 'open3'
require 'tempfile'

# Readiness from the database's rows, and sign-offs that anyone can check.
class RecordTest < Minitest::Test
  include ServerHelp

  # Two days, two clean attempts each, graded to standard: ready by the default rule.
  def make_ready(student = @student)
    [24, 25].each_with_index do |day, i|
      flown = sortie(student: student, people_aboard: 'solo', starts_at: Time.utc(2026, 11, day, 10))
      imported(flown, faults: [{}, {}], seed: i + 1)
      flown.attempts.select(&:asked?).each do |attempt|
        attempt.proposal['phases']
          .reject { |p| p['grade'].nil? }
          .each do |phase|
            Fujin::GradeRow.create!(
              id: SecureRandom.uuid,
              attempt: attempt,
              phase: phase['id'],
              kind: 'instructor',
              grade: 3,
              by: @instructor,
              standard_version: 'straight-in-2026.2',
              created_at: Time.now.utc
            )
          end
      end
    end
  end

  def sign(id = SecureRandom.uuid)
    post_json '/api/sign-offs',
              { id: id, student_id: @student.id, manoeuvre: 'straight_in_autorotation', remark: 'Calm and exact.' }
    answer
  end

  def exported(id)
    get "/api/sign-offs/#{id}/document"
    last_response.body
  end

  def verify(text, *options)
    file = Tempfile.new(%w[sign-off .json]).tap { |f| f.write(text) && f.close }
    Open3.capture3(
      ENV.to_h.except('FUJIN_DATABASE_URL'),
      File.join(Fujin::Settings::ROOT, 'bin', 'fujin'),
      'verify',
      file.path,
      *options
    )
  end

  def test_not_ready_names_exactly_what_is_missing
    as(@instructor)
    sign

    assert_equal 409, status
    assert_includes answer['detail'], '0 of 3 counted attempts flown'
  end

  # One manoeuvre may ask for more than the others; without numbers of its own it is as they are again.
  def test_a_manoeuvre_may_ask_for_something_else
    make_ready
    as(@instructor)
    put_json '/api/readiness', { manoeuvre: nil, rule: nil }

    assert_equal 403, status
    as(@chief)
    ready = -> { Fujin::StudentProgress.new(@student).standing('straight_in_autorotation')[1] }
    more = { attempts: 4, days: 3, critical_window: 5 }
    put_json '/api/readiness', { manoeuvre: 'straight_in_autorotation', rule: more }

    assert_equal 200, status
    assert_equal([{ 'manoeuvre' => 'straight_in_autorotation', 'rule' => more.transform_keys(&:to_s) }],
                 answer['readiness']['manoeuvres'])
    assert_equal ['different_days'], ready.call.missing.map(&:id)
    put_json '/api/readiness', { manoeuvre: 'straight_in_autorotation', rule: nil }

    assert_predicate ready.call, :ready?
    put_json '/api/readiness', { manoeuvre: nil, rule: more.merge(attempts: 5, days: 2) }

    assert_equal ['enough_attempts'], ready.call.missing.map(&:id)
    put_json '/api/readiness', { manoeuvre: 'none', rule: more }

    assert_equal 422, status
  end

  def test_ready_signed_chained_exported_and_verified_without_the_database
    make_ready
    as(@instructor)
    first = sign
    assert_equal 201, status
    assert_equal '0' * 64, first['previous_hash']
    second = sign
    assert_equal first['hash'], second['previous_hash']

    text = exported(first['id'])
    out, _err, code = verify(text)
    assert_predicate code, :success?
    assert_includes out, 'intact, signer not pinned'
    out, = verify(text, '--key', @school.public_key)
    assert_includes out, 'signed by the school named'
  end

  def test_an_altered_sign_off_is_found_out
    make_ready
    as(@instructor)
    document = JSON.parse(exported(sign['id']))
    altered = [
      document.merge('statement' => document['statement'].merge('student' => 'Somebody Else')),
      document.merge('signature' => Base64.strict_encode64('x' * 64)),
      document.merge('public_key' => Base64.strict_encode64(Ed25519::SigningKey.generate.verify_key.to_bytes)),
      document.except('hash'),
      document.merge('statement' => 'none')
    ]
    altered.each do |bad|
      _out, err, code = verify(JSON.generate(bad))
      assert_equal 1, code.exitstatus, bad.keys.inspect
      refute_empty err
    end
    _out, err, code = verify(JSON.generate(document), '--key', Base64.strict_encode64('y' * 32))
    assert_equal 1, code.exitstatus
    assert_includes err, 'another key'
  end

  def test_the_chain_shows_a_sign_off_that_was_taken_out
    make_ready
    as(@instructor)
    documents = Array.new(3) { JSON.parse(exported(sign['id'])) }

    assert Fujin::SignOffDocument.verify_chain(documents)
    assert_raises(Fujin::SignOffDocument::Broken) { Fujin::SignOffDocument.verify_chain([documents[0], documents[2]]) }
  end

  # It says what it was shown in, and claims nothing else.
  def test_a_sign_off_names_its_scope
    make_ready
    as(@instructor)
    scope = JSON.parse(exported(sign['id']))['statement']['scope']

    assert_equal({ 'standards' => ['straight-in-2026.3'], 'stages' => ['solo'], 'people_aboard' => ['solo'],
                   'aircraft_types' => ['Tansy 2 (helicopter)'], 'endings' => ['power recovery'] }, scope)
  end

  def test_the_same_id_signs_once
    make_ready
    as(@instructor)
    id = SecureRandom.uuid
    2.times { sign(id) }

    assert_equal 1, Fujin::SignOff.count
  end

  def test_withdrawn_never_edited
    make_ready
    as(@instructor)
    row = sign
    assert_raises(ActiveRecord::StatementInvalid) { Fujin::ChainLink.first.update!(document: '{}') }
    post_json "/api/sign-offs/#{row['id']}/withdrawal",
              { id: SecureRandom.uuid, reason: 'Signed for the wrong student' }

    assert answer['withdrawn']
    assert_includes exported(row['id']), 'Calm and exact.'
    assert_raises(ActiveRecord::StatementInvalid) { Fujin::ChainLink.order(:position).last.destroy! }
  end

  def withdraw(id) = post_json("/api/sign-offs/#{id}/withdrawal", { id: SecureRandom.uuid, reason: 'Wrong student' })

  # What is withdrawn is a link like any other: a later sign-off follows it, and taking it out shows.
  def test_a_withdrawal_is_part_of_the_chain
    make_ready
    as(@instructor)
    first = sign
    2.times { withdraw(first['id']) }
    third = sign
    documents = Fujin::ChainLink.in_order.map(&:parsed)

    assert_equal(%w[sign_off withdrawal sign_off], documents.map { |one| one['statement']['kind'] })
    assert_equal third['previous_hash'], documents[1]['hash']
    assert_equal [first['id'], first['hash'], 'Wrong student'],
                 documents[1]['statement'].values_at('withdraws', 'withdraws_hash', 'reason')
    assert Fujin::SignOffDocument.verify_chain(documents)
    assert_raises(Fujin::SignOffDocument::Broken) { Fujin::SignOffDocument.verify_chain([documents[0], documents[2]]) }
  end

  # Who holds an exported sign-off learns from the school's signed list that it was withdrawn.
  def test_verify_tells_what_was_withdrawn
    make_ready
    as(@instructor)
    gone = sign
    stands = sign
    withdraw(gone['id'])
    get '/api/sign-offs/withdrawn'
    list = file(last_response.body)
    out, _err, code = verify(exported(gone['id']), '--withdrawn', list)

    assert_equal 1, code.exitstatus
    assert_match(/WITHDRAWN by Instructor on .*: Wrong student/, out)
    out, _err, code = verify(exported(stands['id']), '--withdrawn', list)

    assert_predicate code, :success?
    assert_includes out, 'not withdrawn up to'
    out, = verify(File.read(list))

    assert_includes out, 'Testing Field: 1 withdrawn'
    _out, err, code = verify(exported(gone['id']), '--withdrawn', file(exported(stands['id'])))

    assert_equal 1, code.exitstatus
    assert_includes err, 'no list of withdrawn sign-offs'
  end

  def file(text) = File.join(Dir.mktmpdir, 'file.json').tap { |path| File.write(path, text) }

  # Withdrawn by eight at once, each a link of its own: the chain does not fork, and none is lost.
  def test_the_chain_does_not_fork_when_many_sign_at_once
    make_ready
    as(@instructor)
    signed = Array.new(8) { Fujin::SignOff.find(sign['id']) }
    signed.map do |row|
      Thread.new do
        withdrawing = Fujin::Withdrawing.new(Fujin::SignOff.find(row.id), @chief)
        withdrawing.withdraw(id: SecureRandom.uuid, reason: 'All at once')
      ensure
        ActiveRecord::Base.connection_handler.clear_active_connections!
      end
    end.each(&:join)
    documents = Fujin::ChainLink.in_order.map(&:parsed)

    assert_equal 16, documents.size
    assert_equal (1..16).to_a, Fujin::ChainLink.in_order.map(&:position)
    assert Fujin::SignOffDocument.verify_chain(documents)
    assert_empty Fujin::SignOff.in_force
  end

  # On paper with a code: it finds the sign-off in the school, and tells the file that belongs to the paper.
  def test_a_printed_sign_off_is_checked_by_its_code
    @student.update!(name: 'Łucja Świt-Жук')
    make_ready
    as(@instructor)
    row = sign
    other = sign
    get "/api/sign-offs/#{row['id']}/sheet"

    assert_equal 200, status
    assert last_response.body.start_with?('%PDF')
    assert_match(/\A(\h{4}-){3}\h{4}\z/, row['code'])
    get '/api/sign-offs', code: row['code'].downcase.tr('-', ' ')

    assert_equal([row['id']], answer['items'].map { |one| one['id'] })
    get '/api/sign-offs', code: '0000-0000-0000-0000'

    assert_empty answer['items']
    get '/api/sign-offs', code: 'none'

    assert_equal 422, status
    assert_includes answer['detail'], '16 letters'
    assert_predicate verify(exported(row['id']), '--code', row['code']).last, :success?
    _out, err, code = verify(exported(other['id']), '--code', row['code'])

    assert_equal 1, code.exitstatus
    assert_includes err, 'of another sign-off'
  end

  # Withdrawn before withdrawals were signed: taken into the chain when the application starts, once.
  def test_an_older_withdrawal_is_taken_in
    make_ready
    as(@instructor)
    row = sign
    Fujin::SignOffWithdrawal.create!(id: SecureRandom.uuid, sign_off_id: row['id'], by: @instructor, reason: 'Earlier',
                                     created_at: Time.utc(2026, 11, 1))
    2.times { Fujin::Chain.take_in_older(now: Time.utc(2026, 11, 28)) }
    taken = Fujin::ChainLink.in_order.map(&:statement).last

    assert_equal 2, Fujin::ChainLink.count
    assert_equal %w[2026-11-01T00:00:00Z 2026-11-28T00:00:00Z Earlier],
                 taken.values_at('withdrawn_at', 'signed_at', 'reason')
  end

  def test_the_signing_key_is_sealed_at_rest
    raw = Base64.strict_decode64(@school.sealed_private_key)

    refute_includes raw, Fujin::SealedKey.open(@school.sealed_private_key, Fujin::Settings.secret).seed
    assert_raises(Fujin::Conflict) { Fujin::SealedKey.open(@school.sealed_private_key, 'another secret') }
  end

  def test_level_trend_log_and_readiness_of_a_student
    make_ready
    Fujin::Sortie.first.update!(off_at: Time.utc(2026, 11, 24, 10), on_at: Time.utc(2026, 11, 24, 10, 55))
    as(@student)
    get "/api/students/#{@student.id}"
    standing = answer['standings'].first

    assert standing['ready']
    assert_equal 3, standing['level']
    assert_equal 'steady', standing['trend']
    assert_equal 55, answer['log']['total_minutes']
    assert_equal 4, answer['history'].size
  end
end
