# frozen_string_literal: true

require_relative '../browser_helper'

# Preparing any manoeuvre: the pictures, the ways of reaching the spot, the wind as seen, the fleet and the method.
class BrowserPrepareTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def prepare(**fields)
    own, day = fields.partition { |name, _| Fujin::Exercise::FIELDS.include?(name.to_s) }.map(&:to_h)
    @sortie.reload.update!(day)
    @sortie.exercise.update!(own)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'Go', wait: 30
  end

  def chance(option)
    find('section[aria-label="Which entry reaches the spot"] li', text: option).find('.figures').text.to_i
  end

  # What is flown is seen without a scroll, under the day and its weather.
  def test_the_first_picture_stands_high
    sign_in(@instructor)
    prepare(height_ft: 1000)
    assert_selector 'svg.picture'

    assert_operator evaluate_script('document.querySelector("svg.picture").getBoundingClientRect().top'), :<, 260
  end

  # A long lesson takes no second row, and the exercise on screen is in sight on it.
  def test_nine_exercises_stand_on_one_row
    copied = @sortie.exercise.attributes.except('id', 'settings', 'manoeuvre', 'position')
    %w[hover hover_turn hover_power_take_off circuit normal_approach run_on_landing turning_autorotation steep_approach]
      .each_with_index { |id, i| @sortie.exercises.create!(**copied, manoeuvre: id, position: i + 1) }
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_selector 'main [role=tablist]'
    8.times do |i|
      press(']')
      assert_selector '[aria-label=Exercises] [aria-current=true]', text: /\A#{i + 2}/
    end
    assert_selector 'svg.picture'
    row, chosen, top = evaluate_script(<<~JS)
      ['[aria-label=Exercises] ol', '[aria-label=Exercises] [aria-current]', 'svg.picture']
        .map((css) => document.querySelector(css).getBoundingClientRect()).map((r, i) => i === 2 ? r.top : r.right)
    JS

    assert_operator chosen, :<=, row + 1
    assert_operator top, :<, 260
  end

  # Where the day's line wraps, the station's report and the sun stand under it.
  def test_the_weather_stands_under_the_day_on_a_tablet
    window(820, 1180)
    sign_in(@instructor)
    prepare(height_ft: 1000)
    day, weather = evaluate_script(<<~JS)
      ['section[aria-label="Day and load"] p', 'section[aria-label="Day and load"] ~ p[aria-live]']
        .map((css) => document.querySelector(css).getBoundingClientRect()).map((r, i) => i === 0 ? r.bottom : r.top)
    JS

    assert_operator weather, :>=, day
  end

  def test_the_way_that_reaches_the_spot_changes_with_the_entry
    sign_in(@instructor)
    prepare(height_ft: 1000)
    assert_text '1,000 seeded runs', wait: 40
    planned = chance('House glide')
    handle = find('[role=slider][aria-label^="Entry point"]')
    page.execute_script('arguments[0].focus()', handle)
    12.times { press(:arrow_right) }

    assert_text 'Entry moved 600 ft up the final course'
    assert_operator chance('House glide'), :<, planned
    assert_operator chance('Slow down'), :>, chance('House glide')
    page.driver.browser.action.click_and_hold(handle.native).move_by(-120, 0).release.perform
    assert_text(/Entry moved \d+ ft back|Entry moved [1-5]?\d?\d ft up/)
    click_on 'Back to the plan'
    assert_text 'Drag the entry'
    assert_equal planned, chance('House glide')
  end

  def test_a_steep_approach_shows_limits_energy_and_tables
    sign_in(@instructor)
    prepare(manoeuvre: 'steep_approach')
    assert_text 'Decision height'
    click_on 'Energy and limits'
    assert_text 'Energy ledger of the plan'
    assert_selector 'svg[aria-label*="vortex ring state"]'
    assert_accessible('limits of a steep approach')
    click_on 'Tables'
    assert_selector 'table caption, table', minimum: 1
    assert_accessible('tables of a steep approach')
    open_the_day
    fill_in 'Approach angle, °', with: '15'
    assert_text(/Approach angle\s15°/, wait: 10)
    assert_selector 'label', text: /Approach angle, ° · was/
    eventually { @sortie.reload.exercise.settings['approach_angle_deg'] == 15 }
  end

  def test_empty_fields_show_what_the_plan_took
    sign_in(@instructor)
    prepare(manoeuvre: 'turning_autorotation', height_ft: nil)
    open_the_day
    bank = find_field('Bank, °')

    assert_match(/\A\d/, bank[:placeholder])
    assert_match(/\A\d/, find_field('Entry height, ft')[:placeholder])
  end

  def test_the_wind_seen_in_the_air_replaces_the_forecast
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/fly"
    click_on 'More'
    fill_in 'From, ° true', with: '310'
    fill_in 'kt', with: '16', exact: true
    click_on 'Use it'
    assert_text 'planned with 310/16'
    click_on 'Close'
    assert_text 'Everything stored'
    click_on 'Prepare'
    assert_text 'wind 310/16'
    click_on 'Fly'
    click_on 'More'
    click_on 'From drift'
    {
      'Heading ° true' => 350,
      'Airspeed kt' => 70,
      'Track ° true' => 350,
      'Over ground kt' => 58
    }.each { |label, value| fill_in label, with: value.to_s }
    click_on 'Use it'
    assert_text(%r{planned with 350/1[0-4]})
  end

  def test_a_silent_weather_station_is_said_and_the_fields_stay
    sign_in(@instructor)
    prepare
    assert_text 'by hand'
    open_the_day
    assert_field 'Wind, kt', with: '8'
  end

  def test_a_type_shows_its_curves_and_is_changed_with_a_reason
    sign_in(@chief)
    visit '/fleet'
    find('summary', text: 'Tansy 2').click
    assert_selector 'svg[aria-label^="Power for level flight"]'
    assert_selector 'svg[aria-label^="Height against airspeed"]'
    assert_accessible('curves of a type')
    click_on 'Change'
    fill_in 'speeds kt: glide', with: '900'
    fill_in 'Why it is changed', with: 'Glide as the school teaches it'
    click_on 'Keep as a new version'
    assert_selector 'input[aria-invalid=true]'
    assert_accessible('a type refused')
    fill_in 'speeds kt: glide', with: '60'
    click_on 'Keep as a new version'
    assert_text 'A new version is kept'
    click_on 'History'
    assert_text 'Glide as the school teaches it'
  end

  def test_an_instructors_own_method_changes_their_plans
    sign_in(@instructor)
    visit '/method'
    find('summary', text: 'Your own method').click
    within('details', text: 'Change your own method') do
      select 'Touchdown', from: 'How the manoeuvre ends'
      click_on 'Change your own method'
    end
    eventually { @instructor.reload.house['ending'] == 'touchdown' }
    prepare
    open_the_day
    assert_select 'Ends with', selected: 'Touchdown'
  end
end
