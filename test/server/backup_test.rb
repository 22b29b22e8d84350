# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'sign_off_help'
require 'open3'
require 'tmpdir'

# Backed up while it runs, restored into an empty cluster of another folder: nothing is missing, the chain ends where it
# ended, and the key signs on.
class BackupTest < Minitest::Test
  include ServerHelp
  include SignOffHelp

  PASSPHRASE = 'a passphrase for tests'

  def setup
    super
    @folder = Dir.mktmpdir('fujin-backup', '/var/tmp')
    File.chmod(0o755, @folder)
  end

  def teardown
    FileUtils.rm_rf(@folder)
  end

  def kept = File.join(@folder, 'kept')

  # Of the installation of the tests, unless another folder is named.
  def fujin(*words, var: nil, passphrase: PASSPHRASE)
    elsewhere = var && { 'FUJIN_DATABASE_URL' => nil, 'FUJIN_OWNER_URL' => nil, 'FUJIN_SECRET' => nil,
                         'FUJIN_VAR' => var,
                         'FUJIN_DATABASE_PORT' => (@port ||= Fujin::Cluster.free_port).to_s }
    out, status = Open3.capture2e({ 'FUJIN_BACKUP_PASSPHRASE' => passphrase }.merge(elsewhere || {}),
                                  File.join(Fujin::Settings::ROOT, 'bin', 'fujin'), *words)
    [out, status.exitstatus]
  end

  def test_everything_comes_back
    make_ready
    as(@instructor)
    sign
    out, code = fujin('backup', kept)

    assert_equal 0, code, out
    assert_match(/Testing Field, 1 links/, out)
    assert_equal(%w[600 600 600], Dir[File.join(kept, '*')].map { |file| File.stat(file).mode.to_s(8)[-3..] })
    assert_equal Fujin::Chain.anchor, Fujin::Backup.latest.slice(:links, :latest_hash).symbolize_keys
    var = File.join(@folder, 'elsewhere')
    FileUtils.mkdir_p(var)
    out, code = fujin('restore', kept, var: var)

    assert_equal 0, code, out
    assert_match(/all as backed up/, out)
    assert_equal Fujin::Settings.secret, File.read(File.join(var, 'secret'))
    out, code = fujin('restore', kept, var: var)

    assert_equal 1, code
    assert_match(/holds a school already/, out)
  end

  def test_a_backup_is_tried_without_being_restored
    fujin('backup', kept)
    out, code = fujin('verify-backup', kept, var: @folder)

    assert_equal 0, code, out
    assert_match(/is whole and restores/, out)
  end

  def test_what_is_no_whole_backup_is_refused
    fujin('backup', kept)

    assert_match(/is not empty/, fujin('backup', kept).first)
    assert_match(/at least 12 letters/, fujin('backup', "#{kept}-short", passphrase: 'short').first)
    assert_match(/does not open the secret/,
                 fujin('restore', kept, var: @folder, passphrase: 'another passphrase').first)
    File.write(File.join(kept, 'database.dump'), 'x', mode: 'a')

    assert_match(/its sum differs/, fujin('verify-backup', kept, var: @folder).first)
    File.delete(File.join(kept, 'database.dump'))

    assert_match(/is missing/, fujin('verify-backup', kept, var: @folder).first)
    assert_match(/is no backup/, fujin('restore', @folder, var: @folder).first)
  end
end
