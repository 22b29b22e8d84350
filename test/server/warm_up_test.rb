# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../server/warm_up'

# Before the web splits into processes it reads once what people will ask: all of it, and without a school nothing.
class WarmUpTest < Minitest::Test
  include ServerHelp

  def test_every_read_is_one_that_works
    imported(@sortie)
    reads = Fujin::WarmUp.reads(@chief)

    assert_equal 10, reads.size
    reads.each { |read| refute_empty read.call }
    assert_equal 4, (Fujin::AttemptRow.delete_all && Fujin::WarmUp.reads(@chief).size)
  end

  def test_it_never_keeps_the_web_from_starting
    empty_the_database

    assert_nil Fujin::WarmUp.run(->(_env) { [200, {}, []] })
    assert Fujin::WarmUp.run(->(_env) { raise 'not yet' }), 'what goes wrong is only noted'
  end

  # A process has as many connections as threads when it begins to answer, and a database that is away keeps none.
  def test_connections_are_there_before_anybody_asks
    pool = Fujin::Record.connection_pool
    pool.disconnect!
    Fujin::WarmUp.connect(3)

    assert_equal 3, pool.connections.count(&:connected?)
    assert_equal 0, pool.connections.count(&:in_use?)
  end
end
