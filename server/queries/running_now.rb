# frozen_string_literal: true

require 'open3'

module Fujin
  # How this installation is: what runs, what waits, what failed, the chain of what was signed, the last backup, room.
  class RunningNow
    # Failures are told for so long; a backup older than so many days is asked for.
    FAILED_DAYS = 7
    BACKUP_DAYS = 7
    # What a job is, for who does not know its name.
    JOBS = { 'Fujin::ImportRecording' => 'recordings to read', 'Fujin::RecordLive' => 'flights being recorded',
             'Fujin::Disperse' => 'spreads of landings', 'Fujin::MeasureAgain' => 'recordings to measure again',
             'Fujin::Regrade' => 'changes of a standard', 'Fujin::SendMail' => 'letters',
             'Fujin::CheckChain' => 'the next check of the chain' }.freeze
    MOST_FAILURES = 20

    # @param now [Time]
    def initialize(now: Time.now.utc)
      @now = now
    end

    # @return [Hash] the API's Running
    def to_h
      { 'workers' => workers, 'waiting' => waiting, 'failures' => failures, 'chain' => chain, 'backup' => backup,
        'room' => room, 'versions' => versions, 'to_do' => to_do }
    end

    # What somebody has to do about it, a sentence each.
    # @return [Array<String>]
    def to_do = [broken_chain, old_backup, no_worker].compact

    private

    def select(sql) = Record.connection.select_rows(sql)
    def one(sql) = Record.connection.select_value(sql)

    def workers
      select('SELECT ruby_hostname, ruby_pid, worker_count FROM que_lockers ORDER BY 1, 2').map do |host, pid, count|
        { 'host' => host, 'pid' => pid, 'threads' => count }
      end
    end

    def waiting
      select('SELECT job_class, count(*), min(run_at) FROM que_jobs WHERE finished_at IS NULL AND expired_at IS NULL ' \
        'AND run_at <= now() GROUP BY 1 ORDER BY 3').map do |job, count, since|
        { 'what' => JOBS.fetch(job, 'other work'), 'count' => count, 'since' => Serialisers.time(since) }
      end
    end

    # Recordings that could not be read, and jobs that were given up.
    def failures
      read = RecordingRow.light.where(status: 'failed', updated_at: (@now - (FAILED_DAYS * 86_400))..)
        .order(updated_at: :desc).limit(MOST_FAILURES).preload(:by).map do |row|
        { 'at' => Serialisers.time(row.updated_at), 'what' => "#{row.name}: #{row.error}", 'asked_by' => row.by&.name }
      end
      (read + given_up).sort_by { |row| row['at'] }.reverse.first(MOST_FAILURES)
    end

    def given_up
      select("SELECT expired_at, job_class FROM que_jobs WHERE expired_at > now() - interval '#{FAILED_DAYS} days'")
        .map do |at, job|
          { 'at' => Serialisers.time(at), 'what' => Text.of('%{job}: given up',
                                                            job: JOBS.fetch(job, 'other work')), 'asked_by' => nil }
        end
    end

    def check = @check ||= ChainCheck.latest

    def chain
      check && { 'at' => Serialisers.time(check.at), 'holds' => check.holds, 'links' => check.links,
                 'latest_hash' => check.latest_hash, 'faults' => check.faults }
    end

    def last_backup = @last_backup ||= Backup.latest

    def backup
      last_backup && { 'at' => Serialisers.time(last_backup.at), 'folder' => last_backup.folder,
                       'megabytes' => (last_backup.bytes / 1_000_000.0).round(1), 'links' => last_backup.links }
    end

    def room
      free, = Open3.capture2('df', '-Pk', Settings::ROOT)
      { 'database_megabytes' => (one('SELECT pg_database_size(current_database())') / 1_000_000.0).round,
        'free_megabytes' => free.lines.last.to_s.split[3].to_i / 1000 }
    end

    def versions
      { 'ruby' => RUBY_VERSION, 'postgresql' => one('SHOW server_version')[/\S+/],
        'tables' => one('SELECT max(version) FROM schema_migrations') }
    end

    def broken_chain
      return if check.nil? || check.holds

      Text.of('What the school signed was altered: %{faults}. Sign nothing more; compare with a backup and with the ' \
        'codes on paper, and restore what was signed (docs/operating.md).',
              faults: check.faults.first)
    end

    def old_backup
      return 'There is no backup yet: bin/fujin backup FOLDER (docs/operating.md).' unless last_backup

      days = ((@now - last_backup.at) / 86_400).floor
      Text.of('The last backup is %{days} days old: bin/fujin backup FOLDER.', days: days) if days >= BACKUP_DAYS
    end

    def no_worker = workers.empty? ? 'No worker runs: recordings wait, letters too. Start it (bin/start).' : nil
  end
end
