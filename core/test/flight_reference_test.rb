# frozen_string_literal: true

require_relative 'test_helper'

# The reference values and tolerances (docs/reference/flight-model.md).
class FlightReferenceTest < Minitest::Test
  HOVER = {
    'tansy-2' => [6.86, 79.6, 66.8, 75.8, 83.5, 79.3, 77.8],
    'bracken-2' => [7.36, 96.5, 82.9, 92.1, 100.3, 95.3, 107.4],
    'yarrow-4' => [7.46, 173.4, 137.8, 163.0, 178.8, 167.2, 218.0]
  }.freeze

  SINK = {
    'tansy-2' => {
      0 => [2598, 2854],
      20 => [1779, 1850],
      40 => [1435, 1439],
      50 => [1434, 1434],
      60 => [1512, 1516],
      70 => [1667, 1683],
      80 => [1907, 1942],
      100 => [2729, 2822]
    },
    'bracken-2' => {
      0 => [2765, 3028],
      20 => [1932, 1996],
      40 => [1551, 1534],
      50 => [1542, 1518],
      60 => [1615, 1593],
      70 => [1767, 1754],
      80 => [2004, 2008],
      100 => [2817, 2871]
    },
    'yarrow-4' => {
      0 => [2833, 3097],
      20 => [2038, 2094],
      40 => [1648, 1615],
      50 => [1625, 1582],
      60 => [1675, 1633],
      70 => [1795, 1759],
      80 => [1985, 1962],
      100 => [2621, 2642]
    }
  }.freeze

  GLIDE = {
    'tansy-2' => [1424, 4.28, 75, 1614, 3.89, 70],
    'bracken-2' => [1535, 4.05, 76, 1723, 3.69, 72],
    'yarrow-4' => [1623, 4.09, 82, 1872, 3.47, 76]
  }.freeze
  FLOOR = {
    'tansy-2' => [104.5, 96.0, 116.1],
    'bracken-2' => [106.6, 98.8, 118.5],
    'yarrow-4' => [107.9, 95.3, 119.9]
  }.freeze
  DECAY = {
    'tansy-2' => {
      0 => [0.59, 1.13],
      60 => [0.88, 1.91],
      78 => [0.76, 1.54]
    },
    'bracken-2' => {
      0 => [0.93, 1.88],
      60 => [1.42, 3.35],
      80 => [1.19, 2.63]
    },
    'yarrow-4' => {
      0 => [0.98, 2.00],
      60 => [1.51, 3.66],
      100 => [1.06, 2.24]
    }
  }.freeze
  LEVEL = {
    'tansy-2' => [79.6, 59.5, 47.2, 48.8, 59.6, 79.7],
    'bracken-2' => [96.5, 74.5, 59.2, 60.5, 72.7, 95.8],
    'yarrow-4' => [173.4, 135.8, 108.2, 108.2, 125.2, 158.8]
  }.freeze
  LOWEST = { 'tansy-2' => [13.8, 12.8], 'bracken-2' => [14.9, 13.9], 'yarrow-4' => [15.4, 14.0] }.freeze
  TURN_SINK = { 20 => 1589, 30 => 1705, 45 => 2093 }.freeze
  HEADWIND = { 0 => [1225, 1304, 75], 10 => [1021, 1134, 78], 20 => [817, 973, 83], 30 => [612, 825, 88] }.freeze

  HOVER.each do |id, (induced, dual, solo, near, hot, hot_near, there)|
    define_method("test_hover_of_#{id}") do
      model = trim(id)

      assert_within induced, model.rotor.hover_induced_velocity(model.mass_kg * Q::G), 0.5
      assert_within dual, model.hover_power_w / 1000, 1
      assert_within solo, trim(id, 'solo').hover_power_w / 1000, 1
      assert_within near, model.hover_power_w(height_m: 4 * Q::FT) / 1000, 1
      warm = trim(id, 'dual', HOT)

      assert_within hot, warm.hover_power_w / 1000, 1
      assert_within hot_near, warm.hover_power_w(height_m: 4 * Q::FT) / 1000, 1
      assert_within there, warm.power_available_w / 1000, 1
    end
  end

  SINK.each do |id, table|
    define_method("test_steady_autorotation_of_#{id}") do
      table.each do |kt, (cool, warm)|
        tolerance = kt <= 30 ? 2 : 1

        assert_within cool, trim(id).autorotation_sink_m_s(kt) / Q::FPM, tolerance, "#{id} at #{kt} kt"
        assert_within warm, trim(id, 'dual', HOT).autorotation_sink_m_s(kt) / Q::FPM, tolerance, "#{id} hot at #{kt} kt"
      end
    end
  end

  GLIDE.each do |id, (least, ratio, speed, solo_sink, solo_ratio, solo_speed)|
    define_method("test_best_glide_of_#{id}") do
      assert_within least, trim(id).minimum_sink.last / Q::FPM, 1
      assert_within ratio, trim(id).best_glide.last, 1
      assert_in_delta speed, trim(id).best_glide.first, 2
      assert_within solo_sink, trim(id, 'solo').autorotation_sink_m_s(60) / Q::FPM, 1
      assert_within solo_ratio, trim(id, 'solo').best_glide.last, 1
      assert_in_delta solo_speed, trim(id, 'solo').best_glide.first, 2
    end
  end

  FLOOR.each do |id, (dual, solo, hot)|
    define_method("test_rotor_rpm_on_the_collective_stop_of_#{id}") do
      kt = type(id).glide_speed_kt

      assert_in_delta dual, trim(id).floor_rotor_rpm_pct(kt), 1
      assert_in_delta solo, trim(id, 'solo').floor_rotor_rpm_pct(kt), 1
      assert_in_delta hot, trim(id, 'dual', HOT).floor_rotor_rpm_pct(kt), 1
    end
  end

  DECAY.each do |id, table|
    define_method("test_rotor_decay_of_#{id}") do
      table.each do |kt, expected|
        found = Fujin::Flight::RotorDecay.new(conditions(id), speed_kt: kt).seconds_to(90.0, 80.0)

        expected.zip(found).each { |want, got| assert_in_delta want, got, [0.02 * want, 0.03].max, "#{id} at #{kt} kt" }
      end
    end
  end

  LEVEL.each do |id, powers|
    define_method("test_level_power_of_#{id}") do
      [0, 20, 40, 60, 80, 100].zip(powers)
        .each { |kt, kw| assert_within kw, trim(id).level_power_w(kt) / 1000, 1, "#{id} at #{kt} kt" }
    end
  end

  LOWEST.each do |id, (away, near)|
    define_method("test_lowest_level_speed_of_#{id}") do
      cap = 0.85 * trim(id).hover_power_w

      assert_in_delta away, trim(id).lowest_level_speed_kt(cap), 0.3
      assert_in_delta near, trim(id).lowest_level_speed_kt(cap, height_m: 3.3 * Q::FT), 0.3
    end
  end

  def test_vortex_ring_region
    { 0 => [608, 2093], 8 => [774, 1926], 10 => [894, 1806], 12 => [1112, 1588] }.each do |kt, (from, to)|
      low, high = trim('tansy-2').vortex_ring_sinks_m_s(kt)

      assert_within from, low / Q::FPM, 2
      assert_within to, high / Q::FPM, 2
    end
    assert_nil trim('tansy-2').vortex_ring_sinks_m_s(12.8)
  end

  def test_sink_in_turns_and_at_other_rotor_speeds
    TURN_SINK.each do |bank, sink|
      assert_within sink, trim('tansy-2').autorotation_sink_m_s(60, bank_deg: bank) / Q::FPM, 1
    end
    { 90 => 1353, 95 => 1427, 105 => 1609, 110 => 1718 }.each do |pct, sink|
      assert_within sink, trim('tansy-2').autorotation_sink_m_s(60, rotor_pct: pct) / Q::FPM, 1
    end
  end

  def test_glide_from_a_thousand_feet_against_the_wind
    HEADWIND.each do |wind, (at_sixty, best, best_speed)|
      model = trim('tansy-2')

      assert_within at_sixty, 304.8 * (60 - wind) * Q::KT / model.autorotation_sink_m_s(60), 1
      speed, ratio = model.best_glide(headwind_kt: wind)

      assert_within best, 304.8 * ratio, 1
      assert_in_delta best_speed, speed, 2
    end
  end
end
