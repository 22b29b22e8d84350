# frozen_string_literal: true

require_relative '../server_helper'

# Coming in and staying in: sessions that end, passwords, the second factor, guessing.
class SigningInTest < Minitest::Test
  include ServerHelp

  GOOD = 'heather over slate'

  def invite(id)
    post_json "/api/people/#{id}/invitation"
    answer['link'][%r{/join/(.+)\z}, 1]
  end

  def try_to_sign_in(name, password, from: '192.0.2.1', **headers)
    clear_cookies
    call('POST', '/api/session', { sign_in: name, password: password }, { 'REMOTE_ADDR' => from }.merge(headers))
    status
  end

  def test_a_copied_cookie_is_worth_nothing_after_signing_out
    as(@instructor)
    cookie = rack_mock_session.cookie_jar['fujin.session']
    custom_request('DELETE', '/api/session', {}, { 'HTTP_X_CSRF_TOKEN' => @token })
    rack_mock_session.cookie_jar['fujin.session'] = cookie
    get '/api/today'

    assert_equal 401, status
  end

  def test_sessions_end_when_idle_and_after_half_a_day
    [[4 * 3600, :seen_at], [12 * 3600, :created_at]].each do |seconds, field|
      as(@instructor)
      Fujin::PersonSession.update_all(field => Time.now.utc - seconds + 30)
      get '/api/today'

      assert_equal 200, status
      Fujin::PersonSession.update_all(field => Time.now.utc - seconds - 1)
      get '/api/today'

      assert_equal 401, status, field
    end
  end

  def test_a_password_is_changed_with_the_old_one_and_ends_the_other_sessions
    as(@instructor)
    elsewhere = rack_mock_session.cookie_jar['fujin.session']
    as(@instructor)
    put_json '/api/me/password', { old: 'wrong', new: GOOD }

    assert_equal 422, status
    { 'short' => 'characters', 'Password123' => 'known', 'instructor99' => 'known|name', 'aaaaaaaaaabb' => 'repeats' }
      .each do |weak, word|
        put_json '/api/me/password', { old: PASSWORD, new: weak }

        assert_match(/#{word}/, answer['errors'][0]['message'], weak)
      end
    put_json '/api/me/password', { old: PASSWORD, new: GOOD }

    assert_equal [200, 1], [status, answer['sessions'].size]
    rack_mock_session.cookie_jar['fujin.session'] = elsewhere
    get '/api/today'

    assert_equal 401, status
  end

  def test_a_second_factor_is_asked_for_once_it_is_proved
    as(@chief)
    post_json '/api/me/second-factor'
    totp = ROTP::TOTP.new(answer['secret'])

    assert_includes answer['picture'], '<svg'
    post_json '/api/session', { sign_in: 'chief', password: PASSWORD }

    assert_equal 200, status, 'not proved yet, not asked for'
    @token = answer['csrf_token']
    put_json '/api/me/second-factor', { code: totp.at(Time.now - 3600) }

    assert_equal 422, status
    put_json '/api/me/second-factor', { code: totp.now }
    codes = answer['codes']
    clear_cookies
    post_json '/api/session', { sign_in: 'chief', password: PASSWORD }

    assert_equal [401, true], [status, answer['detail'].include?('authenticator')]
    later = totp.at(Time.now + 30)
    # Each from a browser that nobody is signed in at.
    [[totp.at(Time.now - 30), 401], [later, 200], [later, 401], ['000000', 401],
     [codes[0], 200], [codes[0], 401], [codes[1], 200]].each do |code, expected|
      clear_cookies
      post_json '/api/session', { sign_in: 'chief', password: PASSWORD, code: code }

      assert_equal expected, status, code
    end
  end

  # By name: wherever the tries come from, and whatever a header says.
  def test_guessing_a_password_is_slow_and_told_to_its_owner
    10.times { |i| assert_equal 401, try_to_sign_in('student', 'wrong', from: "192.0.2.#{i}") }
    assert_equal 429, try_to_sign_in('student', PASSWORD, from: '192.0.2.99', 'HTTP_X_FORWARDED_FOR' => '198.51.100.7')
    Fujin::SignInTry.update_all(at: 15.minutes.ago - 1)

    assert_equal 200, try_to_sign_in('student', PASSWORD)
    @token = answer['csrf_token']
    get '/api/me'

    assert_equal [10, '192.0.2.9'], [answer['failed'].size, answer['failed'].map { |one| one['address'] }.max]
  end

  def test_names_that_nobody_has_count_alike_and_an_address_has_a_limit_too
    10.times { assert_equal 401, try_to_sign_in('nobody', 'wrong') }
    assert_equal 429, try_to_sign_in('nobody', 'wrong')
    40.times { |i| try_to_sign_in("guess#{i}", 'wrong') }

    assert_equal 429, try_to_sign_in('student', PASSWORD)
    assert_equal 200, try_to_sign_in('student', PASSWORD, from: '192.0.2.2')
  end

  def test_a_new_link_of_the_chief_is_the_way_back
    10.times { try_to_sign_in('student', 'wrong') }
    as(@chief)
    word = invite(@student.id)
    clear_cookies
    post_json "/api/invitations/#{word}", { password: GOOD }

    assert_equal 200, try_to_sign_in('student', GOOD)
  end

  def test_a_lost_authenticator_is_ended_by_the_chief_who_says_why
    @instructor.update!(second_factor: Fujin::SecondFactor.seal('JBSWY3DPEHPK3PXP'), second_factor_since: Time.now.utc)

    assert_equal 401, try_to_sign_in('instructor', PASSWORD)
    as(@chief)
    custom = { input: JSON.generate({ why: 'rang me, I know the voice' }), 'CONTENT_TYPE' => 'application/json',
               'HTTP_X_CSRF_TOKEN' => @token }
    custom_request('DELETE', "/api/people/#{@instructor.id}/second-factor", {}, custom)

    assert_equal [200, 'second factor ended'], [status, answer['history'][0]['what']]
    assert_equal 200, try_to_sign_in('instructor', PASSWORD)
  end

  def test_a_session_is_ended_from_another_and_not_by_somebody_else
    as(@instructor)
    elsewhere = rack_mock_session.cookie_jar['fujin.session']
    there = Fujin::PersonSession.live.find_by(person: @instructor).id
    as(@student)
    custom_request('DELETE', "/api/me/sessions/#{there}", {}, { 'HTTP_X_CSRF_TOKEN' => @token })

    assert_equal 404, status
    as(@instructor)
    custom_request('DELETE', "/api/me/sessions/#{there}", {}, { 'HTTP_X_CSRF_TOKEN' => @token })

    assert_equal([true], answer['sessions'].map { |one| one['this_one'] })
    rack_mock_session.cookie_jar['fujin.session'] = elsewhere
    get '/api/today'

    assert_equal 401, status
  end

  def test_a_changed_role_ends_every_session
    as(@instructor)
    cookie = rack_mock_session.cookie_jar['fujin.session']
    as(@chief)
    get "/api/people/#{@instructor.id}"
    patch_json "/api/people/#{@instructor.id}", { role: 'student', why: 'learns again' },
               { 'HTTP_IF_MATCH' => last_response['etag'] }
    rack_mock_session.cookie_jar['fujin.session'] = cookie
    get '/api/students'

    assert_equal 401, status
  end

  # Only a gateway that is named is believed about who is asking.
  def test_a_gateway_s_word_counts_when_it_is_named
    ENV['FUJIN_TRUSTED_PROXIES'] = '192.0.2.50'
    try_to_sign_in('student', PASSWORD, from: '192.0.2.50', 'HTTP_X_FORWARDED_FOR' => '203.0.113.9, 198.51.100.7')

    assert_equal '198.51.100.7', Fujin::PersonSession.order(:created_at).last.address
    try_to_sign_in('student', PASSWORD, from: '192.0.2.51', 'HTTP_X_FORWARDED_FOR' => '198.51.100.7')

    assert_equal '192.0.2.51', Fujin::PersonSession.order(:created_at).last.address
  ensure
    ENV.delete('FUJIN_TRUSTED_PROXIES')
  end
end
