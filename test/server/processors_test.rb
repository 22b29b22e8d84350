# frozen_string_literal: true

require 'minitest/autorun'
require 'tempfile'
require_relative '../processors'

# What a run says of the machine under it.
class ProcessorsTest < Minitest::Test
  def told(line)
    Tempfile.create('stat') do |file|
      file.puts(line, 'cpu0 1 2 3')
      file.flush
      Processors.now(file.path)
    end
  end

  # User 100 s, nice 2, system 30, idle 500, waiting 4, interrupts 0.5 and 1.5, taken 60; a guest's 9 are in user.
  def test_used_and_taken_by_hand
    used, taken = told('cpu  10000 200 3000 50000 400 50 150 6000 900 0')

    assert_in_delta 134.0, used, 1e-9
    assert_in_delta 60.0, taken, 1e-9
    assert_equal ' (120 s of processors were used, 15 s were taken by other machines)',
                 Processors.told([134.0, 60.0], [254.0, 75.0])
  end

  def test_where_nothing_is_told_nothing_is_said
    assert_nil Processors.now('/nowhere/stat')
    assert_nil told('cpu 1 2 3')
    assert_equal '', Processors.told(nil, [1.0, 2.0])
  end
end
