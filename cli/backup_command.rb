# frozen_string_literal: true

require_relative 'passphrase'
require_relative '../server/backup_folder'
require_relative '../server/running'

module Fujin
  module Commands
    # `backup DIR`: everything of the Fujin that runs here, while it runs, as it was at one moment.
    class Backup < Command
      include Passphrase

      def run
        folder = BackupFolder.new(@options.rest.first || raise(CommandLine::Usage, 'backup needs a folder'))
        raise BackupFolder::Broken, "#{folder.path} is not empty: name a new folder." unless empty?(folder)

        Running.connect
        secret = SealedText.seal(Settings.secret, passphrase)
        FileUtils.mkdir_p(folder.path, mode: 0o700)
        told = write(folder, secret)
        Fujin::Backup.create!(at: Time.now.utc, folder: folder.path, bytes: File.size(folder.file(BackupFolder::DUMP)),
                              **told.fetch('chain').transform_keys(&:to_sym))
        say(folder, told)
        0
      end

      private

      def empty?(folder) = !File.exist?(folder.path) || Dir.empty?(folder.path)

      # Counted and dumped at the same moment, whatever is written meanwhile.
      def write(folder, secret)
        File.write(folder.file(BackupFolder::SECRET), secret, perm: 0o600)
        told = Record.transaction(isolation: :repeatable_read) do
          snapshot = Record.connection.select_value('SELECT pg_export_snapshot()')
          BackupFolder.program('pg_dump', '-Fc', "--snapshot=#{snapshot}", '-f', folder.file(BackupFolder::DUMP),
                               Settings.owner_url)
          { 'counts' => BackupFolder.counts(Record.connection), 'chain' => Chain.anchor.transform_keys(&:to_s),
            'school' => Fujin::School.first&.name, 'schema' => schema }
        end
        File.chmod(0o600, folder.file(BackupFolder::DUMP))
        finish(folder, told)
      end

      def schema = Record.connection.select_value('SELECT max(version) FROM schema_migrations')

      def finish(folder, told)
        files = BackupFolder::FILES.to_h { |name| [name, Digest::SHA256.file(folder.file(name)).hexdigest] }
        told.merge('made_at' => Time.now.utc.iso8601, 'files' => files).tap do |manifest|
          File.write(folder.file(BackupFolder::MANIFEST), JSON.pretty_generate(manifest), perm: 0o600)
        end
      end

      def say(folder, told)
        chain = told.fetch('chain')
        @out.puts "#{folder.path}: #{told['counts'].values.sum} rows of #{told['school'] || 'no school'}, " \
          "#{chain['links']} links in the chain of sign-offs, the last #{chain['latest_hash'][0, 16]}.",
                  'Keep the passphrase elsewhere. Try it with bin/fujin verify-backup.'
      end
    end
  end
end
