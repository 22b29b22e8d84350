# frozen_string_literal: true

# Several hosts behind a gateway with TLS, tried by hand on one machine: nginx with scripts/gateway.conf, two web and
# two worker processes that share one PostgreSQL and nothing else (each in a clone of its own), a browser's requests.
#
#   apt-get install nginx-light; bundle exec ruby scripts/two_hosts.rb
#
# Prints a line for each thing that must hold, and ends with 1 when one does not. As root, for the gateway's ports.
require 'fileutils'
require 'json'
require 'net/http'
require 'open3'
require 'openssl'
require 'securerandom'
require 'tmpdir'
require_relative '../core/lib/fujin'
require_relative '../server/cluster'

module Fujin
  # One run of it.
  class TwoHosts
    ROOT = File.expand_path('..', __dir__)
    NAME = 'fujin.example'
    PASSWORD = 'kestrel over heather 7'

    def initialize
      @folder = Dir.mktmpdir('fujin-hosts', '/var/tmp')
      File.chmod(0o755, @folder)
      @webs = Array.new(2) { Cluster.free_port }
      @gateway = Cluster.free_port
      @pids = {}
      @failed = 0
    end

    def run
      hosts
      database
      start
      everything
      exit(1) if @failed.positive?
    ensure
      @pids.to_a.reverse_each { |name, pid| stop(pid, name == 'database' ? 'INT' : 'TERM') }
      system('nginx', '-s', 'stop', '-c', conf, err: File::NULL)
      FileUtils.rm_rf(@folder)
    end

    private

    def conf = File.join(@folder, 'nginx.conf')
    def host(number) = File.join(@folder, "host-#{number}")

    # Two clones that know nothing of each other's disk.
    def hosts
      2.times do |i|
        system('git', 'clone', '-q', ROOT, host(i), exception: true)
        FileUtils.cp_r(File.join(ROOT, 'web/dist'), File.join(host(i), 'web/dist'))
      end
    end

    def database
      @cluster = Cluster.new(File.join(@folder, 'database'), port: Cluster.free_port)
      @cluster.create
      @pids['database'] = @cluster.spawn_server(File.join(@folder, 'database.log'))
      @cluster.wait
      @cluster.create_database('fujin')
      owner = { 'FUJIN_OWNER_URL' => @cluster.owner_url('fujin') }
      said, status = Open3.capture2e(environment.merge(owner), 'bundle', 'exec', 'ruby', 'server/prepare_database.rb',
                                     chdir: host(0))
      raise said unless status.success?

      @code = said[/\b\h{5}-\h{5}\b/]
    end

    def environment
      @environment ||= { 'FUJIN_SECRET' => SecureRandom.hex(32), 'FUJIN_DATABASE_URL' => @cluster.url('fujin'),
                         'FUJIN_OWNER_URL' => nil, 'FUJIN_DEMO' => 'none', 'FUJIN_PUBLIC_URL' => "https://#{NAME}",
                         'FUJIN_TRUSTED_PROXIES' => '127.0.0.1' }
    end

    def start
      2.times do |i|
        log = File.join(@folder, "#{i}.log")
        @pids["web #{i}"] = spawn(i, log, 'puma', '-q', '-C', 'server/puma.rb', '-b', "tcp://127.0.0.1:#{@webs[i]}",
                                  'server/config.ru')
        @pids["worker #{i}"] = spawn(i, log, 'ruby', 'server/work.rb')
      end
      gateway
      until_true { get('/readyz').code == '200' }
    end

    def spawn(number, log, *command)
      Process.spawn(environment, 'bundle', 'exec', *command, chdir: host(number), out: [log, 'a'], err: %i[child out],
                                                             pgroup: true)
    end

    # The shipped configuration with this machine's ports and a certificate made now.
    def gateway
      certificate
      server = File.read(File.join(ROOT, 'scripts/gateway.conf'))
        .sub('web-1:4810', "127.0.0.1:#{@webs[0]}").sub('web-2:4810', "127.0.0.1:#{@webs[1]}")
        .sub('listen 443 ssl', "listen 127.0.0.1:#{@gateway} ssl").sub('listen 80', 'listen 127.0.0.1:' \
          "#{Cluster.free_port}")
        .gsub('/etc/nginx/certificates', @folder)
      File.write(conf, "pid #{@folder}/nginx.pid;\nerror_log #{@folder}/nginx.log;\nevents {}\n" \
        "http {\naccess_log off;\n#{server}}\n")
      system('nginx', '-c', conf, exception: true)
    end

    def certificate
      key = OpenSSL::PKey::EC.generate('prime256v1')
      made = OpenSSL::X509::Certificate.new
      made.serial = 1
      made.subject = made.issuer = OpenSSL::X509::Name.parse("/CN=#{NAME}")
      made.not_before = Time.now - 60
      made.not_after = Time.now + 86_400
      made.public_key = key
      made.sign(key, 'SHA256')
      File.write(File.join(@folder, 'fullchain.pem'), made.to_pem)
      File.write(File.join(@folder, 'privkey.pem'), key.to_pem)
    end

    def everything
      first = get('/api/session')
      cookie = first['set-cookie'].to_s
      holds('the cookie is __Host-, Secure, HttpOnly', (cookie.start_with?('__Host-') && cookie.include?('secure')) ||
        cookie.include?('Secure'))
      holds('HSTS is said', first['strict-transport-security'].to_s.include?('max-age'))
      holds('another name is refused', ask('GET', '/api/session', host: 'elsewhere.example').code == '421')
      set_up
      both_answer
      one_writes_the_other_reads
      a_file_is_read
      a_stream_comes_through
      one_goes_away
      signed_out_everywhere
    end

    def set_up
      sent = ask('POST', '/api/set-up', {
                   code: @code, school: { name: 'Hosts', station: 'XHST', time_zone: 'UTC', lat_deg: 47.2,
                                          lon_deg: -14.3, elevation_ft: 62 },
                   chief: { name: 'Chief', sign_in: 'chief', password: PASSWORD, mass_kg: 70 },
                   aircraft: { mark: 'Q-HST', type_id: 'tansy-2' }
                 })
      holds('a school is set up with the code that the server prints', sent.code.start_with?('2'), sent.body)
      @cookie = nil
      get('/api/session')
      entered = ask('POST', '/api/session', { sign_in: 'chief', password: PASSWORD })
      holds('who has the password is let in', entered.code.start_with?('2'), entered.body)
    end

    # Least connections: with one asked slowly and one quickly both get some.
    def both_answer
      before = served
      Array.new(8) { Thread.new { 10.times { get('/api/today') } } }.each(&:join)
      after = served
      holds('both web processes answer', after.zip(before).all? { |now, then_| now > then_ }, "#{before} → #{after}")
    end

    def served
      @webs.map do |port|
        request = Net::HTTP::Get.new('/metrics', 'Host' => NAME)
        body = Net::HTTP.start('127.0.0.1', port) { |http| http.request(request) }.body
        body.scan(/^http_server_requests_total\S* ([\d.]+)$/).sum { |count,| count.to_i }
      end
    end

    def one_writes_the_other_reads
      student = SecureRandom.uuid
      ask('POST', '/api/people', { id: student, name: 'Student', sign_in: 'student', role: 'student', stage: 'solo',
                                   mass_kg: 70 })
      aircraft = JSON.parse(get('/api/aircraft').body).first['id']
      @lesson = SecureRandom.uuid
      made = ask('POST', '/api/sorties', { id: @lesson, student_id: student, aircraft_id: aircraft,
                                           starts_at: Time.now.utc.iso8601, manoeuvre: 'straight_in_autorotation' })
      codes = Array.new(10) { get("/api/sorties/#{@lesson}").code }
      holds('what one stored the other reads', codes.uniq == ['200'], "#{codes.tally} #{made.body}")
    end

    def a_file_is_read
      @flight ||= File.join(@folder, 'flight.csv').tap do |path|
        system('bundle', 'exec', 'ruby', 'bin/fujin', 'simulate', 'straight_in_autorotation', '--aircraft', 'tansy-2',
               '--out', path, chdir: ROOT, out: File::NULL, exception: true)
      end
      sent = ask('POST', "/api/sorties/#{@lesson}/recordings?name=flight.csv", File.binread(@flight),
                 type: 'application/octet-stream')
      id = JSON.parse(sent.body)['id']
      state = until_true { finished(JSON.parse(get("/api/recordings/#{id}").body)['status']) }
      holds('a file sent through the gateway is read by a worker', state == 'ready', "#{sent.code} #{state}")
    end

    def finished(state) = %w[ready failed].include?(state) ? state : nil

    def a_stream_comes_through
      said = +''
      request(Net::HTTP::Get.new("/api/sorties/#{@lesson}/live", headers)) do |answer|
        said << "#{answer.code} "
        catch(:enough) { answer.read_body { |part| throw :enough if (said << part).include?('alive') } }
        throw :over
      end
      holds('a stream comes through as it is sent', said.include?(': here') && said.include?(': alive'), said)
    end

    def one_goes_away
      stop(@pids.delete('web 0'))
      codes = Array.new(20) { get('/api/today').code }
      holds('with one web process away everything is answered', codes.uniq == ['200'], codes.tally.inspect)
      stop(@pids.delete('worker 0'))
      a_file_is_read
    end

    def signed_out_everywhere
      kept = @cookie
      ask('DELETE', '/api/session')
      @cookie = kept
      holds('who signed out at one is out at the other', get('/api/today').code == '401')
    end

    def holds(what, truth, said = nil)
      @failed += 1 unless truth
      puts "#{truth ? 'holds' : 'FAILS'}  #{what}#{"  (#{said})" unless truth || said.nil?}"
    end

    def headers(host: NAME)
      { 'Host' => host, 'Cookie' => @cookie, 'X-CSRF-Token' => @token, 'Origin' => "https://#{NAME}" }.compact
    end

    def get(path) = ask('GET', path)

    def ask(verb, path, body = nil, type: 'application/json', host: NAME)
      request = Net::HTTP.const_get(verb.capitalize).new(path, headers(host: host))
      request['Content-Type'] = type if body
      request.body = body.is_a?(Hash) ? JSON.generate(body) : body if body
      answer = request(request, &:read_body)
      @cookie = answer['set-cookie'].split(';').first if answer['set-cookie']
      @token = JSON.parse(answer.body)['csrf_token'] if path == '/api/session' && answer.body.to_s.include?('csrf_tok' \
        'en')
      answer
    end

    # A block may leave by :over what never ends.
    def request(request, &block)
      catch(:over) do
        Net::HTTP.start('127.0.0.1', @gateway, use_ssl: true, verify_mode: OpenSSL::SSL::VERIFY_NONE) do |http|
          http.request(request, &block)
        end
      end
    end

    def until_true(seconds: 60)
      deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
      loop do
        found = begin
          yield
        rescue SystemCallError, JSON::ParserError
          nil
        end
        return found if found
        raise 'not in time' if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline

        sleep 0.2
      end
    end

    def stop(pid, signal = 'TERM')
      Process.kill(signal, pid)
      Process.wait(pid)
    rescue Errno::ESRCH, Errno::ECHILD
      nil
    end
  end
end

Fujin::TwoHosts.new.run if $PROGRAM_NAME == __FILE__
