# frozen_string_literal: true

require 'minitest/autorun'
require 'tmpdir'
require_relative '../unchanged'

# A check is left out only where all that it reads is as it was when it passed.
class UnchangedTest < Minitest::Test
  def setup
    @root = Dir.mktmpdir
    write('src/a.ts' => 'const a = 1', 'src/deep/b.ts' => 'const b = 2', 'settings.json' => '{}', 'notes.txt' => 'x')
  end

  def teardown = FileUtils.rm_rf(@root)

  def write(files)
    files.each do |name, text|
      path = File.join(@root, name)
      FileUtils.mkdir_p(File.dirname(path))
      File.write(path, text)
    end
  end

  def check(name = 'Some style')
    Unchanged.new(name, %w[src/**/* *.json], root: @root, kept: File.join(@root, 'kept'))
  end

  def test_only_what_passed_is_left_out
    refute_predicate check, :since_it_passed?
    check.passed

    assert_predicate check, :since_it_passed?
    refute_predicate check('Another style'), :since_it_passed?
  end

  # A file changed, a setting changed, one more, one less, one by another name; what is not read changes nothing.
  def test_whatever_it_reads_may_change_what_it_says
    { 'src/deep/b.ts' => 'const b = 3', 'settings.json' => '{"strict":true}', 'src/c.ts' => '' }.each do |name, text|
      check.passed
      write(name => text)

      refute_predicate check, :since_it_passed?, name
    end
    check.passed
    FileUtils.rm(File.join(@root, 'src/c.ts'))

    refute_predicate check, :since_it_passed?
    check.passed
    FileUtils.mv(File.join(@root, 'src/a.ts'), File.join(@root, 'src/z.ts'))

    refute_predicate check, :since_it_passed?
    check.passed
    write('notes.txt' => 'y')

    assert_predicate check, :since_it_passed?
  end

  # What was changed while it was asked is not what passed.
  def test_a_change_while_it_runs_is_asked_about_again
    running = check
    write('src/a.ts' => 'const a = 4')
    running.passed

    refute_predicate check, :since_it_passed?
  end
end
