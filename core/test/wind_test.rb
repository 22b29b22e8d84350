# frozen_string_literal: true

require_relative 'test_helper'

# Wind as forecast, and as found from drift in the air.
class WindTest < Minitest::Test
  W = Fujin::Wind

  def test_drift_gives_back_the_wind_that_made_it
    [[350, 10, 20], [90, 25, 310], [200, 3, 200], [0, 40, 180]].each do |from, speed, course|
      wind = W.new(from_deg: from, speed_kt: speed)
      heading = course + wind.drift_angle_deg(course, 70.0)
      found =
        W.from_drift(
          heading_deg: heading,
          airspeed_kt: 70.0,
          track_deg: course,
          groundspeed_kt: wind.groundspeed_kt(course, 70.0)
        )

      assert_in_delta speed, found.speed_kt, 0.01
      assert_in_delta 0.0, Fujin::Quantities.wrap_deg(found.from_deg - from), 0.1
    end
  end

  # Straight into it: the difference of the speeds; indicated airspeed grows with height.
  def test_a_drift_in_words
    assert_in_delta 12.0, W.observed('heading 350 at 70, track 350 at 58').speed_kt, 0.01
    high =
      Fujin::Planning::Conditions.build(type: Fujin::Aircraft::Library.find('tansy-2'), elevation_ft: 6000.0).atmosphere

    assert_operator W.observed('heading 350 at 70, track 350 at 58', atmosphere: high).speed_kt, :>, 17
    assert_equal W.parse('310/16'), W.observed('310/16')
  end

  # More on the nose adds, from the side it turns the wind: 10 from the left and 10 ahead are 14 from between.
  def test_more_headwind_is_added_as_a_vector
    assert_equal '350/13', W.parse('350/10').with_headwind(3.0, 350.0).text
    assert_equal '350/7', W.parse('350/10').with_headwind(-3.0, 350.0).text
    assert_equal '170/5', W.calm.with_headwind(-5.0, 350.0).text
    quartering = W.parse('260/10G16').with_headwind(10.0, 350.0)

    assert_equal '305/14', quartering.text
    assert_in_delta 6.0, quartering.gust_spread_kt
  end

  def test_what_is_read_but_cannot_be_says_its_range
    message = ->(text) { assert_raises(Fujin::InvalidInput) { Fujin::Wind.parse(text) }.message }

    assert_match(%r{direction from 0 to 360°, got "361/10"}, message.call('361/10'))
    assert_match(/at most 100 kt/, message.call('350/500'))
    assert_match(/at most 100 kt/, message.call('350/50G101'))
    assert_match(/a gust over the wind/, message.call('350/20G19'))
    assert_match(%r{DEGREES/KNOTS}, message.call('VRB/5'))
    assert_in_delta 100.0, Fujin::Wind.parse('360/100').speed_kt
  end

  def test_nonsense_is_refused_with_the_place
    ['', 'north', 'heading 350 at 70', '350/'].each do |text|
      assert_raises(Fujin::InvalidInput, text) { W.observed(text) }
    end
    error = assert_raises(Fujin::InvalidInput) { W.observed('heading 10 at 90, track 190 at 90') }

    assert_match(/180 kt/, error.message)
  end

  # Straight into it, up to 60 kt.
  def test_a_drift_that_no_wind_explains_is_refused
    assert_in_delta 59.0, W.observed('heading 350 at 100, track 350 at 41').speed_kt, 0.01
    error = assert_raises(Fujin::InvalidInput) { W.observed('heading 350 at 100, track 350 at 38') }

    assert_match(/62 kt/, error.message)
  end
end
