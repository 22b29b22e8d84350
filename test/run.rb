# frozen_string_literal: true

require 'etc'
require 'fileutils'
require 'open3'
require 'tempfile'
require_relative 'lines_run'
require_relative 'test_database'

# Runs what must hold, cheapest first; the first failure ends it.
#
#   bin/test                        everything
#   bin/test core                   one stage: style, core, web, server or browser
#   bin/test core approach          the files of a stage whose name holds a word
#   bin/test core/test/wind_test.rb one file
class TestRun
  ROOT = File.expand_path('..', __dir__)

  # The longest first.
  STYLE = [
    ['TypeScript style', %w[npm --prefix web run --silent lint]],
    ['Ruby style', %w[bundle exec rubocop --parallel --format quiet]],
    ['Formatting', %w[npm --prefix web run --silent format]],
    ['Types', %w[npm --prefix web run --silent typecheck]],
    ['Known holes', %w[bundle exec ruby scripts/known_holes.rb]]
  ].freeze

  # What holds the house together is told in the first minutes, not by the stage that it stands in.
  HOUSE = %w[core/test/direction_test.rb core/test/documents_test.rb core/test/references_test.rb
             test/server/direction_test.rb].freeze

  # Title, files, whether they need the database.
  STAGES = {
    'core' => ['Core, without a database', 'core/test/**/*_test.rb', false],
    'web' => ['Pure TypeScript', 'test/web/*_test.rb', false],
    'server' => ['Server and command line', 'test/server/*_test.rb', true],
    'browser' => ['In the browser', 'test/browser/*_test.rb', true]
  }.freeze

  # A minute and more each, whatever their size: real processes are begun, every manoeuvre is flown, every view is seen.
  LONG = %w[supervisor live command_line backup live_lessons kept_autorotation_flights kept_approach_flights cut_by_hand
            damaged_recordings flight_seen everyone labels].freeze

  # What is run often is compiled as it runs, where this Ruby can: a fifth to a third less time, and the same numbers.
  COMPILED = defined?(RubyVM::YJIT) ? %w[--yjit] : []

  def initialize(words)
    @stage = words.first if words.first && (words.first == 'style' || STAGES.key?(words.first))
    @words = @stage ? words.drop(1) : words
  end

  def run
    FileUtils.rm_rf(LinesRun::FOLDER)
    style if @stage.nil? ? @words.empty? : @stage == 'style'
    STAGES.each { |name, (title, pattern, database)| stage(name, title, pattern, database) }
    coverage if whole?
    puts "\nEverything passed."
  ensure
    TestDatabase.stop
  end

  private

  def whole? = @stage.nil? && @words.empty?

  def style
    step('Style, formatting, types, known holes') { checked_in_parallel }
    step('Layers and documents') { in_parallel('house', [HOUSE], nil) }
  end

  # @return [Boolean] whether all of them passed
  def checked_in_parallel
    waiting = Queue.new
    STYLE.each { |check| waiting << check }
    waiting.close
    Array.new(Etc.nprocessors) do
      Thread.new do
        passed = true
        while (title, command = waiting.pop)
          said, status = Open3.capture2e(*command, chdir: ROOT)
          puts "   #{title}: #{status.success? ? 'passed' : "failed\n#{said}"}"
          passed &&= status.success?
        end
        passed
      end
    end.map(&:value).all?
  end

  def stage(name, title, pattern, database)
    return if @stage && @stage != name

    files = Dir[File.join(ROOT, pattern)].map { |file| file.delete_prefix("#{ROOT}/") }.select { |file| wanted?(file) }
    files -= HOUSE if whole?
    return if files.empty?

    cluster = (@cluster ||= TestDatabase.start) if database
    step(title) { in_parallel(name, chunks(files), cluster) }
  end

  def wanted?(file) = @words.empty? || @words.any? { |word| file.include?(word.delete_prefix('./')) }

  def step(title)
    puts "\n== #{title}"
    $stdout.flush
    began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    passed = yield
    puts format('   %.0f s', Process.clock_gettime(Process::CLOCK_MONOTONIC) - began)
    return if passed

    TestDatabase.stop
    abort "\nfujin: '#{title}' failed."
  end

  # Small enough that nobody waits long for the last one: what takes long each for itself and first, then the largest.
  def chunks(files)
    long, rest = files.partition { |file| LONG.include?(File.basename(file, '_test.rb')) }
    slices = rest.sort_by { |file| -File.size(file) }.each_slice([rest.size / (4 * Etc.nprocessors), 1].max)
    long.sort_by { |file| LONG.index(File.basename(file, '_test.rb')) }.each_slice(1).to_a + slices.to_a
  end

  # As many at a time as there are processors; what each printed comes in one piece.
  # @return [Boolean] whether all of them passed
  def in_parallel(name, chunks, cluster)
    waiting = chunks.each_with_index.to_a
    running = {}
    free = (0...Etc.nprocessors).map { |slot| [slot, environment(name, slot, cluster)] }
    passed = true
    until waiting.empty? && running.empty?
      while free.any? && waiting.any?
        files, i = waiting.shift
        place = free.shift
        out = Tempfile.new('fujin-test')
        running[start(files, place.last.merge(counted(name, i)), out)] = [place, out]
      end
      pid, status = Process.wait2
      place, out = running.delete(pid)
      next unless place

      puts File.read(out.path)
      passed &&= status.success?
      free << place
    end
    passed
  end

  def start(files, environment, out)
    each = 'ARGV.each { |file| require "./#{file}" }' # rubocop:disable Lint/InterpolationCheck
    command = ['bundle', 'exec', 'ruby', *COMPILED, '-Itest', '-Icore/test', '-e', each, *files]
    Process.spawn(environment, *command, chdir: ROOT, out: out, err: out)
  end

  def counted(name, index) = whole? ? { 'FUJIN_COVERAGE' => "#{name} #{index}" } : {}

  # Each place has a database of its own.
  def environment(name, slot, cluster)
    return {} unless cluster

    cluster.create_database("fujin_#{name}_#{slot}")
    TestDatabase.urls(cluster, "fujin_#{name}_#{slot}")
  end

  # Lines of the code that some test ran.
  def coverage
    puts "\n== Coverage"
    LinesRun.totals.each do |part, (run, there)|
      puts format('   %-8s %5.1f %% of %d lines', part, 100.0 * run / there, there) if there.positive?
    end
  end
end

TestRun.new(ARGV).run
