# frozen_string_literal: true

require 'fileutils'
require 'net/http'
require 'securerandom'
require 'tmpdir'
require_relative 'cluster'
require_relative 'log_files'

module Fujin
  # Starts everything Fujin consists of, restarts what dies, stops all of it on Ctrl-C and nothing else.
  class Supervisor
    ROOT = File.expand_path('..', __dir__)
    VAR = ENV.fetch('FUJIN_VAR', File.join(ROOT, 'var'))
    LOGS = File.join(VAR, 'log')
    DATABASE = 'fujin'
    GRACE_S = 8
    # A process that dies sooner than this after its start waits a little before the next try.
    SOON_S = 2.0
    LOOK_AT_LOGS_S = 60.0
    LETS_GO_S = 3.0
    # Web servers that answer at one address, each with so many processes: where one is killed, the other answers until
    # it is back. The supervisor holds the address, so that nobody is turned away where both are.
    WEBS = %w[web web-beside].freeze
    WEB_PROCESSES = '2'
    ANSWERS_WITHIN_S = 60

    Service = Struct.new(:name, :start, :signal, :pid, :started_at, :restarts, keyword_init: true)

    def initialize
      # Loopback, unless somebody who puts a gateway with TLS before it says otherwise.
      @web_host = ENV.fetch('FUJIN_HOST', '127.0.0.1')
      @web_port = Integer(ENV.fetch('FUJIN_PORT', '4810'))
      @recorder_port = Integer(ENV.fetch('FUJIN_RECORDER_PORT', '4811'))
      @database_port = Integer(ENV.fetch('FUJIN_DATABASE_PORT', '4812'))
      @weather_port = Integer(ENV.fetch('FUJIN_WEATHER_PORT', '4813'))
      @mail_port = Integer(ENV.fetch('FUJIN_MAIL_PORT', '4814'))
      @stopping = false
      @began = now
    end

    def run
      FileUtils.mkdir_p(VAR)
      check_ports
      @cluster = Cluster.new(File.join(VAR, 'database'), port: @database_port)
      puts "fujin: the database keeps its files in #{@cluster.folder}" unless @cluster.folder.start_with?(VAR)
      @cluster.create
      trap_signals
      @counts = Dir.mktmpdir('fujin-metrics')
      @address = TCPServer.new(@web_host, @web_port)
      @services = services
      start(service('database'))
      @cluster.wait
      @cluster.create_database(DATABASE)
      prepare_database
      start(service(WEBS.first))
      wait_for_web
      (@services - [service('database'), service(WEBS.first)]).each { |s| start(s) }
      greet
      watch
    rescue Cluster::Failed => e
      warn "fujin: #{e.message}."
      exit_code = 1
    ensure
      stop_all if @services
      FileUtils.rm_rf(@counts) if @counts
      exit(exit_code) if exit_code
    end

    private

    def check_ports
      {
        'FUJIN_PORT' => @web_port,
        'FUJIN_RECORDER_PORT' => @recorder_port,
        'FUJIN_DATABASE_PORT' => @database_port,
        'FUJIN_WEATHER_PORT' => @weather_port,
        'FUJIN_MAIL_PORT' => @mail_port
      }.each do |name, port|
        next if soon_free?(port)

        raise Cluster::Failed,
              "port #{port} is taken, perhaps by Fujin running already. Stop that, or choose another port: #{name}=" \
                "#{port + 100} bin/start"
      end
    end

    # What a killed supervisor left ends by itself, within a moment.
    def soon_free?(port)
      until Cluster.free?(port)
        return false if now - @began > LETS_GO_S

        sleep 0.1
      end
      true
    end

    def environment
      {
        'FUJIN_DATABASE_URL' => @cluster.url(DATABASE),
        'FUJIN_OWNER_URL' => nil,
        'FUJIN_SECRET' => secret,
        'FUJIN_PORT' => @web_port.to_s,
        'FUJIN_RECORDER_PORT' => @recorder_port.to_s,
        'FUJIN_WEATHER_PORT' => @weather_port.to_s,
        'FUJIN_MAIL_PORT' => @mail_port.to_s,
        'FUJIN_MAIL_FOLDER' => File.join(VAR, 'mail')
      }
    end

    # The installation's secret: seals the signing key and the sessions. Kept beside the data, readable by its owner
    # only.
    def secret
      path = File.join(VAR, 'secret')
      File.write(path, SecureRandom.hex(32), perm: 0o600) unless File.exist?(path)
      File.read(path).strip
    end

    def services
      [
        Service.new(name: 'database', start: -> { @cluster.spawn_server(log('database')) }, signal: 'INT'),
        *WEBS.map { |name| Service.new(name: name, start: -> { web(name) }, signal: 'TERM') },
        Service.new(
          name: 'worker',
          start: -> do
            ruby('worker', 'server/work.rb')
          end,
          signal: 'TERM'
        ),
        Service.new(
          name: 'recorder',
          start: -> { ruby('recorder', 'devices/flight_recorder.rb') },
          signal: 'TERM'
        ),
        Service.new(
          name: 'weather',
          start: -> { ruby('weather', 'devices/weather_station.rb') },
          signal: 'TERM'
        ),
        Service.new(name: 'mailbox', start: -> { ruby('mailbox', 'devices/mailbox.rb') }, signal: 'TERM')
      ]
    end

    def service(name) = @services.find { |s| s.name == name }
    def log(name) = [logs.of(name), 'a']
    def logs = @logs ||= LogFiles.new(LOGS)

    RUBY = [RbConfig.ruby, "-r#{File.join(__dir__, 'ends_at_once')}", '-rbundler/setup'].freeze
    private_constant :RUBY

    def ruby(name, file) = with_us(name, {}, [*RUBY, file])

    # @param own [Hash{String => String}] beside what all of them are told
    # @param handed [Hash] open files, as Process.spawn takes them
    def with_us(name, own, command, handed = {})
      Process.spawn(environment.merge(own), *Cluster.with_us('TERM', *command),
                    { chdir: ROOT, out: log(name), err: log(name), pgroup: true }.merge(handed))
    end

    # By the socket that is open already: the way in which a server is handed one at its start (LISTEN_FDS), which it
    # takes where the process is the one that is named.
    def web(name)
      own = { 'LISTEN_FDS' => '1', 'FUJIN_METRICS_FOLDER' => @counts,
              'FUJIN_WEB_WORKERS' => ENV.fetch('FUJIN_WEB_WORKERS', WEB_PROCESSES) }
      with_us(name, own, ['sh', '-c', 'LISTEN_PID=$$ exec "$@"', 'sh', *RUBY, Gem.bin_path('puma', 'puma'), '-q', '-C',
                          'server/puma.rb', '-b', "tcp://#{@address.addr[3]}:#{@web_port}", 'server/config.ru'],
              3 => @address)
    end

    def start(service)
      service.pid = service.start.call
      service.started_at = now
    end

    def prepare_database
      owner = { 'FUJIN_OWNER_URL' => @cluster.owner_url(DATABASE) }
      return if system(environment.merge(owner), 'bundle', 'exec', 'ruby', 'server/prepare_database.rb', chdir: ROOT)

      raise Cluster::Failed, 'the database could not be brought up to date; what it said is above'
    end

    # The address is open before anybody answers at it.
    def wait_for_web
      http = Net::HTTP.new('127.0.0.1', @web_port)
      http.read_timeout = ANSWERS_WITHIN_S
      http.get('/healthz')
    rescue Net::ReadTimeout, SystemCallError, EOFError
      warn "fujin: nothing answers at #{address} yet; #{log(WEBS.first).first} says why"
    end

    def address = "http://127.0.0.1:#{@web_port}"

    def greet
      puts <<~TEXT

        Fujin is up:  #{address}
        Logs          var/log/     Letters  var/mail/     Stop with Ctrl-C

      TEXT
      $stdout.flush
    end

    def watch
      until @stopping
        pid, status = Process.wait2(-1, Process::WNOHANG)
        pid ? died(pid, status) : sleep(0.1)
        logs.rotate if looks_at_logs?
      end
    rescue Errno::ECHILD
      nil
    end

    def looks_at_logs?
      return false if @looked && now - @looked < LOOK_AT_LOGS_S

      @looked = now
      true
    end

    def died(pid, status)
      service = @services.find { |s| s.pid == pid }
      return if service.nil? || @stopping

      puts "fujin: #{service.name} stopped (" \
        "#{status.signaled? ? "signal #{status.termsig}" : "code #{status.exitstatus}"}) and is started again"
      $stdout.flush
      sleep 0.5 if now - service.started_at < SOON_S
      start(service)
    end

    def trap_signals
      %w[INT TERM HUP].each { |name| trap(name) { @stopping = true } }
    end

    # Web, worker and devices first, the database last.
    def stop_all
      @services.reverse_each { |s| signal(s, s.signal) unless s.name == 'database' }
      @services.reverse_each { |s| reap(s) unless s.name == 'database' }
      signal(service('database'), 'INT')
      reap(service('database'))
      puts 'fujin: stopped'
    end

    def signal(service, name)
      Process.kill(name, service.pid) if service.pid
    rescue Errno::ESRCH
      service.pid = nil
    end

    def reap(service)
      return unless service.pid

      deadline = now + GRACE_S
      until Process.wait(service.pid, Process::WNOHANG)
        Process.kill('KILL', -service.pid) if now > deadline
        sleep 0.05
      end
    rescue Errno::ECHILD, Errno::ESRCH
      nil
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end

Fujin::Supervisor.new.run if $PROGRAM_NAME == __FILE__
