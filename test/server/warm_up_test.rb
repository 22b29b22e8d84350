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

    assert_nil Fujin::WarmUp.run
  end
end
