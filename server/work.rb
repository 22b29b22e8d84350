# frozen_string_literal: true

# Starts a worker process (bundle exec ruby server/work.rb): Que's own program, with the workers that each kind of job
# needs.
require_relative 'urgency'
exec Gem.ruby, Gem.bin_path('que', 'que'), '-q', 'default', '--poll-interval', '2',
     '--worker-count', Fujin::Urgency::WORKERS.size.to_s, '--worker-priorities', Fujin::Urgency::WORKERS.join(','),
     './server/worker.rb'
