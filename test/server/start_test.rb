# frozen_string_literal: true

require 'fileutils'
require 'minitest/autorun'
require 'open3'
require 'pathname'
require 'tmpdir'

# What bin/start does again, and what it does not: a step runs when what it depends on has changed.
class StartTest < Minitest::Test
  PREPARE = File.expand_path('../../scripts/prepare.sh', __dir__)

  def setup
    @folder = Dir.mktmpdir
    FileUtils.mkdir_p(File.join(@folder, 'src'))
    File.write(File.join(@folder, 'src', 'a.ts'), 'one')
  end

  def teardown = FileUtils.rm_rf(@folder)

  # What the step says when it is asked for: nothing when it need not run.
  def step
    script = "source #{PREPARE}; STAMPS=#{@folder}; step() { echo ran; }; cd #{@folder}; unless_done build step src"
    Open3.capture2e('bash', '-c', script).first.strip
  end

  def test_a_step_runs_once_and_again_after_a_change
    assert_equal 'ran', step
    assert_empty step
    File.write(File.join(@folder, 'src', 'a.ts'), 'two')

    assert_equal 'ran', step
  end

  # The first build of a fresh clone makes the types: that is no change.
  def test_what_a_build_makes_does_not_make_it_run_again
    step
    File.write(File.join(@folder, 'src', 'schema.generated.ts'), 'made')

    assert_empty step
  end

  # A linter of the client in a folder of its own, with what it answers.
  # @return [Array(String, Boolean)] which was asked, and whether it passed
  def linter(lot: '3', passes: true)
    script = "source #{PREPARE}; ROOT=#{@folder}; STAMPS=#{@folder}; npm() { echo $5; #{passes}; }; check_web lint"
    Open3.capture2e({ 'FUJIN_LOT' => lot }, 'bash', '-c', script).then { |said, status| [said.strip, status.success?] }
  end

  # Only in a run that draws lots, and only where it has passed.
  def test_a_linter_is_asked_again_after_a_change_or_where_it_failed_or_where_all_is_asked
    FileUtils.mkdir_p(File.join(@folder, 'web', 'src'))
    told = [['lint', false], ['lint', true], ['', true], ['lint', true]]

    assert_equal told, [linter(passes: false), linter, linter, linter(lot: nil)]
    { 'src/b.ts' => 'three', 'eslint.config.js' => 'export default []' }.each do |name, text|
      File.write(File.join(@folder, 'web', name), text)

      assert_equal ['lint', true], linter, name
    end
    assert_equal ['', true], linter
  end

  ROOT = File.dirname(PREPARE, 2)
  OUTSIDE = %r{(?<=['"\s])(?:\.\./)+[\w./-]+\.\w+}

  # Whatever the client names outside its own folder.
  def read_by_the_client
    sources = Dir.chdir(ROOT) { Dir['web/*.{js,ts,json}'] + Dir['web/src/**/*.{ts,tsx}'] }
    named = sources.flat_map do |source|
      File.read(File.join(ROOT, source)).scan(OUTSIDE).map { |name| Pathname(source).dirname.join(name).cleanpath.to_s }
    end
    named.uniq.grep_v(%r{\Aweb/}).select { |path| File.file?(File.join(ROOT, path)) }
  end

  def test_the_client_is_built_again_when_what_it_reads_of_the_core_changes
    watched = File.read(PREPARE)[/unless_done build.*/].split
    read = read_by_the_client

    assert_includes read, 'core/data/units.json'
    assert_includes read, 'api/openapi.yaml'
    assert_empty(read.reject { |file| watched.any? { |pattern| File.fnmatch(pattern, file) } })
  end

  # The image's client is built from what is copied there, and nothing else.
  def test_an_image_has_what_its_client_is_built_from
    client = File.read(File.join(ROOT, 'Dockerfile'))[/\A.*?^FROM.*?^FROM/m]
    copied = client.scan(/^COPY (\S+) \S+$/).flatten

    assert_empty(read_by_the_client.reject { |file| copied.any? { |from| file.start_with?(from) } })
  end
end
