# frozen_string_literal: true

require_relative 'passphrase'
require_relative '../server/running'

module Fujin
  module Commands
    # `restore DIR`: a backup into the Fujin of this folder, which holds no school yet and does not run.
    class Restore < Command
      include Passphrase

      DATABASE = 'fujin'

      def run
        folder = BackupFolder.new(@options.rest.first || raise(CommandLine::Usage, 'restore needs a backup\'s folder'))
        told = folder.manifest
        secret = folder.secret(passphrase)
        started { |cluster| restore(folder, told, secret, cluster) }
      end

      private

      def var = Running.var

      # @yield [Cluster] running for as long
      def started
        cluster = Running.cluster
        unless Cluster.free?(cluster.port)
          raise BackupFolder::Broken, "Fujin runs (port #{cluster.port} is taken): stop it first, then restore."
        end

        cluster.create
        FileUtils.mkdir_p(File.join(var, 'log'))
        pid = cluster.spawn_server([File.join(var, 'log', 'database.log'), 'a'])
        cluster.wait
        yield cluster
      ensure
        Process.kill('INT', pid) && Process.wait(pid) if pid
      end

      def restore(folder, told, secret, cluster)
        cluster.create_database(DATABASE)
        refuse_over_a_school(cluster)
        cluster.drop_database(DATABASE)
        cluster.create_database(DATABASE)
        folder.load_into(cluster.owner_url(DATABASE))
        keep_secret(secret)
        differing = compare(folder, told, cluster, secret)
        return say(folder, told) if differing.empty?

        @err.puts 'fujin: the restored database is not what was backed up:', *differing.map { |line| "  #{line}" }
        1
      end

      def refuse_over_a_school(cluster)
        return unless cluster.ask(DATABASE, "SELECT to_regclass('schools') IS NOT NULL") == 't'
        return if cluster.ask(DATABASE, 'SELECT count(*) FROM schools') == '0'

        raise BackupFolder::Broken, "#{cluster.folder} holds a school already: restore into an empty folder " \
          '(FUJIN_VAR=elsewhere), or move this one away.'
      end

      # The one that was there sealed nothing.
      def keep_secret(secret)
        path = File.join(var, 'secret')
        File.rename(path, "#{path}.before-restore") if File.exist?(path)
        File.write(path, secret, perm: 0o600)
      end

      def compare(folder, told, cluster, secret)
        ENV.update('FUJIN_DATABASE_URL' => cluster.url(DATABASE), 'FUJIN_OWNER_URL' => cluster.owner_url(DATABASE),
                   'FUJIN_SECRET' => secret)
        require_relative '../server/boot'
        ActiveRecord::Base.establish_connection(Settings.owner_url)
        counts = BackupFolder.counts(ActiveRecord::Base.connection)
        Database.migrate
        folder.differing(told, counts, ChainReading.new)
      ensure
        ActiveRecord::Base.connection_handler.clear_all_connections!
      end

      def say(folder, told)
        @out.puts "#{told['school'] || 'No school'} as of #{told['made_at']}: #{told['counts'].values.sum} rows and " \
          "#{told['chain']['links']} links of the chain, all as backed up in #{folder.path}. Now bin/start."
        0
      end
    end
  end
end
