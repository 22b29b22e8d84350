# frozen_string_literal: true

require_relative '../server_helper'
require 'open3'
require 'rotp'
require 'tmpdir'

# The secret of an installation and what it seals: exchanged, everything opens under the new one; lost, nobody is told
# that something went wrong inside.
class KeysTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @totp = ROTP::Base32.random
    @chief.update!(second_factor: Fujin::SecondFactor.seal(@totp), second_factor_since: Time.now.utc,
                   recovery_codes: [Fujin::SecondFactor.digest('abcde-fghij')])
  end

  def sign_in_with(code)
    clear_cookies
    post_json '/api/session', { sign_in: 'chief', password: PASSWORD, code: code }
    status
  end

  def with_secret(secret)
    before = ENV.fetch('FUJIN_SECRET')
    ENV['FUJIN_SECRET'] = secret
    yield
  ensure
    ENV['FUJIN_SECRET'] = before
  end

  def test_the_key_and_authenticators_open_under_another_secret
    Fujin::SigningKey.new(@school.reload).seal_anew(Fujin::Settings.secret, 'another secret')

    assert_raises(Fujin::Conflict) { Fujin::Chain.school_key }
    with_secret('another secret') do
      assert_equal @school.public_key, Base64.strict_encode64(Fujin::Chain.school_key.verify_key.to_bytes)
      assert_equal 200, sign_in_with(ROTP::TOTP.new(@totp).now)
    end
    assert_equal 'secret exchanged', Fujin::AuditEntry.latest.first.what
  end

  def test_another_secret_than_the_old_one_changes_nothing
    sealed = @school.sealed_private_key

    assert_raises(Fujin::Conflict) { Fujin::SigningKey.new(@school).seal_anew('a wrong one', 'another secret') }
    assert_equal sealed, @school.reload.sealed_private_key
  end

  # Under a secret that was lost an authenticator proves nothing; codes on paper do.
  def test_a_lost_secret_leaves_codes_on_paper
    with_secret('all that is left') do
      assert_equal 401, sign_in_with(ROTP::TOTP.new(@totp).now)
      assert_equal 200, sign_in_with('abcde-fghij')
    end
  end

  # By command, as docs/operating.md has it.
  def test_the_command_shows_exchanges_and_seals_anew
    Dir.mktmpdir do |var|
      fujin = ->(*words) do
        Open3.capture2e({ 'FUJIN_VAR' => var }, File.join(Fujin::Settings::ROOT, 'bin', 'fujin'), 'keys', *words)
      end

      assert_match(/0 links/, fujin.call('show').first)
      assert_equal 2, fujin.call('rotate').last.exitstatus, 'why is asked'
      out, code = fujin.call('rotate', 'a', 'year', 'old')

      assert_predicate code, :success?, out
      assert_includes out, Fujin::School.current.public_key
      refute_equal @school.public_key, Fujin::School.current.public_key
      assert_predicate fujin.call('seal-anew').last, :success?
      fresh = File.read(File.join(var, 'secret'))

      assert_equal '600', File.stat(File.join(var, 'secret')).mode.to_s(8)[-3..]
      with_secret(fresh) { assert Fujin::Chain.school_key }
    end
  end
end
