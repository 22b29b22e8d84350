# frozen_string_literal: true

# Faults by hand: an installation of its own, a client that writes and keeps what was acknowledged, and what goes wrong
# on a bad day. Nothing acknowledged may be lost or doubled, and it comes back by itself.
#
#   bundle exec ruby scripts/faults.rb [how many kills, else 100] [trial ...]
#
# The trials: kills, database_away, database_paused, disk, supervisor; all of them unless some are named. Two go by a
# clock that is moved, and are run by themselves, since that makes everything many times slower: worker_away, clock.
# A quarter of an hour long each; not part of bin/test.
require_relative 'faults/installation'
require_relative 'faults/writer'

module Fujin
  module Faults
    # One run of it.
    class Run
      # By what it is called, and by a word of its command line.
      VICTIMS = { 'web' => 'puma', 'web process' => 'puma: cluster worker', 'worker' => '/que ',
                  'database' => 'postgres -D', 'a line of the database' => 'postgres: fujin_app',
                  'recorder' => 'flight_recorder' }.freeze
      TRIALS = %i[kills database_away database_paused disk supervisor].freeze
      CLOCKED = %i[worker_away clock].freeze
      BETWEEN_S = (0.5..2.5)
      BACK_WITHIN_S = 90
      AWAY_S = 60
      # Between two of them the writer has that long to have something acknowledged.
      WRITES_S = 5

      # @param kills [Integer]
      # @param trials [Array<Symbol>]
      def initialize(kills: 100, trials: TRIALS, random: Random.new(1))
        @kills = kills
        @trials = trials
        @random = random
        @installation = Installation.new(fake_clock: trials.intersect?(CLOCKED))
        @writer = Writer.new(@installation, random: random)
        @back = Hash.new { |all, what| all[what] = [] }
      end

      def run
        @installation.start
        @writer.found
        @writer.begin
        @trials.each do |trial|
          sleep WRITES_S
          send(trial)
        end
        @writer.finish
        report
      ensure
        @installation.stop
        @installation.remove
      end

      private

      def now = @installation.now

      def kills
        @kills.times do |i|
          sleep @random.rand(BETWEEN_S)
          what = VICTIMS.keys.sample(random: @random)
          pid = @installation.pids(VICTIMS.fetch(what)).sample(random: @random)
          next puts("#{i + 1}: #{what}: none to be found") unless pid

          Process.kill('KILL', pid)
          note(what)
        rescue Errno::ESRCH
          nil
        end
      end

      # It is not there at all: whoever would start it again looks away meanwhile.
      def database_away
        @installation.signal_supervisor('STOP')
        @installation.pids('postgres -D').each { |pid| Process.kill('KILL', pid) }
        say_after('the database is away')
        @installation.signal_supervisor('CONT')
        note("the database was away for #{AWAY_S} s")
      end

      # It neither answers nor breaks off.
      def database_paused
        paused('postgres') { say_after('the database hangs') }
        note("the database hung for #{AWAY_S} s")
      end

      # For an hour of its clock: the writer goes on, what it asked for waits.
      def worker_away
        before = @writer.count
        paused('/que ') do
          sleep 5
          @installation.move_clock(1) if @installation.fake_clock?
          say_after('the worker is away')
        end
        puts "taken in meanwhile: #{@writer.count - before}"
        @installation.move_clock(0)
        note('the worker was away for an hour of its clock')
      end

      # An hour on, then two back, then right again: sessions and jobs go by the clock, records do not.
      def clock
        return puts('the clock: left out, Debian\'s faketime is not installed') unless @installation.fake_clock?

        [1, -1, 0].each do |hours|
          before = @writer.count
          @installation.move_clock(hours)
          sleep 20
          puts "clock at #{format('%+d', hours)} h: /readyz says #{@installation.ready}, " \
            "#{@writer.count - before} acknowledged in 20 s"
          note("the clock jumped to #{format('%+d', hours)} h")
        end
      end

      def disk
        return puts('the disk: left out, no small disk could be mounted') unless @installation.small_disk?

        before = @writer.count
        @installation.disk_full do
          sleep 30
          status, said = @writer.one_tap
          puts "the disk is full: /readyz says #{@installation.ready}, #{@writer.count - before} acknowledged, a tap " \
            'is ' \
            "answered #{status}: #{said}"
        end
        note('the disk was full for half a minute')
      end

      def supervisor
        @installation.kill_supervisor
        sleep 5
        puts "after the supervisor was killed: #{@installation.processes} processes left"
        @installation.start
        note('the supervisor was killed and started again')
      end

      def paused(word)
        stopped = @installation.pids(word)
        stopped.each { |pid| Process.kill('STOP', pid) }
        yield
      ensure
        stopped.each do |pid|
          Process.kill('CONT', pid)
        rescue Errno::ESRCH
          nil
        end
      end

      def say_after(what)
        sleep 3
        puts "#{what}: after 3 s /readyz says #{@installation.ready}"
        sleep AWAY_S - 3
      end

      def note(what)
        began = now
        sleep 0.2
        back = @installation.back?(BACK_WITHIN_S)
        seconds = now - began
        @back[what] << (back ? seconds : Float::INFINITY)
        puts "#{what}, back after #{seconds.round(1)} s#{' NOT BACK' unless back}"
        $stdout.flush
      end

      # Also whether what was begun was finished.
      def report
        deadline = now + 600
        unread = "SELECT count(*) FROM recordings WHERE status IN ('waiting', 'working')"
        sleep 1 until @installation.database(unread) == '0' || now > deadline
        puts @writer.report
        states = @installation.database('SELECT status, error, count(*) FROM recordings GROUP BY 1, 2')
        puts "recordings by state: #{states.gsub("\n", '; ')}"
        left = 'SELECT count(*) FROM que_jobs WHERE finished_at IS NULL AND expired_at IS NULL'
        puts "jobs left: #{@installation.database(left)} (one is the hourly check of the chain)"
        @back.each do |what, times|
          puts "#{what}: #{times.size} times, back after #{times.sort[times.size / 2].round(1)} s, at most " \
            "#{times.max.round(1)} s"
        end
      end
    end
  end
end

if $PROGRAM_NAME == __FILE__
  kills, trials = ARGV.partition { |word| word.match?(/\A\d+\z/) }
  trials = trials.map(&:to_sym)
  known = Fujin::Faults::Run::TRIALS + Fujin::Faults::Run::CLOCKED
  unknown = trials - known
  abort "fujin: no trial #{unknown.join(', ')}: use a number of kills and #{known.join(', ')}" if unknown.any?
  Fujin::Faults::Run.new(kills: Integer(kills.first || 100),
                         trials: trials.empty? ? Fujin::Faults::Run::TRIALS : trials).run
end
