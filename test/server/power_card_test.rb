# frozen_string_literal: true

require_relative '../server_helper'

# The power an aircraft needed in its counted flights, beside what to expect today.
class PowerCardTest < Minitest::Test
  include ServerHelp

  def test_a_power_card_rests_on_counted_flights
    as(@instructor)
    get "/api/aircraft/#{@aircraft.id}/power-card"

    assert_equal 0, answer['flights']
    imported(@sortie)
    get "/api/aircraft/#{@aircraft.id}/power-card"

    assert_equal [1, 'inhg'], answer.values_at('flights', 'unit')
    cruise = answer['settings'].find { |s| s['phase'] == 'cruise' }

    assert_equal 1, cruise['flights']
    assert_in_delta 20, cruise['value'], 4
    assert_nil cruise['planned']
  end

  # Beside what was flown stands what to expect today: at cruise what the plan of a speed change says of it; heavier,
  # more of it in the hover.
  def test_the_power_card_of_the_day
    imported(@sortie)
    get "/api/sorties/#{@sortie.id}/power-card"
    rows = answer['settings'].to_h { |row| [row['phase'], row] }
    conditions = Fujin::SortieSetting.new(@sortie).conditions
    plan = Fujin::Catalogue.find('level_speed_change').plan(conditions, Fujin::Planning::HouseMethod.new)

    assert_equal %w[hover climb cruise descent], rows.keys
    assert_in_delta plan.value('fast_power_inhg'), rows['cruise']['planned'], 0.06
    assert_in_delta rows['cruise']['planned'], rows['cruise']['value'], 1.5
    assert_operator rows['descent']['planned'], :<, rows['cruise']['planned']
    light = rows['hover']['planned']
    @sortie.update!(fuel_kg: 10)
    get "/api/sorties/#{@sortie.id}/power-card"

    assert_operator answer['settings'].first['planned'], :<, light
  end
end
