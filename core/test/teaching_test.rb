# frozen_string_literal: true

require_relative 'test_helper'

# The fault that a candidate named against those that the recording shows.
class TeachingTest < Minitest::Test
  RECORDED = %w[late_collective slow_glide weak_flare].freeze

  {
    'late_collective' => 'first',
    'weak_flare' => 'among',
    'hard_flare' => 'not_there',
    nil => 'not_there'
  }.each do |named, verdict|
    define_method("test_naming_#{named || 'none'}_of_three_is_#{verdict}") do
      assert_equal verdict, Fujin::Progress::Teaching.verdict(named, RECORDED)
    end
  end

  def test_a_clean_attempt_has_nothing_to_name
    assert_equal 'first', Fujin::Progress::Teaching.verdict(nil, [])
    assert_equal 'none_there', Fujin::Progress::Teaching.verdict('slow_glide', [])
  end

  def test_only_the_first_fault_is_to_standard
    grades = %w[first among not_there none_there].map { |word| Fujin::Progress::Teaching::PROPOSED.fetch(word) }

    assert_equal [3, 2, 1, 1], grades
  end
end
