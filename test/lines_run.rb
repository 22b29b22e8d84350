# frozen_string_literal: true

require 'coverage'
require 'fileutils'
require 'json'

# Which lines of the code the tests run. Each line is counted once, which costs hardly anything even in
# the flight model; each process keeps its own lines, and `test/run.rb` puts them together. A process that is split off
# begins without those that were run while its code was read: whoever read it keeps them.
module LinesRun
  ROOT = File.expand_path('..', __dir__)
  FOLDER = File.join(ROOT, 'var', 'coverage')
  PARTS = %w[core/lib server cli devices db].freeze

  module_function

  # Of what is read from here on.
  def begin = Coverage.running? || Coverage.start(oneshot_lines: true)

  # @param name [String] of this process among those of one run
  def keep_at_exit(name)
    owner = Process.pid
    # A process that was split off from this one keeps nothing.
    at_exit { keep(name) if Process.pid == owner }
  end

  def keep(name)
    FileUtils.mkdir_p(FOLDER)
    lines = Coverage.result.select { |file, _| ours?(file) }.transform_values { |found| found[:oneshot_lines] }
    File.write(File.join(FOLDER, "#{name.tr(' ', '-')}.json"), JSON.generate(lines))
  end

  def ours?(file) = PARTS.any? { |part| file.start_with?(File.join(ROOT, part, '')) }

  # @return [Hash{String => Array(Integer, Integer)}] lines run and lines there, by part
  def totals
    run = Dir[File.join(FOLDER, '*.json')].map { |file| JSON.parse(File.read(file)) }
    files = run.flat_map(&:keys).uniq.to_h { |file| [file, run.flat_map { |one| one.fetch(file, []) }.uniq.size] }
    PARTS.to_h do |part|
      inside = files.select { |file, _| file.start_with?(File.join(ROOT, part, '')) }
      [part, [inside.values.sum, inside.keys.sum { |file| Coverage.line_stub(file).compact.size }]]
    end
  end
end
