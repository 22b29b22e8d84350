# frozen_string_literal: true

require_relative '../server_helper'

# Who may do what: every route against the table, and what belongs to whom.
class AccessTest < Minitest::Test
  include ServerHelp

  ROLES = { nil => nil, 'chief_instructor' => :@chief, 'instructor' => :@instructor, 'student' => :@student }.freeze

  Fujin::Permissions::TABLE.each_key do |route|
    verb, path = route.split
    define_method("test_#{route}") do
      address = path.sub(':id', SecureRandom.uuid)
      ROLES.each do |role, holder|
        clear_cookies
        @token = nil
        role ? as(instance_variable_get(holder)) : sign_nobody_in
        call(verb, address, {}, { 'HTTP_IF_MATCH' => '"0"' })
        refused = [401, 403].include?(status)

        if Fujin::Permissions.allowed?(route, role)
          unless path == '/api/session'
            refute refused && answer['title'] != 'Sign in first', "#{role.inspect} should reach #{route}, got #{status}"
          end
        else
          assert refused || status == 422 || status == 400, "#{role.inspect} should not reach #{route}, got #{status}"
        end
      end
    end
  end

  def sign_nobody_in
    get '/api/session'
    @token = answer['csrf_token']
  end

  def test_a_route_that_names_nobody_fails_at_boot
    error =
      assert_raises(Fujin::Permissions::Incomplete) do
        Fujin::Permissions.check!(Fujin::Area.routes_declared + ['GET /api/secrets'])
      end

    assert_includes error.message, 'GET /api/secrets'
  end

  def test_every_route_is_in_the_contract
    paths = YAML.load_file(Fujin::Settings::CONTRACT)['paths']
    documented =
      paths.flat_map { |path, verbs| verbs.keys.map { |verb| "#{verb.upcase} #{path.gsub(/\{(\w+)\}/, ':\1')}" } }

    assert_equal documented.sort, Fujin::Area.routes_declared.sort
  end

  def test_students_see_their_own_records_only
    foreign = sortie(student: @other)
    as(@student)
    get "/api/students/#{@student.id}"
    assert_equal 200, status
    get "/api/students/#{@other.id}"
    assert_equal 404, status
    get "/api/sorties/#{foreign.id}"
    assert_equal 404, status
    get "/api/sorties/#{foreign.id}/attempts"
    assert_equal 404, status
    get '/api/today'
    assert_equal([@sortie.id], (answer['sorties'] + answer['earlier'] + answer['later']).map { |s| s['id'] })
  end

  def test_a_wrong_password_and_an_unknown_name_read_the_same
    post_json '/api/session', { sign_in: 'chief', password: 'wrong' }
    wrong = [status, answer['detail']]
    post_json '/api/session', { sign_in: 'nobody', password: 'wrong' }

    assert_equal wrong, [status, answer['detail']]
    assert_equal 401, status
  end

  def test_a_change_without_the_token_is_refused
    as(@instructor)
    @token = 'guess'
    patch_json "/api/sorties/#{@sortie.id}", { fuel_kg: 30 }, { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal 403, status
    assert_in_delta 40, @sortie.reload.fuel_kg
  end

  def test_the_session_ends_with_signing_out
    as(@instructor)
    custom_request('DELETE', '/api/session', {}, { 'HTTP_X_CSRF_TOKEN' => @token })
    get '/api/today'

    assert_equal 401, status
  end

  def test_cookies_and_headers
    as(@instructor)
    cookie = last_response['set-cookie'].to_s.downcase

    assert_includes cookie, 'httponly'
    assert_includes cookie, 'samesite=strict'
    assert_includes last_response['content-security-policy'], "default-src 'self'"
    assert_equal 'nosniff', last_response['x-content-type-options']
  end

  # Asked before somebody signed in and answered after it: it must not put a session of nobody in its place.
  def test_an_answer_to_nobody_brings_no_session
    clear_cookies
    get '/api/session'

    assert_includes last_response['set-cookie'].to_s, 'fujin.session'
    %w[/api/session /api/today].each do |path|
      get path

      assert_nil last_response['set-cookie'], path
    end
    post_json "/api/sorties/#{@sortie.id}/events", { events: [] }

    assert_nil last_response['set-cookie'], 'nor what the contract refuses'
    post_json "/api/recordings/#{SecureRandom.uuid}/stop"

    assert_equal [401, nil], [status, last_response['set-cookie']], 'nor what a device sends on its own'
    as(@instructor)
    get '/api/session'

    assert_equal @instructor.name, answer['person']['name']
  end

  def test_passwords_are_kept_as_bcrypt_only
    refute_includes @chief.password_digest, PASSWORD
    assert @chief.password?(PASSWORD)
    refute @chief.password?('wrong')
  end

  def test_health
    get '/healthz'
    assert_equal 200, status
    get '/readyz'
    assert_equal 200, status
    get '/metrics'
    assert_includes last_response.body, 'http_server_requests_total'
  end
end
