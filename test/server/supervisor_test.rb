# frozen_string_literal: true

require_relative '../server_helper'
require 'net/http'
require 'open3'
require 'tmpdir'

# bin/start's supervisor for real, on ports and data of its own: what dies is restarted, what it started is stopped.
class SupervisorTest < Minitest::Test
  ROOT = Fujin::Settings::ROOT

  # One that was begun: its data, its ports, its process while there is one.
  Begun = Struct.new(:var, :ports, :pid)

  class << self
    # To begin one takes as long as many a whole file: what a test leaves ready, the next one goes on with.
    def begun = @begun ||= Begun.new(folder, Array.new(5) { Fujin::Cluster.free_port })

    def end_it
      return unless @begun

      @begun.pid&.then { |pid| stop(pid) }
      FileUtils.rm_rf(@begun.var)
      @begun = nil
    end

    private

    def folder = Dir.mktmpdir('fujin-var', '/var/tmp').tap { |var| File.chmod(0o755, var) }

    def stop(pid)
      Process.kill('CONT', pid)
      Process.kill('INT', pid)
      Process.wait(pid)
    rescue Errno::ESRCH, Errno::ECHILD
      nil
    end
  end

  Minitest.after_run { end_it }

  def setup
    @var, @ports = SupervisorTest.begun.to_a
  end

  # What a test that failed left behind is nothing to go on with.
  def teardown
    SupervisorTest.end_it unless passed?
  end

  def environment(var = @var, ports = @ports)
    {
      'FUJIN_VAR' => var,
      'FUJIN_DEMO' => 'none',
      'FUJIN_ENV' => nil,
      'FUJIN_DATABASE_URL' => nil,
      'FUJIN_PORT' => ports[0].to_s,
      'FUJIN_RECORDER_PORT' => ports[1].to_s,
      'FUJIN_DATABASE_PORT' => ports[2].to_s,
      'FUJIN_WEATHER_PORT' => ports[3].to_s,
      'FUJIN_MAIL_PORT' => ports[4].to_s
    }
  end

  def supervisor = SupervisorTest.begun.pid
  def output = File.join(@var, 'output')

  # Up and ready, begun if it is not: each of its web processes, for the test before may have kept some from it.
  def start
    SupervisorTest.begun.pid ||= begin
      FileUtils.rm_f(output)
      Process.spawn(environment, 'bundle', 'exec', 'ruby', 'server/supervisor.rb', chdir: ROOT, out: output,
                                                                                   err: %i[child out])
    end
    eventually('it comes up') { File.exist?(output) && File.read(output).include?('Fujin is up') }
    eventually('ready') { Array.new(12) { ready }.uniq == ['200'] }
    @read = File.size(output)
  end

  # By the supervisor since this test has gone on with it.
  def told = File.binread(output, nil, @read)

  def ended_by(signal)
    Process.kill(signal, supervisor)
    Process.wait(supervisor)
    SupervisorTest.begun.pid = nil
  end

  def eventually(what, seconds: 150)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until yield
      flunk "not within #{seconds} s: #{what}\n#{said}" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      sleep 0.1
    end
  end

  def said
    Dir["#{@var}/output", "#{@var}/log/*.log"].map { |file| "#{file}: #{File.readlines(file).last(5).join}" }.join
  end

  def ready = asked('/readyz')

  # Without a word of the database, which a machine that is busy may take a moment to hear from.
  def alive = asked('/healthz')

  def asked(page)
    Net::HTTP.get_response('127.0.0.1', page, @ports[0]).code
  rescue SystemCallError
    'no answer'
  end

  # The processes that this supervisor started, by a word of their command.
  def children(word)
    Dir['/proc/[0-9]*'].filter_map do |folder|
      command = File.read("#{folder}/cmdline").tr("\0", ' ')
      environ = File.read("#{folder}/environ")
      if command.include?(word) && (environ.include?("FUJIN_PORT=#{@ports[0]}\0") || command.include?(@ports[2].to_s))
        folder[/\d+/].to_i
      end
    rescue SystemCallError
      nil
    end
  end

  # Web servers that answer, without the processes that each started.
  def mains = children('puma').select { |pid| File.read("/proc/#{pid}/cmdline").match?(/\Apuma [\d.]+ /) }

  def workers_of(main)
    children('cluster worker').select do |pid|
      File.read("/proc/#{pid}/status")[/^PPid:\s+(\d+)/, 1].to_i == main
    rescue SystemCallError
      false
    end
  end

  def test_what_dies_is_restarted_and_ctrl_c_stops_all_of_it
    start
    {
      'que' => 'worker',
      'postgres -D' => 'database',
      'puma' => 'web',
      'flight_recorder' => 'recorder'
    }.each do |word, name|
      eventually("#{name} runs") { children(word).any? }
      before = children(word)
      before.each { |pid| Process.kill('KILL', pid) }
      eventually("#{name} is started again") do
        told.include?("fujin: #{name} stopped") && (children(word) - before).any?
      end
    end
    eventually('ready again') { ready == '200' }

    ended_by('INT')
    assert_includes told, 'fujin: stopped'
    %w[que puma postgres flight_recorder].each { |word| assert_empty children(word), word }
    assert(@ports.all? { |port| Fujin::Cluster.free?(port) })
  end

  # Two web servers are at one address: a killed one is missed by nobody, and while both are away nobody is turned away,
  # they wait a moment.
  def test_a_killed_web_server_is_not_missed
    start
    eventually('both web servers are there') { mains.size == 2 && mains.all? { |pid| workers_of(pid).size == 2 } }
    killed = mains.first
    its_workers = workers_of(killed)
    Process.kill('KILL', killed)
    eventually('what it had started is gone with it') { !children('cluster worker').intersect?(its_workers) }

    assert_equal(%w[200], Array.new(20) { alive }.uniq)
    eventually('both are there again') { mains.size == 2 && told.include?('web stopped') }
    children('puma').each { |pid| Process.kill('KILL', pid) }

    assert_equal '200', alive
  end

  # Killed outright it says goodbye to nobody: what it started ends with it, and the next one finds its ports free.
  def test_nothing_is_left_when_the_supervisor_is_killed
    start
    ended_by('KILL')
    eventually('all of it ended') do
      %w[server/work.rb que puma postgres flight_recorder weather_station mailbox].all? { |word| children(word).empty? }
    end
    start
  end

  # Of whoever is gone before the kernel was told who a process ends with, nothing is begun.
  def test_what_was_started_in_the_last_moment_ends_too
    mark = File.join(@var, 'mark')
    asked = "require './server/cluster'; print Fujin::Cluster.with_us('TERM', 'touch', '#{mark}').join('|')"
    gone, = Open3.capture2(RbConfig.ruby, '-e', asked, chdir: ROOT)

    refute system(*gone.split('|')) || File.exist?(mark)
    assert system(*Fujin::Cluster.with_us('TERM', 'touch', mark)) && File.exist?(mark)
  end

  # Asked in the midst of reading a YAML file, of which a process that starts reads many.
  def test_a_process_that_reads_its_files_ends_when_it_is_asked_to
    code = <<~RUBY
      class Asked < Psych::Handler
        def event_location(*) = Process.kill('TERM', Process.pid)
      end
      Psych::Parser.new(Asked.new).parse('a: 1')
      puts 'ran on'
    RUBY
    said, status = Open3.capture2(RbConfig.ruby, '-r./server/ends_at_once', '-rpsych', '-e', code, chdir: ROOT)

    assert_empty said
    assert_equal Signal.list['TERM'], status.termsig
  end

  # A signal in a process's first moments may be lost in Ruby's own beginning: whose starter is gone by then ends.
  def test_a_process_whose_starter_was_gone_before_it_could_be_told_ends
    begun = ->(starter) do
      Open3.capture2({ 'FUJIN_STARTED_BY' => starter.to_s }, RbConfig.ruby, '-r./server/ends_at_once', '-e',
                     "print ENV.key?('FUJIN_STARTED_BY')", chdir: ROOT)
    end
    said, status = begun.call(Process.pid + 1)

    assert_equal ['', Signal.list['TERM']], [said, status.termsig]
    assert_equal 'false', begun.call(Process.pid)[0], 'what it starts itself is told nothing of it'
    told, = Open3.capture2(*Fujin::Cluster.with_us('TERM', 'sh', '-c', 'echo $PPID $FUJIN_STARTED_BY'))

    assert_equal [Process.pid.to_s] * 2, told.split
  end

  def test_a_taken_port_is_one_clear_sentence
    holder = TCPServer.new('127.0.0.1', 0)
    ports = [holder.addr[1]] + Array.new(4) { Fujin::Cluster.free_port }
    elsewhere = environment(File.join(@var, 'elsewhere'), ports)
    _out, err, status = Open3.capture3(elsewhere, 'bundle', 'exec', 'ruby', 'server/supervisor.rb', chdir: ROOT)

    assert_equal 1, status.exitstatus
    assert_equal 1, err.lines.size
    assert_includes err, "port #{ports[0]} is taken"
    assert_includes err, 'FUJIN_PORT='
  ensure
    holder.close
  end

  def test_the_data_and_the_secret_are_kept_from_start_to_start
    start
    secret = File.read(File.join(@var, 'secret'))
    ended_by('INT')
    start

    assert_equal secret, File.read(File.join(@var, 'secret'))
    assert_equal 0o600, File.stat(File.join(@var, 'secret')).mode & 0o777
  end

  def test_no_database_is_said_and_nothing_crashes
    start
    Process.kill('STOP', supervisor) # the supervisor looks away
    # Its lines too: each goes by itself when the postmaster is gone, and may answer until it does.
    all = signal_the_database('KILL')
    eventually('gone') { all.none? { |pid| File.exist?("/proc/#{pid}/cwd") } }
    response = Net::HTTP.get_response('127.0.0.1', '/api/session', @ports[0])

    assert_equal '503', response.code
    assert_includes JSON.parse(response.body)['title'], 'database'
    eventually('said by whoever watches') { ready == '503' }
    Process.kill('CONT', supervisor)
    eventually('ready again') { ready == '200' }
  end

  # It neither answers nor breaks off: whoever asks is told so, whichever process takes the question, and it goes on by
  # itself.
  def test_a_database_that_hangs_is_said_and_waited_out
    start
    held = signal_the_database('STOP')
    eventually('said by whoever watches') { ready == '503' }
    answers = Array.new(6) { Net::HTTP.get_response('127.0.0.1', '/api/session', @ports[0]) }

    assert_equal ['503'], answers.map(&:code).uniq
    assert(answers.all? { |answer| JSON.parse(answer.body)['detail'].include?('Nothing was stored') })
  ensure
    held&.each { |pid| Process.kill('CONT', pid) }
    eventually('ready again') { ready == '200' }
  end

  private

  # The postmaster first, so that no line is begun behind our back; then the process of each line there is, which is
  # told by its parent alone: a line's process overwrites its own command and surroundings.
  def signal_the_database(signal)
    postmaster = children('postgres -D').each { |pid| Process.kill('STOP', pid) }
    lines = postmaster.flat_map { |pid| File.read("/proc/#{pid}/task/#{pid}/children").split.map(&:to_i) }
    (postmaster + lines).each { |pid| Process.kill(signal, pid) }
  end
end
