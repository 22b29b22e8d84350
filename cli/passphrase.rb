# frozen_string_literal: true

require 'io/console'
require_relative '../server/backup_folder'

module Fujin
  module Commands
    # What seals a backup's secret: from FUJIN_BACKUP_PASSPHRASE, or asked for on the terminal.
    module Passphrase
      private

      # @raise [BackupFolder::Broken] when it is too short
      def passphrase
        @passphrase ||= BackupFolder.passphrase!(ENV.fetch('FUJIN_BACKUP_PASSPHRASE') { asked })
      end

      def asked
        raise BackupFolder::Broken, 'No passphrase: set FUJIN_BACKUP_PASSPHRASE, or run this in a terminal.' unless
          $stdin.tty?

        @err.print 'Passphrase of the backup: '
        $stdin.noecho(&:gets).to_s.chomp.tap { @err.puts }
      end
    end
  end
end
