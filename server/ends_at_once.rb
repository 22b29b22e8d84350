# frozen_string_literal: true

# Asked to end, a process that is still starting ends at once. Ruby's own way is an exception in the main thread, and
# one that comes while a YAML file is read is swallowed (psych's parser calls back under rb_protect and goes on): the
# process ran on, and was left when whoever had started it was killed. What has something to bring to an end traps the
# signal once it has begun.
Signal.trap('TERM', 'SYSTEM_DEFAULT')

# What Ruby swallowed before this line was said because who started it is gone: then it is another's child by now.
starter = ENV.delete('FUJIN_STARTED_BY')
Process.kill('TERM', Process.pid) if starter && Process.ppid != starter.to_i
