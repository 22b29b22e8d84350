# frozen_string_literal: true

require 'tmpdir'
require_relative 'restore_command'

module Fujin
  module Commands
    # `verify-backup DIR`: is it whole, does the passphrase open it, and does it restore? Into a database that
    # is thrown away.
    class VerifyBackup < Restore
      private

      def var = @var ||= Dir.mktmpdir('fujin-verify', '/var/tmp').tap { |path| File.chmod(0o755, path) }

      def started
        ENV['FUJIN_VAR'] = var
        ENV['FUJIN_DATABASE_PORT'] = Cluster.free_port.to_s
        super
      ensure
        FileUtils.rm_rf([var, Running.cluster.folder])
      end

      def say(folder, told)
        @out.puts "#{folder.path} is whole and restores: #{told['school'] || 'no school'} as of #{told['made_at']}, " \
          "#{told['counts'].values.sum} rows, #{told['chain']['links']} links of the chain that follow one " \
          "another, the last #{told['chain']['latest_hash']}."
        0
      end
    end
  end
end
