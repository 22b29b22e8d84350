# frozen_string_literal: true

require 'bundler/setup'
require 'fileutils'
require 'json'
require 'open3'
require 'prism'
require 'tmpdir'

# Would the tests notice? Changes comparisons, signs and constants in core/lib one at a time, runs the tests that
# reach the line, and lists what survived.
#
#   bundle exec ruby scripts/mutate.rb [--count 200] [--seed 1] [--only grading] [--fresh]
#
# Which test reaches which line is found once and kept in var/mutation.json (`--fresh` finds it again); only those that
# reach it run, a constant's being those that reach a line where it is named. Those that look at little besides come
# first, then those that go farthest into the file, several to a process, for at most two minutes of theirs a mutant.
#
# A comparison is turned round; `<` becomes `<=` only where something is counted: a measured number never lies on a
# limit to its last digit, so that nothing could notice.
class Mutate
  ROOT = File.expand_path('..', __dir__)
  MAP = File.join(ROOT, 'var', 'mutation.json')
  WORKERS = 2
  # A test that computes longer on a mutant than this, or stands still, hangs, which is noticed too. In seconds of the
  # processor, so that a busy machine kills no mutant.
  PATIENCE_S = 120
  STUCK_S = 900
  # A mutant that was not noticed by tests of so many seconds counts as one that survived.
  BUDGET_S = 120
  # So much of tests to a process: what is left to run when one has noticed is little, and so are the processes begun.
  BATCH_S = 12
  # A file's own tests have so many seconds before others.
  OWN_S = 15
  # Of the lines of a file that any test reaches, this share makes a test one that goes into it.
  DEEP = 0.9
  # What is smaller is no rule, but keeps a computer's last digits from deciding.
  HAIR = 1e-5
  # Wording, not rules.
  SKIPPED = %r{errors|sign_off|/value\.rb|/kept\.rb}
  SWAPPED = { :< => '<=', :<= => '<', :> => '>=', :>= => '>', :== => '!=', :!= => '==', :+ => '-', :- => '+', :* => '/',
              :/ => '*' }.freeze
  OPPOSITE = { :< => '>=', :> => '<=', :<= => '>', :>= => '<' }.freeze
  COUNTS = %i[size length count].freeze

  Mutant = Struct.new(:file, :line, :offset, :bytes, :was, :becomes, keyword_init: true) do
    def to_s = "#{file}:#{line} `#{was}` to `#{becomes}`"
  end

  def initialize(argv)
    @count = (argv[argv.index('--count') + 1] if argv.include?('--count')).to_i.then { |n| n.zero? ? 200 : n }
    @seed = (argv[argv.index('--seed') + 1] if argv.include?('--seed')).to_i
    @only = argv[argv.index('--only') + 1] if argv.include?('--only')
    FileUtils.rm_f(MAP) if argv.include?('--fresh')
  end

  def run
    reached
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

  # One test, and how long it takes.
  One = Struct.new(:file, :name, :took_s)

  # By "file:line", what reaches it.
  # @return [Hash{String => Array<One>}]
  def reached
    @reached ||= looked.each_with_object({}) do |(file, tests), all|
      tests.each do |name, found|
        one = One.new(file, name, found['took_s'])
        found['lines'].each { |source, lines| lines.each { |line| (all["#{source}:#{line}"] ||= []) << one } }
      end
    end
  end

  # What is known of each test; files that are new or changed are run once.
  # @return [Hash{String => Hash{String => Hash}}] by file and test, what it takes and the lines it reaches
  def looked = @looked ||= look

  def look
    known = File.file?(MAP) ? JSON.parse(File.read(MAP)) : {}
    paths = Dir[File.join(ROOT, 'core/test/*_test.rb')]
    tests = paths.map { |path| File.basename(path) }
    queue = tests - (known.keys - paths.select { |path| newer?(path) }.map { |path| File.basename(path) })
    lock = Mutex.new
    Array.new(WORKERS) do
      Thread.new do
        while (test = lock.synchronize { queue.shift })
          found = lines_of(test)
          lock.synchronize { known[test] = found }
        end
      end
    end.each(&:join)
    FileUtils.mkdir_p(File.dirname(MAP))
    File.write(MAP, JSON.generate(known))
    known.slice(*tests)
  end

  def newer?(path) = File.file?(MAP) && File.mtime(path) > File.mtime(MAP)

  # Lines that count are those run by the tests themselves, not while the core loads. What several tests share is
  # reached by the first of them.
  def lines_of(test)
    code = <<~RUBY
      require 'coverage'
      require 'json'
      Coverage.start(lines: true)
      require_relative #{File.join(ROOT, 'core/test/test_helper').inspect}
      require #{test.inspect}
      FOUND = {}
      module Looked
        def before_setup
          Coverage.result(stop: false, clear: true)
          @began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
          super
        end

        def after_teardown
          super
          took_s = Process.clock_gettime(Process::CLOCK_MONOTONIC) - @began
          lines = Coverage.result(stop: false, clear: true).filter_map do |file, now|
            next unless file.include?('/core/lib/')

            run = now[:lines].each_index.filter_map { |i| i + 1 if now[:lines][i].to_i.positive? }
            [file.delete_prefix(#{"#{ROOT}/".inspect}), run] if run.any?
          end
          FOUND["\#{self.class}#\#{name}"] = { 'took_s' => took_s, 'lines' => lines.to_h }
        end
      end
      Minitest::Test.prepend(Looked)
      Minitest.after_run { File.write(ENV.fetch('FUJIN_LINES'), JSON.generate(FOUND)) }
    RUBY
    out = File.join(Dir.tmpdir, "lines-#{File.basename(test)}.json")
    Open3.capture2e({ 'FUJIN_LINES' => out }, 'bundle', 'exec', 'ruby', "-I#{ROOT}/core/test", '-e', code, chdir: ROOT)
    JSON.parse(File.read(out))
  end

  def chosen
    files = sources.grep_v(SKIPPED).select { |file| @only.nil? || file.include?(@only) }
    all = files.flat_map { |file| mutants_of(file) }
    all.sample(@count, random: Random.new(@seed))
  end

  def sources
    @sources ||= Dir[File.join(ROOT, 'core/lib/**/*.rb')].map { |file| file.delete_prefix("#{ROOT}/") }.sort
  end

  def mutants_of(file)
    found = []
    walk(Prism.parse_file(File.join(ROOT, file)).value) do |node|
      case node
      when Prism::CallNode then found.concat(operators(file, node))
      when Prism::FloatNode, Prism::IntegerNode then found.concat(numbers(file, node))
      end
    end
    found.select { |mutant| judged?(mutant) }
  end

  def judged?(mutant) = tests(mutant).any?

  # First those that look at little besides the file, for so many seconds; then those that go farthest into it, the
  # quickest before all: what passes by notices little.
  # @return [Array<One>] in the order in which they are tried
  def tests(mutant)
    found = reached["#{mutant.file}:#{mutant.line}"] || where_named(mutant) || by_file[mutant.file]
    depth = found.to_h { |one| [one, lines(one).fetch(mutant.file, []).size] }
    spent_s = 0.0
    own = found.sort_by { |one| -depth[one].fdiv(lines(one).values.sum(&:size)) }
      .take_while { |one| (spent_s += one.took_s) <= OWN_S }
    deep = DEEP * depth.values.max.to_i
    own | found.sort_by { |one| [depth[one] >= deep ? 0 : 1, one.took_s] }
  end

  # @return [Hash{String => Array<Integer>}] that a test reaches, by source file
  def lines(one) = looked.dig(one.file, one.name, 'lines')

  # A constant is reached where it is named, in its own file or in others.
  # @return [Array<One>, nil]
  def where_named(mutant)
    name, = constants(mutant.file).find { |_, lines| lines.cover?(mutant.line) }
    return nil unless name

    lines = named[[mutant.file, name]] || named.select { |(_, other), _| other == name }.values.flatten
    lines.flat_map { |line| reached.fetch(line, []) }.uniq.then { |found| found if found.any? }
  end

  # @return [Hash{Symbol => Range}] lines in which each constant of a file is written down
  def constants(file)
    @constants ||= Hash.new do |all, source|
      nodes = nodes_of(source).grep(Prism::ConstantWriteNode)
      all[source] = nodes.to_h { |node| [node.name, node.location.start_line..node.location.end_line] }
    end
    @constants[file]
  end

  # @return [Hash{Array(String, Symbol) => Array<String>}] by file and constant, "file:line" where it is named
  def named
    @named ||= sources.each_with_object({}) do |file, all|
      nodes_of(file).each do |node|
        next unless node.is_a?(Prism::ConstantReadNode) || node.is_a?(Prism::ConstantPathNode)

        (all[[file, node.name]] ||= []) << "#{file}:#{node.location.start_line}"
      end
    end
  end

  def nodes_of(file)
    found = []
    walk(Prism.parse_file(File.join(ROOT, file)).value) { |node| found << node }
    found
  end

  # @return [Hash{String => Array<One>}] by source file, whatever reaches anything of it
  def by_file
    @by_file ||= Hash.new do |all, source|
      all[source] = looked.flat_map do |file, tests|
        tests.select { |_, found| found['lines'].key?(source) }
          .map { |name, found| One.new(file, name, found['took_s']) }
      end
    end
  end

  def walk(node, &block)
    return if node.is_a?(Prism::StringNode)

    yield node
    node.compact_child_nodes.each { |child| walk(child, &block) }
  end

  def operators(file, node)
    return [] unless node.arguments&.arguments&.size == 1 && node.receiver && node.message_loc
    return [] if node.receiver.is_a?(Prism::StringNode) || node.receiver.is_a?(Prism::ArrayNode)

    others = [OPPOSITE[node.name], (SWAPPED[node.name] if !OPPOSITE.key?(node.name) || counted?(node))]
    others.compact.map { |other| mutant(file, node.message_loc, other) }
  end

  def counted?(node)
    [node.receiver, node.arguments.arguments.first].any? do |side|
      side.is_a?(Prism::IntegerNode) || (side.is_a?(Prism::CallNode) && COUNTS.include?(side.name))
    end
  end

  # A quarter more: within what a rule's author would call another rule.
  def numbers(file, node)
    return [] if node.value.abs < HAIR || (node.is_a?(Prism::IntegerNode) && node.value.abs < 3)

    changed = node.is_a?(Prism::FloatNode) ? (node.value * 1.25).round(6).to_s : (node.value * 1.25).ceil.to_s
    [mutant(file, node.location, changed)]
  end

  def mutant(file, location, becomes)
    Mutant.new(file: file, line: location.start_line, offset: location.start_offset, bytes: location.length,
               was: location.slice, becomes: becomes)
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
    batches(tests(mutant)).any? { |batch| fails?(folder, batch) }
  ensure
    File.binwrite(path, source)
  end

  # Within what a mutant is given.
  # @return [Array<Array<One>>] each for one process
  def batches(tests)
    spent_s = 0.0
    tests = tests.take_while { |one| (spent_s += one.took_s) - one.took_s <= BUDGET_S }
    filled_s = 0.0
    tests.slice_when { |_, one| (filled_s += one.took_s) > BATCH_S && (filled_s = one.took_s) }.to_a
  end

  def fails?(folder, batch)
    code = batch.map(&:file).uniq.map { |file| "require #{file.inspect}; " }.join
    names = "/\\A(#{batch.map { |one| Regexp.escape(one.name) }.join('|')})\\z/"
    File.write(filter = File.join(folder, 'filter'), names)
    ruby = "bundle exec ruby -Icore/test -e '#{code}' -- -n \"$(cat #{filter})\""
    environment = { 'BUNDLE_GEMFILE' => File.join(folder, 'Gemfile') }
    said, status = Open3.capture2e(environment, 'bash', '-c',
                                   "ulimit -t #{PATIENCE_S}; exec timeout #{STUCK_S} #{ruby}", chdir: folder)
    raise "no test ran: #{names}" if said.include?("\n0 runs,")

    !status.success?
  end
end

Mutate.new(ARGV).run
