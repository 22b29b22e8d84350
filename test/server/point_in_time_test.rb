# frozen_string_literal: true

require 'English'
require 'fileutils'
require 'minitest/autorun'
require 'tmpdir'
require_relative '../../server/cluster'

# Back to any moment, step by step as docs/operating.md has it: what was written before the moment is there, what came
# after is not.
class PointInTimeTest < Minitest::Test
  def setup
    @folder = Dir.mktmpdir('fujin-wal', '/var/tmp')
    File.chmod(0o755, @folder)
    @archive = File.join(@folder, 'wal')
    FileUtils.mkdir(@archive)
    @cluster = Fujin::Cluster.new(File.join(@folder, 'database'), port: Fujin::Cluster.free_port)
    @cluster.create
    @user = File.stat(@cluster.folder).uid
    FileUtils.chown(@user, nil, @archive)
    start
    @cluster.create_database('fujin')
    ask('CREATE TABLE said (words text)')
  end

  def teardown
    stop
    FileUtils.rm_rf(@folder)
  end

  def start
    ENV['FUJIN_WAL_ARCHIVE'] = @archive
    @server = @cluster.spawn_server(File.join(@folder, 'log'))
    @cluster.wait(seconds: 120)
  ensure
    ENV.delete('FUJIN_WAL_ARCHIVE')
  end

  def stop
    Process.kill('INT', @server)
    Process.wait(@server)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  end

  def ask(sql) = @cluster.ask('fujin', sql)
  def data = File.join(@cluster.folder, 'pg')
  def base = File.join(@folder, 'base')

  # As the user that runs the server.
  def as_server_user(*command)
    IO.popen([*(['setpriv', "--reuid=#{@user}", '--clear-groups'] if Process.uid.zero?), *command],
             err: %i[child out], chdir: '/', &:read)
  end

  def back_to(moment)
    stop
    FileUtils.mv(data, "#{data}.before")
    FileUtils.cp_r(base, data, preserve: true)
    FileUtils.chmod(0o700, data)
    File.write(File.join(data, 'postgresql.auto.conf'), <<~CONF)
      restore_command = 'cp #{@archive}/%f %p'
      recovery_target_time = '#{moment}'
      recovery_target_action = 'promote'
    CONF
    FileUtils.touch(File.join(data, 'recovery.signal'))
    FileUtils.chown(@user, nil, %w[postgresql.auto.conf recovery.signal].map { |name| File.join(data, name) })
    start
  end

  def wait(what)
    1200.times do
      return if yield

      sleep 0.1
    end
    flunk "not so: #{what}"
  end

  def test_back_to_a_moment
    ask("INSERT INTO said VALUES ('before the base')")
    out = as_server_user(Fujin::Cluster.program('pg_basebackup'), '-h', @cluster.folder, '-p', @cluster.port.to_s,
                         '-U', 'fujin', '-D', File.join(@cluster.folder, 'base'), '-c', 'fast')

    assert_predicate $CHILD_STATUS, :success?, out
    FileUtils.mv(File.join(@cluster.folder, 'base'), base)
    ask("INSERT INTO said VALUES ('before the moment')")
    moment = ask('SELECT clock_timestamp()')
    ask("INSERT INTO said VALUES ('after it')")
    ask('SELECT pg_switch_wal()')
    wait('the log is copied') { Dir.children(@archive).size >= 3 }
    back_to(moment)

    assert_equal "before the base\nbefore the moment", ask('SELECT words FROM said ORDER BY ctid')
    wait('it is itself again') { ask('SELECT pg_is_in_recovery()') == 'f' }
    ask("INSERT INTO said VALUES ('it goes on')")

    assert_equal '3', ask('SELECT count(*) FROM said')
  end
end
