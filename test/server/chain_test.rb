# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'sign_off_help'

# What the school signed holds against whoever owns the database: forged by its superuser, it shows.
class ChainTest < Minitest::Test
  include ServerHelp
  include SignOffHelp

  def setup
    super
    make_ready
    as(@instructor)
    @signed = sign
    withdraw(@signed['id'])
    @again = sign
  end

  # As somebody who may do anything to the database does it.
  def forge(sql)
    TestDatabase.forge(sql)
  end

  def faults = Fujin::ChainReading.new.faults.map(&:to_s)

  def shown(id)
    get "/api/sign-offs/#{id}"
    answer
  end

  def test_what_was_signed_holds
    reading = Fujin::ChainReading.new

    assert_empty reading.faults.map(&:to_s)
    assert_equal [3, Fujin::Chain.anchor[:latest_hash]], [reading.links, reading.latest_hash]
    assert_nil shown(@again['id'])['broken']
  end

  def test_an_altered_statement_shows
    forge("UPDATE chain_links SET document = replace(document, 'Calm and exact.', 'Bold and early.') WHERE position " \
      '= 1')

    assert_equal ['Link 1: the statement was altered: its hash does not match'], faults
    assert_match(/altered/, shown(@signed['id'])['broken'])
    get "/api/sign-offs/#{@signed['id']}/sheet"

    assert_equal 200, status
  end

  def test_a_row_that_says_something_else_shows
    forge("UPDATE sign_offs SET manoeuvre = 'hover' WHERE id = '#{@again['id']}'")

    assert_match(/\ALink 3: the row that it is about says something else/, faults.join)
    assert_match(/exchanged/, shown(@again['id'])['broken'])
  end

  def test_a_withdrawal_that_was_taken_out_shows
    forge('DELETE FROM chain_links WHERE position = 2; DELETE FROM sign_off_withdrawals')

    assert_match(/links were removed/, faults.join)
    assert_match(/removed or altered/, shown(@again['id'])['broken'])
  end

  # Signed in nobody's name: a row alone is worth nothing, anywhere.
  def test_a_sign_off_without_a_link_shows
    forge("INSERT INTO sign_offs (id, student_id, by_id, manoeuvre, created_at) VALUES ('#{id = SecureRandom.uuid}', " \
      "'#{@other.id}', '#{@chief.id}', 'hover', now())")

    assert_match(/1 of sign offs stand in the database without ever having been signed/, faults.join)
    refute_includes Fujin::SignOff.in_force.pluck(:manoeuvre), 'hover'
    assert_match(/never signed/, shown(id)['detail'])
  end

  # All of it written anew, with another key: the key in the school's row was exchanged with it, and an anchor on paper
  # tells.
  def test_a_chain_written_anew_differs_from_its_anchor
    anchor = Fujin::Chain.anchor
    key = Ed25519::SigningKey.generate
    hash = Fujin::SignOffDocument::FIRST
    Fujin::ChainLink.in_order.each do |link|
      statement = link.statement.merge('remark' => 'Bold and early.')
      made = Fujin::SignOffDocument.sign(statement, previous_hash: hash, key: key)
      forge("UPDATE chain_links SET document_hash = '#{hash = made['hash']}', document = " \
        "#{Fujin::Record.connection.quote(JSON.generate(made))} WHERE position = #{link.position}")
    end

    assert_match(/exchanged/, faults.join)
    refute_equal anchor[:latest_hash], Fujin::Chain.anchor[:latest_hash]
  end

  def test_a_key_that_was_exchanged_signs_on
    Fujin::SigningKey.new(Fujin::School.current).rotate(why: 'a year old')
    sign_anew

    assert_equal 201, status
    assert_empty faults
    assert_equal [@school.public_key, @school.reload.public_key],
                 [@again['public_key'], shown(Fujin::SignOff.in_force.sole.id)['public_key']]
  end

  # The secret is gone: the chain goes on under a key that nobody vouches for, and says so.
  def test_a_lost_secret_does_not_end_the_chain
    Fujin::School.current.update!(sealed_private_key: Fujin::SealedKey.seal(Ed25519::SigningKey.generate, 'a lost one'))
    sign_anew

    assert_equal 409, status
    Fujin::SigningKey.new(Fujin::School.current).replace_lost(why: 'the machine burnt down')
    sign_anew

    assert_equal 201, status
    assert_empty faults
  end

  def test_the_application_cannot_change_what_is_appended
    ['TRUNCATE chain_links', 'UPDATE sign_offs SET manoeuvre = \'hover\'', 'DELETE FROM chain_links',
     'ALTER TABLE chain_links DISABLE TRIGGER ALL', 'DROP TABLE chain_links', 'DELETE FROM audit_entries',
     "SET session_replication_role = 'replica'", "COPY people TO PROGRAM 'true'"].each do |sql|
      error = assert_raises(ActiveRecord::StatementInvalid, sql) { Fujin::Record.connection.execute(sql) }

      assert_match(/permission denied|must be owner|must be superuser/, error.message)
    end
    error = assert_raises(ActiveRecord::StatementInvalid) { Fujin::Record.connection.execute('SELECT throw_demo_away()') }

    assert_match(/is no demo/, error.message)
    assert_raises(ActiveRecord::StatementInvalid) { @school.update!(demo: true) }
  end

  def test_one_stands_at_a_time
    sign

    assert_equal 409, status
    assert_match(/was signed off for straight-in autorotation at this stage/, answer['detail'])
  end

  # A lost answer and a second press, or two at the same moment.
  def test_the_same_press_twice_makes_one
    withdraw(@again['id'])
    id = SecureRandom.uuid
    made = Array.new(4) do
      Thread.new { Fujin::Signing.new(@student, 'straight_in_autorotation', @instructor).sign(id: id, remark: '').id }
    end.map(&:value)

    assert_equal [id], made.uniq
    assert_equal 1, Fujin::SignOff.in_force.count
  end

  def test_what_was_found_is_kept
    Fujin::CheckChain.begin
    forge("UPDATE chain_links SET document = replace(document, 'Calm', 'Bold') WHERE position = 1")
    Fujin::CheckChain.look

    assert_equal [true, false], Fujin::ChainCheck.order(:id).pluck(:holds)
    assert_equal 1, Fujin::Record.connection.select_value("SELECT count(*) FROM que_jobs WHERE job_class = 'Fujin::CheckChain'")
  end
end
