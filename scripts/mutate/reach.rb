# frozen_string_literal: true

require 'fileutils'
require 'json'
require 'open3'
require 'tmpdir'
require_relative 'sources'

class Mutate
  # One test, and how many seconds of the processor it takes: other work on the machine counts nothing.
  One = Struct.new(:file, :name, :took_s)

  # Which test reaches which line of the core, and in which order they are tried on a change. Found once and kept.
  class Reach
    MAP = File.join(Sources::ROOT, 'var', 'mutation.json')
    # A file's own tests have so many seconds before others.
    OWN_S = 15
    # Of the lines of a file that any test reaches, this share makes a test one that goes into it.
    DEEP = 0.9

    # @param workers [Integer] processes at a time
    def initialize(workers) = @workers = workers

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

    private

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
      paths = Dir[File.join(Sources::ROOT, 'core/test/*_test.rb')]
      tests = paths.map { |path| File.basename(path) }
      queue = tests - (known.keys - paths.select { |path| newer?(path) }.map { |path| File.basename(path) })
      lock = Mutex.new
      Array.new(@workers) do
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
        require_relative #{File.join(Sources::ROOT, 'core/test/test_helper').inspect}
        require #{test.inspect}
        FOUND = {}
        module Looked
          def before_setup
            Coverage.result(stop: false, clear: true)
            @began = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)
            super
          end

          def after_teardown
            super
            took_s = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) - @began
            lines = Coverage.result(stop: false, clear: true).filter_map do |file, now|
              next unless file.include?('/core/lib/')

              run = now[:lines].each_index.filter_map { |i| i + 1 if now[:lines][i].to_i.positive? }
              [file.delete_prefix(#{"#{Sources::ROOT}/".inspect}), run] if run.any?
            end
            FOUND["\#{self.class}#\#{name}"] = { 'took_s' => took_s, 'lines' => lines.to_h }
          end
        end
        Minitest::Test.prepend(Looked)
        Minitest.after_run { File.write(ENV.fetch('FUJIN_LINES'), JSON.generate(FOUND)) }
      RUBY
      out = File.join(Dir.tmpdir, "lines-#{File.basename(test)}.json")
      # Compiled, as they run on a mutant: what a test takes is what it will take.
      said, status = Open3.capture2e({ 'FUJIN_LINES' => out, 'RUBY_YJIT_ENABLE' => '1' }, 'bundle', 'exec', 'ruby',
                                     "-I#{Sources::ROOT}/core/test", '-e', code, chdir: Sources::ROOT)
      raise "#{test} fails without a change, and would notice every one:\n#{said[-2000..]}" unless status.success?

      JSON.parse(File.read(out))
    end

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
        nodes = Sources.nodes(source).grep(Prism::ConstantWriteNode)
        all[source] = nodes.to_h { |node| [node.name, node.location.start_line..node.location.end_line] }
      end
      @constants[file]
    end

    # @return [Hash{Array(String, Symbol) => Array<String>}] by file and constant, "file:line" where it is named
    def named
      @named ||= Sources.all.each_with_object({}) do |file, all|
        Sources.nodes(file).each do |node|
          next unless node.is_a?(Prism::ConstantReadNode) || node.is_a?(Prism::ConstantPathNode)

          (all[[file, node.name]] ||= []) << "#{file}:#{node.location.start_line}"
        end
      end
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
  end
end
