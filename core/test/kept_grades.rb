# frozen_string_literal: true

require_relative 'kept'

# Whatever a test has graded is kept too (core/test/kept/graded/): what the test itself did not ask of it - the other
# measures, boundaries, verdicts and faults - cannot change unseen either.
module KeptGrades
  FOLDER = File.join(Kept::FOLDER, 'graded')
  @seen = Hash.new { |all, test_class| all[test_class] = {} }

  class << self
    attr_reader :seen, :test

    def begin(test)
      @test = test
      @graded = []
    end

    # Grading that any test may be the first to ask for belongs to none of them.
    def apart
      test = @test
      @test = nil
      yield
    ensure
      @test = test
    end

    def add(proposal)
      @graded << told(proposal) if @test
    end

    # @return [Array<String>] what differs from what was kept
    def differences
      return [] if @graded.empty?

      seen[@test.class.name][@test.name] = @graded
      return [] if ENV['FUJIN_KEEP']

      kept = file(@test.class.name).fetch(@test.name, [])
      return ["#{kept.size} attempts were graded in it, now #{@graded.size}"] unless kept.size == @graded.size

      kept.zip(@graded).reject { |was, now| alike?(was, now) }.map { |was, now| "kept #{was}, now #{now}" }
    end

    # With FUJIN_KEEP: the answers of this run in place of those before, and none of tests that are no more.
    def keep
      FileUtils.mkdir_p(FOLDER)
      seen.each do |name, answers|
        there = file(name).select { |test, _| Object.const_get(name).method_defined?(test) }
        lines = there.merge(answers).sort.map { |test, all| "#{JSON.generate(test)}: #{JSON.generate(all)}" }
        File.write(path(name), "{\n#{lines.join(",\n")}\n}\n")
      end
    end

    private

    def path(name) = File.join(FOLDER, "#{name}.json")

    def file(name)
      @files ||= {}
      @files[name] ||= File.file?(path(name)) ? JSON.parse(File.read(path(name))) : {}
    end

    def alike?(was, now) = was.zip(now).all? { |one, other| Kept.alike?(one, other) }

    # Kind, a number for all numbers, one for all words.
    def told(proposal)
      measures = proposal.measures.values
      phases = proposal.attempt.phases
      numbers = [*phases.flat_map { |p| [p.start_s, p.end_s] }, proposal.gate_s,
                 *measures.flat_map { |m| [m.value, m.uncertainty] },
                 *proposal.faults.flat_map { |fault| [fault.from_s, fault.to_s] }]
      words = [proposal.attempt.result, *phases.map(&:id), *proposal.grades.map { |grade| Kept.leaves(grade) },
               *proposal.faults.flat_map { |fault| [fault.id, *fault.measures] },
               *measures.map { |m| "#{m.id} #{m.verdict} #{m.critical} #{m.too_close} #{m.estimated}" }]
      [proposal.attempt.manoeuvre, Kept.together(numbers), Zlib.crc32(words.join(' '))]
    end
  end

  # Every proposal of the core passes here.
  module Heard
    def propose(...) = super.tap { |proposal| KeptGrades.add(proposal) }
  end

  # Around each test.
  module Around
    def before_setup
      super
      KeptGrades.begin(self)
    end

    def after_teardown
      super
      differ = KeptGrades.differences
      return if differ.empty? || failures.any?

      raise Minitest::Assertion, "graded otherwise than before (FUJIN_KEEP=1 keeps it):\n#{differ.join("\n")}"
    end
  end
end

Fujin::Grading::Grader.prepend(KeptGrades::Heard)
Minitest::Test.include(KeptGrades::Around)
Minitest.after_run { KeptGrades.keep } if ENV['FUJIN_KEEP']
