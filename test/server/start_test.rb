# frozen_string_literal: true

require 'fileutils'
require 'minitest/autorun'
require 'open3'
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

  def test_the_client_is_built_again_when_the_core_s_units_change
    said = File.read(PREPARE)[/unless_done build.*/]

    %w[core/data/units.json core/data/ranges.json api/openapi.yaml].each { |file| assert_includes said, file }
  end
end
