# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'sign_off_help'

# A sign-off withdrawn: never edited, a signed link of the chain, told to whoever holds the file.
class WithdrawalTest < Minitest::Test
  include ServerHelp
  include SignOffHelp

  def test_withdrawn_never_edited
    make_ready
    as(@instructor)
    row = sign
    assert_raises(ActiveRecord::StatementInvalid) { Fujin::ChainLink.first.update!(document: '{}') }
    post_json "/api/sign-offs/#{row['id']}/withdrawal",
              { id: SecureRandom.uuid, reason: 'Signed for the wrong student' }

    assert answer['withdrawn']
    assert_includes exported(row['id']), 'Calm and exact.'
    assert_raises(ActiveRecord::StatementInvalid) { Fujin::ChainLink.order(:position).last.destroy! }
  end

  # What is withdrawn is a link like any other: a later sign-off follows it, and taking it out shows.
  def test_a_withdrawal_is_part_of_the_chain
    make_ready
    as(@instructor)
    first = sign
    2.times { withdraw(first['id']) }
    third = sign
    documents = Fujin::ChainLink.in_order.map(&:parsed)

    assert_equal(%w[sign_off withdrawal sign_off], documents.map { |one| one['statement']['kind'] })
    assert_equal third['previous_hash'], documents[1]['hash']
    assert_equal [first['id'], first['hash'], 'Wrong student'],
                 documents[1]['statement'].values_at('withdraws', 'withdraws_hash', 'reason')
    assert Fujin::SignOffDocument.verify_chain(documents)
    assert_raises(Fujin::SignOffDocument::Broken) { Fujin::SignOffDocument.verify_chain([documents[0], documents[2]]) }
  end

  # Who holds an exported sign-off learns from the school's signed list that it was withdrawn.
  def test_verify_tells_what_was_withdrawn
    make_ready
    as(@instructor)
    gone = sign
    stands = sign_anew
    get '/api/sign-offs/withdrawn'
    list = file(last_response.body)
    out, _err, code = fujin_alone('verify', file(exported(gone['id'])), '--withdrawn', list)

    assert_equal 1, code
    assert_match(/WITHDRAWN by Instructor on .*: Wrong student/, out)
    out, _err, code = verify(exported(stands['id']), '--withdrawn', list)

    assert_equal 0, code
    assert_includes out, 'not withdrawn up to'
    out, = verify(File.read(list))

    assert_includes out, 'Testing Field: 1 withdrawn'
    _out, err, code = verify(exported(gone['id']), '--withdrawn', file(exported(stands['id'])))

    assert_equal 1, code
    assert_includes err, 'no list of withdrawn sign-offs'
  end

  def signed(manoeuvre)
    id = SecureRandom.uuid
    Fujin::Chain.append({ 'kind' => 'sign_off', 'id' => id, 'manoeuvre' => manoeuvre }, now: Time.now.utc) do
      Fujin::SignOff.create!(id: id, student: @student, by: @chief, manoeuvre: manoeuvre, created_at: Time.now.utc)
    end
  end

  # Withdrawn by eight at once, each a link of its own: the chain does not fork, and none is lost.
  def test_the_chain_does_not_fork_when_many_sign_at_once
    signed = Fujin::Catalogue.all.first(8).map { |declared| signed(declared.id) }
    signed.map do |row|
      Thread.new do
        withdrawing = Fujin::Withdrawing.new(Fujin::SignOff.find(row.id), @chief)
        withdrawing.withdraw(id: SecureRandom.uuid, reason: 'All at once')
      ensure
        ActiveRecord::Base.connection_handler.clear_active_connections!
      end
    end.each(&:join)
    documents = Fujin::ChainLink.in_order.map(&:parsed)

    assert_equal 16, documents.size
    assert_equal (1..16).to_a, Fujin::ChainLink.in_order.map(&:position)
    assert Fujin::SignOffDocument.verify_chain(documents)
    assert_empty Fujin::SignOff.in_force
  end

  # Withdrawn before withdrawals were signed: taken into the chain when the application starts, once.
  def test_an_older_withdrawal_is_taken_in
    make_ready
    as(@instructor)
    row = sign
    Fujin::SignOffWithdrawal.create!(id: SecureRandom.uuid, sign_off_id: row['id'], by: @instructor, reason: 'Earlier',
                                     created_at: Time.utc(2026, 11, 1))
    2.times { Fujin::Chain.take_in_older(now: Time.utc(2026, 11, 28)) }
    taken = Fujin::ChainLink.in_order.map(&:statement).last

    assert_equal 2, Fujin::ChainLink.count
    assert_equal %w[2026-11-01T00:00:00Z 2026-11-28T00:00:00Z Earlier],
                 taken.values_at('withdrawn_at', 'signed_at', 'reason')
  end
end
