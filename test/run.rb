# frozen_string_literal: true

require 'etc'
require 'fileutils'
require 'tempfile'
require_relative 'by_lot'
require_relative 'lines_run'
require_relative 'processors'
require_relative 'split_off'

# Runs what must hold, cheapest first; where something failed, what belongs to it still runs and nothing after it.
# Stages follow on each other without a pause: no processor waits for the last of one.
#
#   bin/test                        everything; of what is done thing by thing one in five, by lot
#   bin/test all                    all of that, too: what CI runs
#   bin/test core                   one stage: style, core, web, server or browser
#   bin/test core approach          the files of a stage whose name holds a word
#   bin/test core/test/wind_test.rb one file
class TestRun
  ROOT = File.expand_path('..', __dir__)

  # A check of the web client; a run that draws lots does not ask it again about what has not changed.
  WEB = ->(check) { ['bash', '-c', 'source scripts/prepare.sh && check_web "$0"', check] }
  # The longest first.
  STYLE = [
    ['TypeScript style', WEB.call('lint')],
    ['Ruby style', %w[bundle exec rubocop --parallel --format quiet]],
    ['Formatting', WEB.call('format')],
    ['Types', WEB.call('typecheck')],
    ['Known holes', %w[bundle exec ruby scripts/known_holes.rb]]
  ].freeze

  # What holds the house together is told in the first minutes, not by the stage that it stands in.
  HOUSE = %w[core/test/direction_test.rb core/test/documents_test.rb core/test/references_test.rb
             test/server/direction_test.rb].freeze

  # Files, whether they need the database, and into how many pieces they go for each processor: what was flown for one
  # file is there for the next of its piece, but nobody is to wait long for the last one.
  STAGES = {
    'core' => ['core/test/**/*_test.rb', false, 1],
    'web' => ['test/web/*_test.rb', false, 1],
    'server' => ['test/server/*_test.rb', true, 1],
    'browser' => ['test/browser/*_test.rb', true, 4]
  }.freeze

  # One process: of which stage, what is said of it, the command or else the test files, and whether they need the
  # database.
  Job = Struct.new(:stage, :title, :command, :files, :database)

  # A minute and more each, whatever their size: real processes are begun, every manoeuvre is flown, every view is seen.
  LONG = %w[supervisor live command_line backup live_lessons kept_autorotation_flights kept_approach_flights cut_by_hand
            damaged_recordings flight_seen everyone labels].freeze

  def initialize(words)
    @all = words == ['all']
    words = [] if @all
    @stage = words.first if words.first && (words.first == 'style' || STAGES.key?(words.first))
    @words = @stage ? words.drop(1) : words
    @begun = 0
  end

  def run
    FileUtils.rm_rf(LinesRun::FOLDER)
    draw
    took_s = Hash.new(0.0)
    began = now
    processors = Processors.now
    wanted = jobs
    abort "fujin: no test's name holds '#{@words.join("' or '")}'." if wanted.empty?
    failed = in_order(wanted, took_s)
    puts
    took_s.each { |stage, seconds| puts format('   %-8s %5.0f s of one processor', stage, seconds) }
    puts format('   %-8s %5.0f s%s', 'together', now - began, Processors.told(processors, Processors.now))
    abort "\nfujin: '#{failed}' failed." if failed
    coverage if whole?
    puts "\nEverything passed#{", with lot #{lot} of what is done thing by thing: bin/test all does all of it" if lot}."
  ensure
    TestDatabase.stop if @cluster
  end

  private

  # Only a run of all stages draws; the same lot again is FUJIN_LOT=3 bin/test.
  def draw
    return ENV.delete(ByLot::LOT) if @all || !whole? || ENV['FUJIN_KEEP']

    ENV[ByLot::LOT] ||= rand(ByLot::ONE_IN).to_s
    puts "Of what is done thing by thing, one in five: lot #{lot} (again: #{ByLot::LOT}=#{lot} bin/test)."
  end

  def lot = ENV.fetch(ByLot::LOT, nil)
  def whole? = @stage.nil? && @words.empty?
  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # In the order in which they begin.
  # @return [Array<Job>]
  def jobs
    first = @stage.nil? ? @words.empty? : @stage == 'style'
    wanted = STAGES.select { |name, _| @stage.nil? || @stage == name }
    [*(style if first), *wanted.flat_map { |name, about| stage(name, *about) }]
  end

  def style
    [*STYLE.map { |title, command| Job.new('style', title, command) }, Job.new('house', HOUSE.join(', '), nil, HOUSE)]
  end

  def stage(name, pattern, database, pieces)
    files = Dir[File.join(ROOT, pattern)].map { |file| file.delete_prefix("#{ROOT}/") }.select { |file| wanted?(file) }
    files -= HOUSE if whole?
    # Of what is drawn by lot there is less to deal out, and each piece has a browser of its own to begin.
    pieces = (pieces / 2.0).ceil if lot
    chunks(files, pieces * Etc.nprocessors).map { |some| Job.new(name, some.join(', '), nil, some, database) }
  end

  def wanted?(file) = @words.empty? || @words.any? { |word| file.include?(word.delete_prefix('./')) }

  # What takes long each for itself and first; the others dealt out by their size.
  def chunks(files, pieces)
    long, rest = files.partition { |file| LONG.include?(File.basename(file, '_test.rb')) }
    alike = rest.sort_by { |file| -File.size(file) }.group_by.with_index { |_, i| i % pieces }
    long.sort_by { |file| LONG.index(File.basename(file, '_test.rb')) }.each_slice(1).to_a + alike.values
  end

  # Each place has a database of its own.
  def database_of(place)
    @databases ||= Hash.new do |known, number|
      @cluster ||= started_cluster
      @cluster.create_database("fujin_place_#{number}")
      known[number] = TestDatabase.urls(@cluster, "fujin_place_#{number}")
    end
    @databases[place]
  end

  # Read only now, when the lines that are run are counted.
  def started_cluster
    require_relative 'test_database'
    TestDatabase.start
  end

  # As many at a time as there are processors; what each printed comes in one piece.
  # @return [String, nil] the stage that failed first
  def in_order(jobs, took_s)
    places = (0...Etc.nprocessors).to_a
    running = {}
    failed = nil
    loop do
      while places.any? && jobs.any? && [nil, jobs.first.stage].include?(failed)
        job = jobs.shift
        place = places.shift
        out = Tempfile.new('fujin-test')
        running[start(job, place, out)] = [job, place, out, now]
      end
      return failed if running.empty?

      pid, status = Process.wait2
      job, place, out, began = running.delete(pid)
      next unless job

      places << place
      took_s[job.stage] += now - began
      failed ||= job.stage unless status.success?
      tell(job, out, status, now - began)
    end
  end

  def start(job, place, out)
    return Process.spawn(*job.command, chdir: ROOT, out: out, err: out) if job.command

    @begun += 1
    SplitOff.run(job.stage, job.files, out: out, lines: ("#{job.stage} #{@begun}" if whole?),
                                       environment: job.database ? database_of(place) : {})
  end

  def tell(job, out, status, seconds)
    puts format("\n== %s, %s: %s, %.0f s", job.stage, job.title, status.success? ? 'passed' : 'failed', seconds)
    said = File.read(out.path)
    puts said unless job.stage == 'style' && status.success?
    $stdout.flush
  end

  # Lines of the code that some test ran.
  def coverage
    LinesRun.keep('read')
    puts "\n== Coverage"
    LinesRun.totals.each do |part, (run, there)|
      puts format('   %-8s %5.1f %% of %d lines', part, 100.0 * run / there, there) if there.positive?
    end
  end
end

# What is left in ARGV the tests of each process would take for theirs.
TestRun.new(ARGV.slice!(0..)).run
