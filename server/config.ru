# frozen_string_literal: true

require_relative 'app'
require_relative 'warm_up'
require 'prometheus/client/data_stores/direct_file_store'
require 'tmpdir'

SemanticLogger.add_appender(io: $stdout, formatter: :json)
# Counted together, whichever process answers; gone with the one that started them.
counts = ENV.fetch('FUJIN_METRICS_FOLDER') do
  owner = Process.pid
  Dir.mktmpdir('fujin-metrics').tap { |own| at_exit { FileUtils.rm_rf(own) if Process.pid == owner } }
end
Prometheus::Client.config.data_store = Prometheus::Client::DataStores::DirectFileStore.new(dir: counts)
Fujin::Database.connect
Fujin::Database.look_round
app = Fujin::App.build
Fujin::WarmUp.run(app)
run app
