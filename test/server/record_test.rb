# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'sign_off_help'

# Readiness from the database's rows, and sign-offs that anyone can check.
class RecordTest < Minitest::Test
  include ServerHelp
  include SignOffHelp

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
    second = sign_anew
    assert_equal Fujin::ChainLink.find_by(position: 2).document_hash, second['previous_hash']

    text = exported(first['id'])
    out, err, code = fujin_alone('verify', file(text))
    assert_equal [0, ''], [code, err]
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
      assert_equal 1, code, bad.keys.inspect
      refute_empty err
    end
    _out, err, code = verify(JSON.generate(document), '--key', Base64.strict_encode64('y' * 32))
    assert_equal 1, code
    assert_includes err, 'another key'
  end

  def test_the_chain_shows_a_sign_off_that_was_taken_out
    make_ready
    as(@instructor)
    sign
    sign_anew
    documents = Fujin::ChainLink.in_order.map(&:parsed)

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

  # On paper with a code: it finds the sign-off in the school, and tells the file that belongs to the paper.
  def test_a_printed_sign_off_is_checked_by_its_code
    @student.update!(name: 'Łucja Świt-Жук')
    make_ready
    as(@instructor)
    row = sign
    other = sign_anew
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
    assert_equal 0, fujin_alone('verify', file(exported(row['id'])), '--code', row['code']).last
    _out, err, code = verify(exported(other['id']), '--code', row['code'])

    assert_equal 1, code
    assert_includes err, 'of another sign-off'
  end

  def test_the_signing_key_is_sealed_at_rest
    raw = Base64.strict_decode64(@school.sealed_private_key)

    refute_includes raw, Fujin::SealedKey.open(@school.sealed_private_key, Fujin::Settings.secret).seed
    assert_raises(Fujin::Conflict) { Fujin::SealedKey.open(@school.sealed_private_key, 'another secret') }
  end

  def test_level_trend_log_and_readiness_of_a_student
    make_ready
    Fujin::Sortie.first.update!(off_at: Time.utc(2026, 11, 24, 10), on_at: Time.utc(2026, 11, 24, 10, 55))
    as(@instructor)
    get "/api/students/#{@student.id}"
    standing = answer['standings'].first

    assert standing['ready']
    assert_equal 3, standing['level']
    assert_equal 'steady', standing['trend']
    assert_equal 55, answer['total_minutes']
    get "/api/students/#{@student.id}/lessons"

    assert_equal 4, answer['history'].size
  end
end
