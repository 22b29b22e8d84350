# frozen_string_literal: true

require 'minitest/autorun'
require_relative '../by_lot'

# A run that draws lots leaves nothing out for good.
class ByLotTest < Minitest::Test
  LOTS = (0...ByLot::ONE_IN)

  def test_without_a_lot_all_is_done = assert_equal([1, 2, 3], ByLot.of([1, 2, 3], nil))

  def test_five_runs_see_each_once
    many = (1..23).to_a
    drawn = LOTS.map { |lot| ByLot.of(many, lot.to_s) }

    assert_equal many, drawn.flatten.sort
    assert_equal [4, 5], drawn.map(&:size).minmax
  end

  def test_of_few_there_is_always_one
    drawn = LOTS.map { |lot| ByLot.of(%w[a b c], lot) }

    assert_equal([%w[a], %w[b], %w[c], %w[a], %w[b]], drawn)
    assert_empty ByLot.of([], 3)
  end

  # Never run as tests: what of them would be is asked.
  MANY, ALWAYS = [/\Atest_thing_/, nil].map do |names|
    Class.new(Minitest::Test) do
      extend ByLot

      by_lot(names)
      9.times { |i| define_method("test_thing_#{i}") { flunk } }
      define_method(:test_a_rule) { flunk }
    end
  end
  [MANY, ALWAYS].each { |tests| Minitest::Runnable.runnables.delete(tests) }

  def test_only_things_of_many_are_drawn
    told = ENV.fetch(ByLot::LOT, nil)
    drawn = LOTS.map { |lot| ENV[ByLot::LOT] = lot.to_s and MANY.runnable_methods }

    assert_equal 9, drawn.flatten.uniq.grep(/thing/).size
    assert_equal([['test_a_rule']], drawn.map { |names| names.grep(/rule/) }.uniq)
    assert_equal [2, 3], drawn.map(&:size).minmax
    assert_equal 10, ALWAYS.runnable_methods.size
  ensure
    ENV[ByLot::LOT] = told
  end
end
