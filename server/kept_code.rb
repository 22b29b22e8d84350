# frozen_string_literal: true

require 'bundler/setup'

# What Ruby makes of the source files is kept in var/compiled, and where each was found, so that a process begins in
# three fifths of the time. A file that was changed is compiled anew: its size and time are looked at. Whoever may not
# write there begins as if there were nothing.
folder = File.expand_path('../var', __dir__)
if File.writable?(folder)
  require 'bootsnap'
  Bootsnap.setup(cache_dir: File.join(folder, 'compiled'), development_mode: true, compile_cache_yaml: false)
end
