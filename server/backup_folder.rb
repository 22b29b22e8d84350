# frozen_string_literal: true

require 'digest'
require 'fileutils'
require 'json'
require 'open3'
require_relative '../core/lib/fujin/errors'
require_relative 'cluster'
require_relative 'documents/sealed_text'

module Fujin
  # A backup as a folder: the database as pg_dump wrote it, the installation's secret sealed by a passphrase, and what
  # it holds: rows by table, where the chain of sign-offs ended, sums of the files.
  class BackupFolder
    # What is no whole backup, or cannot be made or restored; the message is for who looks after Fujin.
    class Broken < Error; end

    DUMP = 'database.dump'
    SECRET = 'secret.sealed'
    MANIFEST = 'manifest.json'
    FILES = [DUMP, SECRET].freeze
    # Shorter ones are guessed.
    SHORTEST_PASSPHRASE = 12
    # Rows that a running Fujin writes by itself, counted in no comparison.
    PASSING = %w[que_jobs que_lockers que_values schema_migrations ar_internal_metadata].freeze

    PASSWORD = %r{\A(postgresql://\w+):(\w+)@}
    private_constant :PASSWORD

    attr_reader :path

    def initialize(path)
      @path = File.expand_path(path)
    end

    def file(name) = File.join(path, name)

    # @return [Hash] the manifest
    # @raise [Broken] when a file is missing or was altered
    def manifest
      raise Broken, "#{path} is no backup: it has no #{MANIFEST}." unless File.exist?(file(MANIFEST))

      told = JSON.parse(File.read(file(MANIFEST)))
      FILES.each do |name|
        raise Broken, "#{file(name)} is missing: the backup is not whole." unless File.exist?(file(name))
        next if Digest::SHA256.file(file(name)).hexdigest == told.fetch('files')[name]

        raise Broken, "#{file(name)} is not as it was written: its sum differs. Take another backup."
      end
      told
    rescue JSON::ParserError, KeyError
      raise Broken, "#{file(MANIFEST)} is not readable: the backup is not whole."
    end

    # @return [String] the installation's secret
    # @raise [Broken]
    def secret(passphrase)
      SealedText.open(File.read(file(SECRET)), passphrase)
    rescue SealedText::WrongPassphrase
      raise Broken, 'The passphrase does not open the secret of this backup.'
    end

    # Into an empty database, whole or not at all.
    # @param url [String] of its owner
    # @raise [Broken]
    def load_into(url)
      self.class.program('pg_restore', '--no-owner', '--no-privileges', '--single-transaction', '--exit-on-error',
                         '-d', url, file(DUMP))
    end

    # What of a restored database differs from what was backed up.
    # @param counts [Hash{String => Integer}], @param reading [ChainReading]
    # @return [Array<String>] nothing when all is there
    def differing(told, counts, reading)
      rows = told.fetch('counts').filter_map do |table, count|
        "#{table} has #{counts[table].to_i} rows, not #{count}" unless counts[table] == count
      end
      chain = told.fetch('chain')
      return rows if chain.values_at('links', 'latest_hash') == [reading.links, reading.latest_hash] && reading.holds?

      rows + ["the chain of sign-offs ends at link #{reading.links} (#{reading.latest_hash[0, 16]}), not at " \
        "#{chain['links']} (#{chain['latest_hash'][0, 16]})", *reading.faults.map(&:to_s)]
    end

    # Rows by table.
    # @param connection [#select_value, #tables]
    def self.counts(connection)
      (connection.tables - PASSING).sort.to_h do |table|
        [table, connection.select_value("SELECT count(*) FROM #{connection.quote_table_name(table)}").to_i]
      end
    end

    # One of PostgreSQL's programs. A password goes by the environment, where other users do not see it.
    # @raise [Broken]
    def self.program(name, *arguments)
      password = arguments.filter_map { |one| one[PASSWORD, 2] }.first
      shown = arguments.map { |one| one.sub(PASSWORD, '\\1@') }
      output, status = Open3.capture2e({ 'PGPASSWORD' => password }, Cluster.program(name), *shown)
      raise Broken, "#{name} failed: #{output.lines.last(2).join.strip}" unless status.success?
    end

    # @raise [Broken]
    def self.passphrase!(text)
      return text if text.to_s.size >= SHORTEST_PASSPHRASE

      raise Broken, "The passphrase needs at least #{SHORTEST_PASSPHRASE} letters. Keep it elsewhere than the " \
        'backup: without it the signing key is lost.'
    end
  end
end
