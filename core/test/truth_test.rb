# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'

# A small run of `bin/fujin truth`: flights of which all is known, recorded well and badly, and graded. The full table
# is docs/accuracy.md.
class TruthTest < Minitest::Test
  FULL = 'everything, 10 Hz'
  RECORDERS = [FULL, '1 Hz', 'no height above ground', 'satellite only'].freeze

  # Flown by the first test that asks.
  def self.found =
    @found ||= KeptGrades.apart { Fujin::Truth::Flights.new(count: 16, seed: 11, recorders: RECORDERS).accuracy }

  def test_with_every_channel_all_are_found_and_none_made_up
    full = self.class.found.fetch(FULL)

    assert_equal 16, full.flights
    assert_equal [full.there, 0], [full.found, full.made_up]
    assert_operator full.named, :>=, 0.5 * full.planted
    assert_operator full.accused, :<=, 2
  end

  def test_the_printed_nine_of_ten_hold_what_was_flown
    RECORDERS.each do |name|
      one = self.class.found.fetch(name)

      assert_includes 0.85..0.985, one.coverage, name
      assert_operator one.inside.values.sum(&:size), :>, 150, name
    end
  end

  def test_phases_begin_where_they_did
    full = self.class.found.fetch(FULL)

    { 'entry' => 0.1, 'flare' => 0.2, 'touchdown' => 0.5, 'descent' => 0.3 }.each do |phase, seconds|
      assert_operator full.boundary_s(phase).last, :<, seconds, phase
    end
  end

  # Of eleven errors the sixth is the middle one, the tenth has nine of ten under it; their signs do not count.
  def test_what_half_of_the_errors_stay_under
    one = Fujin::Truth::Accuracy.new
    errors = [0.1, -0.2, 0.3, -0.4, 0.5, -0.6, 0.7, -0.8, 0.9, -1.0, 1.1].rotate(4)
    one.boundaries['flare'] = errors
    one.inside['flare_height_ft'] = errors.map { |off| [off.positive?, off] }

    assert_equal [0.6, 1.0], one.boundary_s('flare')
    assert_in_delta 0.6, one.error('flare_height_ft')
    assert_in_delta 6.0 / 11.0, one.coverage
  end

  # Which flights are drawn, how they are recorded and what is counted, as it was.
  def test_all_of_it_is_as_it_was
    found = self.class.found.transform_values do |one|
      inside = one.inside.transform_values { |all| all.map { |holds, off| [holds ? 1 : 0, off] } }
      one.counts.transform_keys(&:to_s).merge(Kept.sum([one.boundaries, inside]))
    end

    assert_empty Kept.differences('truth', found)
  end

  def test_parts_counted_apart_are_the_whole
    flights = Fujin::Truth::Flights.new(count: 4, seed: 3, recorders: [FULL], kinds: ['hovering_autorotation'])
    whole = flights.accuracy.fetch(FULL)
    parts = Array.new(2) { |part| flights.accuracy(part: part, of: 2).fetch(FULL) }
    together = Fujin::Truth::Accuracy.together(parts)

    assert_equal whole.counts, together.counts
    assert_in_delta whole.coverage, together.coverage
  end
end
