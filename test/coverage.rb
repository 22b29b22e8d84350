# frozen_string_literal: true

# Counts which lines the tests run, when `FUJIN_COVERAGE` names the part that counts. Each process keeps its own
# result; `test/run.rb` puts them together.
if ENV['FUJIN_COVERAGE']
  require 'simplecov'
  SimpleCov.configure do
    root File.expand_path('..', __dir__)
    coverage_dir 'var/coverage'
    command_name ENV.fetch('FUJIN_COVERAGE')
    enable_coverage :oneshot_line
    primary_coverage :oneshot_line
    print_error_status false
    formatter SimpleCov::Formatter::SimpleFormatter
    add_filter(%r{/(core/)?test/})
    at_exit { SimpleCov.result }
  end
  SimpleCov.start
end
