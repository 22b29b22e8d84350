# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_edges'

# What finders share: how long something holds, what interrupts it, and since when.
class StretchesTest < Minitest::Test
  include WrittenEdges

  # A finder of what is fast.
  class Fast
    include Fujin::Grading::Stretches

    def runs(least_s, **hole) = stretches(all, least_s, **hole) { |i| fast?(i) }.map { |run| times(run) }
    def still(least_s) = holding(least_s) { |i| fast?(i) }&.then { |run| times(run) }
    def first(held_s) = first_held(all, held_s) { |i| fast?(i) }&.then { |i| signals.time(i) }
    def covered(time_s) = taken?(time_s)
    def over(from_s, to_s) = overlaps?(from_s, to_s)

    private

    def fast?(index) = signals[:gs][index] > 50.0
    def times(run) = run.map { |i| signals.time(i) }
  end

  # Fast between these moments, slow otherwise.
  def finder(*pieces, taken: [])
    fast = ->(t) { pieces.any? { |from, to| t.between?(from, to) } }
    csv = WrittenFlight.new(40.0) { |t| { 'gs_kt' => fast.call(t) ? 80.0 : 10.0 } }.csv
    Fast.new(signals_of(csv), nil, taken)
  end

  def test_what_is_interrupted_for_less_than_a_second_goes_on
    assert_equal([1, 2], [1.0, 1.2].map { |hole| finder([5.0, 15.0], [15.0 + hole, 25.0]).runs(1.0).size })
    assert_equal([1, 2], [0.5, 0.7].map do |hole|
      finder([5.0, 15.0], [15.0 + hole, 25.0]).runs(1.0, hole_s: Fast::SHORT_HOLE_S).size
    end)
  end

  def test_a_stretch_is_as_long_as_it_has_to_be
    from, to = finder([5.0, 15.0]).runs(9.0).first

    assert_in_delta 5.0, from, 0.15
    assert_in_delta 15.0, to, 0.15
    assert_equal([1, 0], [4.7, 5.4].map { |least| finder([5.0, 10.0]).runs(least).size })
  end

  def test_what_holds_to_the_end_holds_still
    assert_equal([true, false], [39.3, 38.5].map { |to| !finder([20.0, to]).still(5.0).nil? })
    assert_nil finder([37.0, 40.0]).still(5.0)
  end

  def test_since_when_it_held_for_so_long
    assert_in_delta 20.0, finder([5.0, 6.6], [20.0, 30.0]).first(2.0), 0.15
    assert_in_delta 5.0, finder([5.0, 7.6], [20.0, 30.0]).first(2.0), 0.15
    assert_nil finder([5.0, 6.0]).first(2.0)
  end

  def test_what_an_earlier_finder_took_is_taken_to_its_very_ends
    attempt = Fujin::Grading::Attempt.new(manoeuvre: 'hover', start_s: 10.0, end_s: 20.0, phases: [].freeze,
                                          events: {}.freeze, estimated: false, result: :completed)
    after = finder([5.0, 6.0], taken: [attempt])

    assert_equal([false, true, true, true, false], [9.98, 10.0, 15.0, 20.0, 20.02].map { |t| after.covered(t) })
    assert_equal([false, true, true, false], [[5.0, 10.0], [5.0, 10.1], [19.9, 25.0], [20.0, 25.0]].map do |span|
      after.over(*span)
    end)
  end
end
