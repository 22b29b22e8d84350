# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'

# A small run of `bin/fujin truth --twins`: what is claimed of one change against the same flight without the fault.
# The full table is docs/one-change.md.
class TwinsTest < Minitest::Test
  Twins = Fujin::Truth::Twins

  # Flown by the first test that asks.
  def self.answers = @answers ||= KeptGrades.apart do
    Twins.new(count: 2, seed: 5, kinds: %w[straight_in_autorotation hovering_autorotation run_on_landing]).answers
  end

  def test_all_of_it_is_as_it_was
    found = claims.group_by { |claim| "#{claim.manoeuvre}, #{claim.fault}" }
      .transform_values { |some| Kept.sum(some.map(&:to_h)) }

    assert_empty Kept.differences('twins', found)
  end

  def claims = self.class.answers.flat_map(&:claims)

  def test_nine_of_ten_numbers_hold
    assert_operator claims.size, :>=, 8
    assert_operator claims.count(&:holds?), :>=, 0.9 * claims.size
  end

  # The twin is another flight only in the fault: what the fault does not touch stays.
  def test_a_twin_is_flown_in_the_same_air_without_the_fault
    flight = Fujin::Truth::KnownFlight.new(Fujin::Catalogue.find('hovering_autorotation'), Random.new(4), faulty: true)

    refute_empty flight.faults
    assert_predicate flight.twin, :clean?
    refute_predicate flight, :clean?
    assert_equal flight.truth.first.attempt.start_s.round, flight.twin.truth.first.attempt.start_s.round
  end

  def test_a_number_holds_within_a_quarter_or_within_its_uncertainty
    claim = Twins::Claim.new(manoeuvre: 'm', fault: 'f', measure: 'x', claimed: 80.0, true_change: 100.0, room: 25.0)

    assert_predicate claim, :holds?
    refute_predicate claim.with(claimed: 74.9), :holds?
    refute_predicate claim.with(claimed: 125.1), :holds?
    assert_predicate claim.with(claimed: -1.9, true_change: 0.0, room: 2.0), :holds?
  end

  # A number that the fitted flight has otherwise than it was flown is not told.
  def test_only_numbers_that_the_fit_has_as_flown_are_told
    self.class.answers.select(&:claimed?).each do |one|
      told = Fujin::Catalogue.find(one.manoeuvre).told

      assert_empty one.claims.map(&:measure) - told
    end
    assert(self.class.answers.any? { |one| one.claims.size < Fujin::Catalogue.find(one.manoeuvre).told.size })
  end
end
