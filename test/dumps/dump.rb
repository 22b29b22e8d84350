# frozen_string_literal: true

# What this version stores, for the versions to come: run once at each release.
#
#   bundle exec ruby -Itest -Icore/test test/dumps/dump.rb
require 'zlib'
require_relative '../server_helper'
require_relative '../server/sign_off_help'

class Dump < Minitest::Test
  include ServerHelp
  include SignOffHelp

  def test_of_this_version
    make_ready
    as(@instructor)
    sign
    post_json "/api/sorties/#{@sortie.id}/events",
              { events: [{ id: SecureRandom.uuid, kind: 'attempt', at: '2026-11-25T10:01:00Z', attempt_no: 1 }] }
    newest = Dir[File.join(Fujin::Database::MIGRATIONS, '*.rb')].map { |file| File.basename(file)[/\d+/] }.max
    command = [Fujin::Cluster.program('pg_dump'), '--no-owner', '--no-privileges', ENV.fetch('FUJIN_OWNER_URL')]
    said = IO.popen(command, &:read)

    assert_includes said, 'PostgreSQL database dump complete'
    Zlib::GzipWriter.open(File.join(__dir__, "#{newest}.sql.gz"), Zlib::BEST_COMPRESSION) { |file| file.write(said) }
  end
end
