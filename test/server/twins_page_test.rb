# frozen_string_literal: true

require 'minitest/autorun'
require 'json'
require_relative 'command_line_help'
require_relative '../../cli/truth_command'

# The page of what one change claims: shares counted by hand, the farthest off named with where it was.
class TwinsPageTest < Minitest::Test
  include CommandLineHelp

  Twins = Fujin::Truth::Twins

  def claim(measure, claimed, true_change, room) =
    Twins::Claim.new(manoeuvre: 'normal_approach', fault: 'too_steep', measure: measure,
                     claimed: claimed, true_change: true_change, room: room)

  def page
    claims = [claim('miss_along_ft', 100.0, 90.0, 22.5), claim('miss_along_ft', 100.0, 50.0, 12.5),
              claim('miss_along_ft', 100.0, -5.0, 4.0), claim('approach_angle_deg', -2.0, -2.1, 0.5)]
    answered = Twins::Answered.new(manoeuvre: 'normal_approach', fault: 'too_steep', claims: claims)
    silent = Twins::Answered.new(manoeuvre: 'normal_approach', fault: 'too_shallow', reason: 'it does not fit')
    Fujin::Commands::TwinsPage.new([answered, silent], 2, 9)
  end

  def test_what_holds_is_counted
    assert_equal({ 'normal_approach' => { 'asked' => 2, 'claimed' => 1, 'numbers' => 4, 'hold' => 2 } }, page.to_h)
    text = page.to_s

    assert_includes text, '| Normal approach | 2 | 1 | 4 | 50 % |'
    assert_includes text, '| `miss_along_ft` | 3 | 33 % | 100 said, -5 true ft | normal_approach, too_steep |'
    assert_includes text, '| `approach_angle_deg` | 1 | 100 % |  |  |'
    assert_includes text, '| normal_approach | too_shallow | 1 | it does not fit |'
    assert_includes text, 'truth --twins 2 --seed 9'
  end

  def test_a_number_of_twins_out_of_range_is_told
    _out, err, code = fujin('truth', '--twins', '0')

    assert_equal 1, code
    assert_match(/--twins/, err)
  end
end
