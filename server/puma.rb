# frozen_string_literal: true

# How Puma runs the web application, wherever it is started from; `-b` says where it listens.
environment 'production'
# More processes than processors and few threads in each: within one Ruby a thread that works holds up every other for a
# tenth of a second at each of its questions to the database; processes share the processors fairly (measured, see
# docs/reference/speed.md).
workers Integer(ENV.fetch('FUJIN_WEB_WORKERS', '4'))
most_threads = Integer(ENV.fetch('FUJIN_WEB_THREADS', '3'))
threads 1, most_threads
preload_app!
before_fork { ActiveRecord::Base.connection_handler.clear_all_connections! }
# A writer of logs is one thread, and none comes along when a process is split.
before_worker_boot do
  SemanticLogger.reopen
  Fujin::WarmUp.connect(most_threads)
end

# No page of Puma's own says what went wrong inside.
lowlevel_error_handler do |_failure, _env, status|
  status = 400 if status == 500
  [status, { 'content-type' => 'application/problem+json' },
   [%({"type":"about:blank","title":"Not understood","status":#{status},"detail":"This request could not be read."})]]
end
