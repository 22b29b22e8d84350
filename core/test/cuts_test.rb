# frozen_string_literal: true

require_relative 'test_helper'

# Phases laid out, split and joined by hand.
class CutsTest < Minitest::Test
  Cuts = Fujin::Grading::Cuts

  def cut(id, from, to) = { 'id' => id, 'start_s' => from, 'end_s' => to }

  def entry = cut('entry', 0.0, 4.0)
  def glide = cut('glide', 4.0, 30.0)
  def flare = cut('flare', 30.0, 36.0)

  def test_phases_are_laid_evenly_and_meet
    assert_equal [cut('a', 10.0, 12.0), cut('b', 12.0, 14.0), cut('c', 14.0, 16.0)], Cuts.spread(%w[a b c], 10.0, 16.0)
  end

  def test_a_moment_within_a_phase_cuts_it
    assert_equal [[entry, cut('glide', 4.0, 20.0)], [cut('glide', 20.0, 30.0), flare]],
                 Cuts.split([entry, glide, flare], 20.0)
  end

  def test_a_moment_on_a_boundary_cuts_none
    assert_equal [[entry], [glide, flare]], Cuts.split([entry, glide, flare], 4.0)
  end

  def test_a_moment_that_leaves_nothing_on_one_side_is_refused
    [0.0, 36.0, -1.0, 40.0].each do |at_s|
      assert_raises(Fujin::InvalidInput) { Cuts.split([entry, glide, flare], at_s) }
    end
  end

  def test_what_was_split_is_whole_again
    assert_equal [entry, glide, flare], Cuts.join(*Cuts.split([entry, glide, flare], 20.0))
  end

  def test_a_phase_that_would_overlap_begins_later_and_one_that_would_be_nothing_goes
    first = [entry, glide]
    second = [cut('glide', 40.0, 60.0), cut('flare', 55.0, 66.0)]

    assert_equal [entry, cut('glide', 4.0, 60.0), cut('flare', 60.0, 66.0)], Cuts.join(first, second)
    assert_equal [entry, cut('glide', 4.0, 60.0)],
                 Cuts.join(first, [cut('glide', 40.0, 60.0), cut('flare', 55.0, 60.0)])
  end
end
