# frozen_string_literal: true

require 'bundler/setup'
require 'fileutils'
require 'open3'
require 'tmpdir'
require_relative 'mutate/changes'
require_relative 'mutate/reach'

# Would the tests notice? Changes comparisons, signs and constants in core/lib one at a time, runs the tests that
# reach the line, and lists what survived.
#
#   bundle exec ruby scripts/mutate.rb [--count 200] [--seed 1] [--only grading] [--seconds 120] [--fresh]
#     [--again said.log]
#
# With `--again` those are tried that survived in what an earlier run said; with `--seconds` a mutant gets so much of
# tests, for a first look.
#
# Which test reaches which line is found once and kept in var/mutation.json (`--fresh` finds it again); only those that
# reach it run, a constant's being those that reach a line where it is named. Those that look at little besides come
# first, then those that go farthest into the file, several to a process, for at most two minutes of theirs a mutant.
#
# A comparison is turned round; `<` becomes `<=` only where something is counted: a measured number never lies on a
# limit to its last digit, so that nothing could notice.
class Mutate
  ROOT = Sources::ROOT
  WORKERS = 2
  # A test that computes longer on a mutant than this, or stands still, hangs, which is noticed too. In seconds of the
  # processor, so that a busy machine kills no mutant.
  PATIENCE_S = 120
  STUCK_S = 900
  # A mutant that was not noticed by tests of so many seconds counts as one that survived.
  BUDGET_S = 120
  # So much of tests to a process: what is left to run when one has noticed is little, and so are the processes begun.
  BATCH_S = 12
  # Wording, not rules.
  SKIPPED = %r{errors|sign_off|/value\.rb|/kept\.rb}

  def initialize(argv)
    told = ->(option) { argv[argv.index(option) + 1] if argv.include?(option) }
    @count = (told.call('--count') || 200).to_i
    @seed = told.call('--seed').to_i
    @only = told.call('--only')
    @budget_s = (told.call('--seconds') || BUDGET_S).to_f
    @again = File.readlines(told.call('--again')).grep(/^survived: /i) if argv.include?('--again')
    FileUtils.rm_f(Reach::MAP) if argv.include?('--fresh')
    @reach = Reach.new(WORKERS)
  end

  def run
    mutants = chosen
    puts "#{mutants.size} mutants, seed #{@seed}"
    results = Array.new(WORKERS) do |w|
      Thread.new do
        work(mutants.each_slice(WORKERS).filter_map do |some|
          some[w]
        end)
      end
    end.flat_map(&:value)
    survivors = results.reject(&:last).map(&:first)
    survivors.sort_by(&:to_s).each { |mutant| puts "survived: #{mutant}" }
    killed = mutants.size - survivors.size
    puts format('%d of %d killed, %.1f %%', killed, mutants.size, 100.0 * killed / mutants.size)
  end

  private

  def chosen
    files = Sources.all.grep_v(SKIPPED).select { |file| @only.nil? || file.include?(@only) }
    found = files.flat_map { |file| Changes.of(file) }
    return found.select { |mutant| @again.any? { |line| line.chomp.sub(/^\w+: /, '') == mutant.to_s } } if @again

    found.select { |mutant| @reach.tests(mutant).any? }.sample(@count, random: Random.new(@seed))
  end

  # @return [Array<Array(Mutant, Boolean)>] each with whether it was noticed
  def work(mutants)
    Dir.mktmpdir do |folder|
      FileUtils.cp_r(%w[core test Gemfile Gemfile.lock .bundle].map { |name| File.join(ROOT, name) }, folder)
      %w[vendor db].each { |name| FileUtils.ln_s(File.join(ROOT, name), folder) }
      mutants.map do |mutant|
        [mutant, noticed?(folder, mutant)].tap { |_, noticed| warn "#{noticed ? 'killed' : 'SURVIVED'}: #{mutant}" }
      end
    end
  end

  def noticed?(folder, mutant)
    path = File.join(folder, mutant.file)
    source = File.binread(path)
    changed = source.dup
    changed[mutant.offset, mutant.bytes] = mutant.becomes.b
    File.binwrite(path, changed)
    batches(@reach.tests(mutant)).any? { |batch| fails?(folder, batch) }
  ensure
    File.binwrite(path, source)
  end

  # Within what a mutant is given.
  # @return [Array<Array<One>>] each for one process
  def batches(tests)
    spent_s = 0.0
    tests = tests.take_while { |one| (spent_s += one.took_s) - one.took_s <= @budget_s }
    filled_s = 0.0
    tests.slice_when { |_, one| (filled_s += one.took_s) > BATCH_S && (filled_s = one.took_s) }.to_a
  end

  def fails?(folder, batch)
    code = batch.map(&:file).uniq.map { |file| "require #{file.inspect}; " }.join
    names = "/\\A(#{batch.map { |one| Regexp.escape(one.name) }.join('|')})\\z/"
    File.write(filter = File.join(folder, 'filter'), names)
    ruby = "bundle exec ruby -Icore/test -e '#{code}' -- -n \"$(cat #{filter})\""
    environment = { 'BUNDLE_GEMFILE' => File.join(folder, 'Gemfile'), 'RUBY_YJIT_ENABLE' => '1' }
    said, status = Open3.capture2e(environment, 'bash', '-c',
                                   "ulimit -t #{PATIENCE_S}; exec timeout #{STUCK_S} #{ruby}", chdir: folder)
    raise "no test ran: #{names}" if said.include?("\n0 runs,")

    !status.success?
  end
end

Mutate.new(ARGV).run
