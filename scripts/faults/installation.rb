# frozen_string_literal: true

require 'fileutils'
require 'json'
require 'net/http'
require 'tmpdir'
require_relative '../../core/lib/fujin'
require_relative '../../server/cluster'

module Fujin
  module Faults
    # An installation of its own, on ports and a small disk of its own, whose clock can be moved: what is spoiled is
    # nobody's. The clock and the disk want libfaketime (Debian's faketime) and root; without them those trials are
    # left out, and said so.
    class Installation
      ROOT = File.expand_path('../..', __dir__)
      NAMES = %w[FUJIN_PORT FUJIN_RECORDER_PORT FUJIN_DATABASE_PORT FUJIN_WEATHER_PORT FUJIN_MAIL_PORT].freeze
      FAKE_CLOCK = Dir['/usr/lib/*/faketime/libfaketimeMT.so.1'].first
      DISK_MB = 700
      UP_WITHIN_S = 120

      attr_reader :var

      # @param fake_clock [Boolean] whether its clock will be moved
      def initialize(fake_clock: false)
        @fake_clock = fake_clock && !FAKE_CLOCK.nil?
        @var = Dir.mktmpdir('fujin-faults', '/var/tmp')
        @small_disk = system('mount', '-t', 'tmpfs', '-o', "size=#{DISK_MB}m", 'tmpfs', @var, err: File::NULL)
        File.chmod(0o755, @var)
        @ports = NAMES.to_h { |name| [name, Cluster.free_port.to_s] }
        File.write(clock, '+0')
        File.chmod(0o644, clock)
      end

      def small_disk? = @small_disk
      def fake_clock? = @fake_clock

      def start
        @supervisor = Process.spawn(environment, 'bundle', 'exec', 'ruby', 'server/supervisor.rb',
                                    chdir: ROOT, out: [File.join(@var, 'output'), 'a'], err: %i[child out])
        back?(UP_WITHIN_S) or raise "it does not come up: #{File.read(File.join(@var, 'output'))}"
      end

      def stop
        Process.kill('CONT', @supervisor)
        Process.kill('INT', @supervisor)
        Process.wait(@supervisor)
      rescue Errno::ESRCH, Errno::ECHILD
        nil
      end

      def remove
        system('umount', '-l', @var) if @small_disk
        FileUtils.rm_rf(@var)
      end

      # Killed outright, with whoever it would have told.
      def kill_supervisor
        Process.kill('KILL', @supervisor)
        Process.wait(@supervisor)
      end

      def signal_supervisor(name) = Process.kill(name, @supervisor)
      def processes = Dir['/proc/[0-9]*/environ'].count { |file| ours?(file) }

      # @param hours [Numeric] what its clocks are ahead of ours from now on
      def move_clock(hours) = File.write(clock, format('%+dh', hours))

      # All that is left of the disk, taken until the block ends.
      def disk_full
        file = File.join(@var, 'filler')
        system('dd', 'if=/dev/zero', "of=#{file}", 'bs=64k', err: File::NULL)
        yield
      ensure
        FileUtils.rm_f(file)
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

      def uri(path) = URI("http://127.0.0.1:#{@ports['FUJIN_PORT']}#{path}")

      # @return [String] what /readyz says
      def ready
        Net::HTTP.start('127.0.0.1', @ports['FUJIN_PORT'].to_i, open_timeout: 2, read_timeout: 3) do |http|
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

      def database(sql)
        Cluster.new(File.join(@var, 'database'), port: @ports['FUJIN_DATABASE_PORT'].to_i).ask('fujin', sql)
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      private

      def clock = File.join(@var, 'clock')

      def environment
        fake = { 'LD_PRELOAD' => FAKE_CLOCK, 'FAKETIME_TIMESTAMP_FILE' => clock, 'FAKETIME_CACHE_DURATION' => '1',
                 'DONT_FAKE_MONOTONIC' => '1', 'FAKETIME_DONT_FAKE_MONOTONIC' => '1' }
        @ports.merge('FUJIN_VAR' => @var, 'FUJIN_DEMO' => 'none', 'FUJIN_DATABASE_URL' => nil,
                     'FUJIN_OWNER_URL' => nil).merge(fake_clock? ? fake : {})
      end

      def ours?(file)
        File.read(file).include?("FUJIN_VAR=#{@var}\0")
      rescue SystemCallError
        false
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
    end
  end
end
