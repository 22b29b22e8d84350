# frozen_string_literal: true

require 'minitest/autorun'
require 'tmpdir'
require_relative '../../server/log_files'

# Logs that grow are turned over while they are written to, and nobody else reads them.
class LogFilesTest < Minitest::Test
  def test_a_file_that_is_full_is_turned_over_under_who_writes
    Dir.mktmpdir do |folder|
      logs = Fujin::LogFiles.new(folder, most_bytes: 100)
      path = logs.of('web')
      File.open(path, 'a') do |writer|
        writer.sync = true
        7.times do |round|
          writer.write("#{round}#{'x' * 120}")
          logs.rotate
        end
        writer.write('after')
      end

      assert_equal 'after', File.read(path)
      assert_equal(%w[6 5 4 3 2], (1..5).map { |number| File.read("#{path}.#{number}")[0] })
      refute_path_exists "#{path}.6"
      assert_equal ['600'], Dir["#{path}*"].map { |file| File.stat(file).mode.to_s(8)[-3..] }.uniq
    end
  end
end
