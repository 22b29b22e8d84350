# frozen_string_literal: true

require_relative '../server_helper'

# What stands between the network and the routes: names, addresses, bodies, what may be kept of an answer.
class EdgeTest < Minitest::Test
  include ServerHelp

  def test_it_answers_to_its_own_name_only
    get '/api/session', {}, 'HTTP_HOST' => 'elsewhere.example'

    assert_equal 421, status
    assert_match(/FUJIN_PUBLIC_URL/, answer['detail'])
    get '/healthz', {}, 'HTTP_HOST' => 'elsewhere.example'

    assert_equal 200, status
  end

  def test_a_change_from_another_page_is_refused
    as(@instructor)
    post_json '/api/sorties', {}, 'HTTP_ORIGIN' => 'http://elsewhere.example'

    assert_equal 403, status
    post_json '/api/sorties', {}, 'HTTP_ORIGIN' => 'http://example.org'

    assert_equal 400, status, 'our own page is told what is missing'
  end

  def test_signing_out_needs_the_token_too
    as(@instructor)
    delete '/api/session'

    assert_equal 403, status
    delete '/api/session', {}, 'HTTP_X_CSRF_TOKEN' => @token

    assert_equal 204, status
  end

  # Over TLS, whichever name it has.
  def test_behind_tls_the_cookie_and_the_browser_stay_there
    ENV['FUJIN_PUBLIC_URL'] = 'https://fujin.example'
    app = Rack::MockRequest.new(Fujin::App.build)
    told = app.get('/api/session', 'HTTP_HOST' => 'fujin.example', 'HTTP_X_FORWARDED_PROTO' => 'https')

    assert_equal 200, told.status
    assert_match(/\A__Host-fujin\.session=/, told['set-cookie'])
    assert_match(/secure/i, told['set-cookie'])
    assert_equal 'max-age=63072000', told['strict-transport-security']
  ensure
    ENV.delete('FUJIN_PUBLIC_URL')
  end

  def test_addresses_and_bodies_that_no_page_sends
    as(@chief)
    { '/a%00b' => 400, '/%ff%fe' => 400, '/api/students?find=%00' => 400 }.each do |path, expected|
      get path

      assert_equal expected, status, path
    end
    custom_request('POST', '/api/people', {}, input: 'a=1', 'CONTENT_TYPE' => 'multipart/form-data; boundary=x',
                                              'HTTP_X_CSRF_TOKEN' => @token)

    assert_equal 415, status
    ["{\"a\":\"\xff\"}", '{"a":"\u0000"}', '{"a"', "[#{'[' * 200}#{']' * 200}]"].each do |text|
      custom_request('POST', '/api/people', {}, input: text, 'CONTENT_TYPE' => 'application/json',
                                                'HTTP_X_CSRF_TOKEN' => @token)

      assert_equal 400, status, text[0, 20]
      refute_match(/ruby|\.rb|PG::|SELECT/, last_response.body)
    end
  end

  # A quarter of a gigabyte in a quarter of a megabyte is not held in memory to find out.
  def test_a_file_that_unpacks_to_too_much_is_refused_as_it_goes
    packed = StringIO.new(String.new(encoding: Encoding::BINARY))
    Zlib::GzipWriter.wrap(packed) { |gz| 140.times { gz.write("\0" * 1_048_576) } }
    as(@instructor)
    before = rss_mb
    upload(@sortie, packed.string)

    assert_equal 422, status
    assert_match(/unpacks to more than 120 MB/, answer['detail'])
    assert_operator rss_mb - before, :<, 60
  end

  def rss_mb = File.read('/proc/self/status')[/VmRSS:\s+(\d+)/, 1].to_i / 1024

  def test_answers_about_people_are_kept_by_nobody_and_the_same_is_not_sent_twice
    as(@instructor)
    get '/api/students'

    assert_equal 'no-store', last_response['cache-control']
    get '/api/catalogue', {}, 'HTTP_ACCEPT_ENCODING' => 'gzip'

    assert_equal 'private, no-cache', last_response['cache-control']
    assert_equal 'gzip', last_response['content-encoding']
    mark = last_response['etag']
    get '/api/me', {}, 'HTTP_ACCEPT_ENCODING' => 'gzip'

    assert_nil last_response['content-encoding'], 'so little is not packed'
    get '/api/catalogue', {}, 'HTTP_IF_NONE_MATCH' => mark

    assert_equal [304, ''], [status, last_response.body]
    as(@chief)
    put_json '/api/readiness', { manoeuvre: nil, rule: { attempts: 5, days: 2, critical_window: 5 } }
    get '/api/catalogue', {}, 'HTTP_IF_NONE_MATCH' => mark

    assert_equal 200, status, 'changed meanwhile'
  end

  # A version by which a change is checked stays readable in it.
  def test_a_version_is_still_in_its_mark
    as(@instructor)
    get "/api/sorties/#{@sortie.id}"

    assert_match(/\A"#{@sortie.lock_version}-h\h{16}"\z/, last_response['etag'])
    patch_json "/api/sorties/#{@sortie.id}", { fuel_kg: 41 }, 'HTTP_IF_MATCH' => last_response['etag']

    assert_equal 200, status
  end

  def test_the_counts_are_for_whoever_watches_the_machine
    3.times { |i| get "/api/made-up-#{i}" }
    get '/metrics', {}, 'REMOTE_ADDR' => '127.0.0.1'

    assert_equal 200, status
    refute_match(/made-up/, last_response.body)
    assert_match(/no such route/, last_response.body)
    get '/metrics', {}, 'REMOTE_ADDR' => '192.0.2.1'

    assert_equal 403, status
    ENV['FUJIN_METRICS_TOKEN'] = 'a token'
    get '/metrics', {}, 'REMOTE_ADDR' => '192.0.2.1', 'HTTP_AUTHORIZATION' => 'Bearer a token'

    assert_equal 200, status
  ensure
    ENV.delete('FUJIN_METRICS_TOKEN')
  end
end
