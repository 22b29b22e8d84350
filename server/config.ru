# frozen_string_literal: true

require_relative 'app'

SemanticLogger.add_appender(io: $stdout, formatter: :json)
Fujin::Database.connect
run Fujin::App.build
