# frozen_string_literal: true

require 'open3'
require 'stringio'
require_relative '../../cli/command_line'

# The command line, as a person or a script meets it. To begin a process takes a second or more, so most of what it
# says is asked of it in this one; that each command finds by itself what it needs is asked in processes of their own.
module CommandLineHelp
  # @return [Array(String, String, Integer)] what was printed, what was said to be wrong, the exit code
  def fujin(*arguments)
    out, err = Array.new(2) { StringIO.new }
    code = Fujin::CommandLine.new(arguments, out: out, err: err).run
    [out.string, err.string, code]
  end

  # In a process of its own, without a database.
  def fujin_alone(*arguments)
    out, err, status = Open3.capture3({ 'FUJIN_DATABASE_URL' => nil },
                                      File.join(Fujin::Settings::ROOT, 'bin', 'fujin'), *arguments)
    [out, err, status.exitstatus]
  end
end
