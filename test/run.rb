# frozen_string_literal: true

require 'fileutils'
require_relative 'test_database'

# Runs everything that must hold, cheapest first; the first failure ends it.
class Everything
  ROOT = File.expand_path('..', __dir__)

  STEPS = [
    ['Ruby style', %w[bundle exec rubocop --parallel --format quiet]],
    ['TypeScript style', %w[npm --prefix web run --silent lint]],
    ['Formatting', %w[npm --prefix web run --silent format]],
    ['Types', %w[npm --prefix web run --silent typecheck]],
    ['Core, without a database', %w[bundle exec rake -C core test]]
  ].freeze

  WITH_DATABASE = [
    ['Server and command line', ['bundle', 'exec', 'ruby', '-Itest', '-e', 'Dir["test/server/*_test.rb"].sort.each { |f| require "./#{f}" }']], # rubocop:disable Lint/InterpolationCheck
    ['In the browser', ['bundle', 'exec', 'ruby', '-Itest', '-e', 'Dir["test/browser/*_test.rb"].sort.each { |f| require "./#{f}" }']] # rubocop:disable Lint/InterpolationCheck
  ].freeze

  def run
    STEPS.each { |name, command| step(name, command) }
    TestDatabase.start
    WITH_DATABASE.each { |name, command| step(name, command) }
    puts "\nEverything passed."
  ensure
    TestDatabase.stop
  end

  private

  def step(name, command)
    puts "\n== #{name}"
    $stdout.flush
    return if system(*command, chdir: ROOT)

    TestDatabase.stop
    abort "\nfujin: '#{name}' failed: #{command.join(' ')}"
  end
end

Everything.new.run
