# frozen_string_literal: true

require_relative 'lines_run'

# Test files in a process that is split off from one that has read what they test: that takes seconds, and is done once
# instead of in each process. Tests and their helpers are read by each itself, so that none has another's; and so is
# what opens a connection or begins a thread.
module SplitOff
  ROOT = File.expand_path('..', __dir__)

  # What a stage's first file has read for all of them. The core's are begun before there is a server.
  READ = {
    'core' => %W[#{ROOT}/core/lib/fujin],
    'server' => %W[#{ROOT}/server/app rack/test],
    'browser' => %W[#{ROOT}/server/app rack/test capybara/minitest selenium-webdriver]
  }.freeze

  module_function

  # @param files [Array<String>] from the root
  # @param environment [Hash{String => String}]
  # @param out [IO] for what it prints
  # @param lines [String, nil] under which name the lines that it runs are kept; nil: they are not counted
  # @return [Integer] process
  def run(stage, files, environment:, out:, lines: nil)
    LinesRun.begin if lines
    READ.fetch(stage, []).each { |code| require code }
    fork do
      [$stdout, $stderr].each { |stream| stream.reopen(out) }
      ENV.update(environment)
      LinesRun.keep_at_exit(lines) if lines
      files.each { |file| require File.join(ROOT, file) }
    end
  end
end
