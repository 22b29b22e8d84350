# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# Planned numbers as the cockpit shows them, by the gauges' own formulas.
class GaugeNumbersTest < Minitest::Test
  include PlanHelp

  # Manifold pressure 9.5 + 18.5·P/rated inHg at normal rpm; torque in percent of the limit.
  def test_powers_by_the_gauge
    tansy = plan('level_speed_change')
    yarrow = plan('level_speed_change', type: 'yarrow-4')

    assert_in_delta 9.5 + (18.5 * tansy.value('fast_power_kw') / 100.0), tansy.value('fast_power_inhg'), 0.01
    assert_in_delta 100.0 * yarrow.value('fast_power_kw') / 218.0, yarrow.value('fast_power_torque_pct'), 0.01
    assert_nil yarrow.numbers['fast_power_inhg']
  end

  def test_differences_are_what_the_needle_moves_by
    tansy = plan('normal_approach', wind: '350/8')

    assert_in_delta 18.5 * (tansy.value('power_available_kw') - tansy.value('hover_power_oge_kw')) / 100.0,
                    tansy.value('power_margin_inhg'), 0.01
    assert_in_delta 18.5 * tansy.value('final_pull_kw') / 100.0, tansy.value('final_pull_inhg'), 0.01
    assert_nil plan('run_on_landing', wind: '350/0').numbers['final_pull_inhg']
  end

  def test_heights_on_the_altimeter_where_the_ground_is_not_at_sea_level
    high = plan('straight_in_autorotation', elevation_ft: 620.0)

    %w[entry gate flare].each do |name|
      assert_in_delta high.value("#{name}_height_ft") + 620.0, high.value("#{name}_altitude_ft"), 1e-6
    end
    assert_nil plan('straight_in_autorotation').numbers['gate_altitude_ft']
  end
end
