# frozen_string_literal: true

# Is a worker process (bundle exec ruby server/work.rb): Que's own program, with the workers that each kind of job
# needs, under its own name. No other process is begun for it, which a signal could come in between of.
require_relative 'ends_at_once'
require_relative 'urgency'
ARGV.replace(['-q', 'default', '--poll-interval', '2', '--worker-count', Fujin::Urgency::WORKERS.size.to_s,
              '--worker-priorities', Fujin::Urgency::WORKERS.join(','), './server/worker.rb'])
program = Gem.bin_path('que', 'que')
$PROGRAM_NAME = [program, *ARGV].join(' ')
load program
