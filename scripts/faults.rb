# frozen_string_literal: true

# Faults by hand: an installation of its own on ports of its own, a client that writes and keeps what was acknowledged,
# processes killed or stopped at random. Nothing acknowledged may be lost or doubled, and it comes back by itself.
#
#   bundle exec ruby scripts/faults.rb [KILLS, 100]
#
# Minutes long; not part of bin/test. A full disk and a clock that jumps are tried on a machine that may be spoiled.
require 'fileutils'
require 'json'
require 'net/http'
require 'open3'
require 'securerandom'
require 'tmpdir'
require_relative '../core/lib/fujin'
require_relative '../server/cluster'

module Fujin
  # One run of it.
  class Faults
    ROOT = File.expand_path('..', __dir__)
    NAMES = %w[FUJIN_PORT FUJIN_RECORDER_PORT FUJIN_DATABASE_PORT FUJIN_WEATHER_PORT FUJIN_MAIL_PORT].freeze
    PASSWORD = 'kestrel over heather 7'
    # By a word of its command line, and by what it is called.
    VICTIMS = { 'web' => 'puma', 'web process' => 'puma: cluster worker', 'worker' => '/que ',
                'database' => 'postgres -D',
                'a line of the database' => 'postgres: fujin_app', 'recorder' => 'flight_recorder' }.freeze
    BETWEEN_S = (0.5..2.5)
    BACK_WITHIN_S = 60

    def initialize(kills, random: Random.new(1))
      @kills = kills
      @random = random
      @var = Dir.mktmpdir('fujin-faults', '/var/tmp')
      File.chmod(0o755, @var)
      @environment = NAMES.to_h { |name| [name, Cluster.free_port.to_s] }
        .merge('FUJIN_VAR' => @var, 'FUJIN_DEMO' => 'none', 'FUJIN_DATABASE_URL' => nil, 'FUJIN_OWNER_URL' => nil)
      @written = Hash.new { |all, kind| all[kind] = [] }
      @back = Hash.new { |all, what| all[what] = [] }
    end

    def run
      start
      found
      @writer = Thread.new { write until @over }
      @kills.times { |i| kill(VICTIMS.keys.sample(random: @random), i) }
      stopped('database', 'postgres', 20)
      stopped('worker', '/que ', 20)
      killed_outright
      @over = true
      @writer.join
      report
    ensure
      stop
      FileUtils.rm_rf(@var)
    end

    private

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    def uri(path) = URI("http://127.0.0.1:#{@environment['FUJIN_PORT']}#{path}")

    def start
      @supervisor = Process.spawn(@environment, 'bundle', 'exec', 'ruby', 'server/supervisor.rb',
                                  chdir: ROOT, out: [File.join(@var, 'output'), 'a'], err: %i[child out])
      back?(BACK_WITHIN_S) or raise 'it does not come up'
    end

    def stop
      Process.kill('INT', @supervisor)
      Process.wait(@supervisor)
    rescue Errno::ESRCH, Errno::ECHILD
      nil
    end

    # A school with a lesson to write to.
    def found
      session = ask('GET', '/api/session')
      @token = session['csrf_token']
      ask('POST', '/api/set-up', {
            school: { name: 'Faults', station: 'XFLT', time_zone: 'UTC', lat_deg: 47.2,
                      lon_deg: -14.3, elevation_ft: 62 },
            chief: { name: 'Chief', sign_in: 'chief', password: PASSWORD, mass_kg: 70 },
            aircraft: { mark: 'Q-FLT', type_id: 'tansy-2' }
          })
      sign_in
      student = SecureRandom.uuid
      ask('POST', '/api/people', { id: student, name: 'Student', sign_in: 'student', role: 'student', stage: 'solo',
                                   mass_kg: 70 })
      @student = student
      @aircraft = ask('GET', '/api/aircraft').first['id']
      @lesson = lesson
    end

    def sign_in
      @cookie = nil
      @token = ask('GET', '/api/session')['csrf_token']
      @token = ask('POST', '/api/session', { sign_in: 'chief', password: PASSWORD })['csrf_token']
    end

    def lesson
      SecureRandom.uuid.tap do |id|
        ask('POST', '/api/sorties', { id: id, student_id: @student, aircraft_id: @aircraft,
                                      starts_at: Time.now.utc.iso8601, manoeuvre: 'hover' })
      end
    end

    # @raise when it was not acknowledged
    def ask(verb, path, body = nil)
      request = Net::HTTP.const_get(verb.capitalize).new(uri(path))
      request['Cookie'] = @cookie if @cookie
      request['X-CSRF-Token'] = @token.to_s
      request['Content-Type'] = 'application/json'
      request.body = JSON.generate(body) if body
      answer = Net::HTTP.start(request.uri.host, request.uri.port, open_timeout: 3, read_timeout: 20) do |http|
        http.request(request)
      end
      @cookie = answer['set-cookie'].split(';').first if answer['set-cookie']
      raise "#{verb} #{path} answered #{answer.code}: #{answer.body[0, 200]}" unless answer.code.start_with?('2')

      answer.body.to_s.empty? ? nil : JSON.parse(answer.body)
    end

    # One record with an id of its own, again and again until it is acknowledged: what a form does.
    def write
      kind = %w[tap lesson flight].sample(random: @random)
      id = SecureRandom.uuid
      until_acknowledged { send(:"write_#{kind}", id) }
      @written[kind] << id
      sleep 0.05
    end

    def write_tap(id)
      ask('POST', "/api/sorties/#{@lesson}/events",
          { events: [{ id: id, kind: 'attempt', at: Time.now.utc.iso8601, attempt_no: 1 }] })
    end

    def write_lesson(id)
      ask('POST', '/api/sorties', { id: id, student_id: @student, aircraft_id: @aircraft,
                                    starts_at: Time.now.utc.iso8601, manoeuvre: 'hover' })
    end

    # A recording from the recorder: fetched by a worker, with retries.
    def write_flight(id)
      ask('POST', "/api/sorties/#{lesson}/recordings/from-recorder", { id: id })
    end

    def until_acknowledged
      yield
    rescue StandardError => e
      raise if @over && e.message.include?('answered 4')

      @last_refusal = e.message
      sleep 0.2
      retry
    end

    def kill(what, number)
      sleep @random.rand(BETWEEN_S)
      pid = pids(VICTIMS.fetch(what)).sample(random: @random) or return
      Process.kill('KILL', pid)
      note(what, number)
    rescue Errno::ESRCH
      nil
    end

    def note(what, number = nil)
      began = now
      sleep 0.2
      back = back?(BACK_WITHIN_S)
      @back[what] << (back ? now - began : Float::INFINITY)
      puts "#{number && "#{number + 1}: "}#{what}, back after #{(now - began).round(1)} s#{' NOT BACK' unless back}"
    end

    def stopped(what, word, seconds)
      pids(word).each { |pid| Process.kill('STOP', pid) }
      sleep 3
      puts "#{what} hangs: /readyz says #{ready}"
      sleep seconds - 3
      pids(word).each { |pid| Process.kill('CONT', pid) }
      note("#{what} hung for #{seconds} s")
    end

    def killed_outright
      Process.kill('KILL', @supervisor)
      Process.wait(@supervisor)
      sleep 3
      puts "after the supervisor was killed: #{Dir['/proc/[0-9]*/environ'].count { |file| ours?(file) }} processes left"
      start
      note('the supervisor, started again')
    end

    def ours?(file)
      File.read(file).include?("FUJIN_VAR=#{@var}\0")
    rescue SystemCallError
      false
    end

    def ready
      Net::HTTP.start('127.0.0.1', @environment['FUJIN_PORT'].to_i, open_timeout: 2, read_timeout: 3) do |http|
        http.get('/readyz').code
      end
    rescue StandardError
      'nothing'
    end

    def back?(seconds)
      deadline = now + seconds
      sleep 0.1 until (ready == '200') || now > deadline
      now <= deadline
    end

    # Of what this supervisor started, and what that started.
    def pids(word)
      parents = Dir['/proc/[0-9]*/stat'].filter_map do |file|
        File.read(file).then { |text| [file[/\d+/].to_i, text[/\) \S (\d+)/, 1].to_i] }
      rescue SystemCallError
        nil
      end.to_h
      parents.keys.select { |pid| under?(pid, parents) && command(pid).include?(word) }
    end

    def under?(pid, parents)
      pid = parents[pid] until pid.nil? || pid == @supervisor || pid <= 1
      pid == @supervisor
    end

    def command(pid)
      File.read("/proc/#{pid}/cmdline").tr("\0", ' ')
    rescue SystemCallError
      ''
    end

    # What was acknowledged against what is there, and whether what was begun was finished.
    def report
      finished
      sign_in
      count = ->(table, ids) {
        database("SELECT count(*), count(DISTINCT id) FROM #{table} WHERE id IN (#{ids.map do |id|
          "'#{id}'"
        end.join(',')})")
      }
      { 'tap' => 'fly_events', 'lesson' => 'sorties', 'flight' => 'recordings' }.each do |kind, table|
        ids = @written[kind]
        there = ids.empty? ? '0|0' : count.call(table, ids)
        puts "#{kind}: #{ids.size} acknowledged, #{there.tr('|', ' rows, ')} of them different"
      end
      puts "recordings by state: #{database('SELECT status, count(*) FROM recordings GROUP BY 1').tr("\n", ', ')}"
      puts "jobs left: #{database('SELECT count(*) FROM que_jobs WHERE finished_at IS NULL AND expired_at IS NULL')} " \
        '(one is the hourly check of the chain)'
      @back.each do |what, times|
        puts "#{what}: #{times.size} times, back after #{times.sort[times.size / 2].round(1)} s, at most " \
          "#{times.max.round(1)} s"
      end
    end

    # What was begun is worked off.
    def finished
      deadline = now + 300
      unread = "SELECT count(*) FROM recordings WHERE status IN ('waiting', 'working')"
      sleep 1 until database(unread) == '0' || now > deadline
    end

    def database(sql)
      Cluster.new(File.join(@var, 'database'), port: @environment['FUJIN_DATABASE_PORT'].to_i).ask('fujin', sql)
    end
  end
end

Fujin::Faults.new(Integer(ARGV.fetch(0, '100'))).run if $PROGRAM_NAME == __FILE__
