# frozen_string_literal: true

require_relative '../browser_helper'
require_relative '../../core/test/site_help'

# A site from a file to a verdict, and a student's own survey before the school's is seen.
class BrowserSitesTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include SiteHelp

  def meadow(*survey) = document(ground, spot, approach, departure, tree(-100, 0, 50), survey)

  def load_file(drawn)
    path = File.join(Dir.mktmpdir, 'meadow.geojson')
    File.write(path, JSON.generate(drawn))
    attach_file('Load a site (GeoJSON)', path, make_visible: true)
  end

  # The wire is open, then answered; a tree is moved with the keys; the numbers follow before anything is kept.
  def test_a_site_is_loaded_surveyed_and_changed
    at_home(@instructor)
    click_on 'Sites'
    load_file(meadow(answers(wire: 'open')))
    assert_text 'Meadow'
    assert_text 'still open'
    [[820, 1180], [390, 844], [1280, 800]].each do |size|
      window(*size)
      assert_operator narrowest_field, :>=, 90, "at #{size.first}"
    end
    assert_selector 'section[aria-label="Verdict by use"]', text: 'not suitable'
    within('[role="radiogroup"][aria-label^="Wires"]') { click_on 'not there' }
    assert_text 'Changed, not kept'
    within('section[aria-label="Verdict by use"]') { assert_text 'suitable' }
    assert_no_text 'wires: still open'
    assert_text '11.7°'
    handle = find('g[role="button"][aria-label^="tree tree"]', visible: :all)
    page.execute_script('arguments[0].focus()', handle)
    10.times { handle.send_keys(:arrow_down) }
    assert_text(/000\s+10\.[67]°/)
    assert_equal 'open', stored_wire
    click_on 'Keep the drawing'
    assert_no_text 'Changed, not kept'
    eventually { stored_wire == 'not_there' }
    assert_in_delta(-110.0, Fujin::SiteRow.first.site.obstacles[0].rings[0][0].real, 0.2)
    assert_accessible('a site')
  end

  # Of the day that the site is looked at for.
  def narrowest_field = page.evaluate_script(<<~JS)
    Math.min(...[...document.querySelector('main .no-print.grid').querySelectorAll('input, select')]
      .map((field) => field.getBoundingClientRect().width))
  JS

  def stored_wire =
    Fujin::SiteRow.first.document['features'].find do |one|
      one['properties']['about'] == 'wire'
    end['properties']['status']

  GRID = "ncols 60\nnrows 60\nxllcorner -4.015\nyllcorner 55.985\ncellsize 0.0005\n#{
    Array.new(60) { |row| Array.new(60) { row < 24 ? 171 : 91 }.join(' ') }.join("\n")}\n".freeze

  def load_grid(text)
    path = File.join(Dir.mktmpdir, 'hills.asc')
    File.write(path, text)
    attach_file('Load ground heights (ASCII grid)', path, make_visible: true)
  end

  # A grid with a hill to the north: refused with its line when broken, used when whole, gone when removed.
  def test_ground_heights_are_loaded_used_and_removed
    row = Fujin::SiteRow.create!(name: 'Meadow', document: meadow(answers), changed_by: @instructor)
    sign_in(@instructor)
    visit '/sites'
    load_grid(GRID.sub('171', 'x'))
    assert_text(/line 6: expected a height in metres, got "x"/i)
    load_grid(GRID)
    assert_text 'cells of 55 m'
    visit "/sites/#{row.id}"
    assert_text 'ground heights every 55 m'
    assert_text 'rising ground'
    assert_accessible('a site with ground heights')
    visit '/sites'
    click_on 'Remove hills.asc'
    within('[role=alertdialog]') { click_on 'Remove hills.asc' }
    assert_text 'None yet'
    visit "/sites/#{row.id}"
    assert_text 'Lines out'
    assert_no_text 'rising ground'
  end

  # What the gauge showed is tried, kept, and is the day's margin from then on.
  def test_a_power_check_is_tried_and_kept
    row = Fujin::SiteRow.create!(name: 'Meadow', document: meadow(answers), changed_by: @instructor)
    sign_in(@instructor)
    visit "/sites/#{row.id}"
    within('section[aria-label="Power check"]') do
      assert_text 'No check of that day with that load'
      expected = find_field('Gauge shows, inHg')['placeholder'].to_f
      fill_in 'Gauge shows, inHg', with: (expected * 1.04).round(1).to_s
      assert_text(/10\d % of the power predicted: the numbers below/)
      click_on 'Keep the check'
      assert_text(/seen, #{expected} predicted; 10\d % of the power predicted/)
    end
    assert_equal [@instructor.id], row.checks.map(&:by_id)
    visit "/sites/#{row.id}"
    assert_text 'Power checks flown here: 1'
  end

  # An elm at the next field stands within reach and is not drawn here: taken over, it is open.
  def test_what_was_found_next_door_is_taken_over
    corners = [[960, -30], [1040, -30], [1040, 30], [960, 30]]
    barn = feature('site', 'Polygon', ring(*corners), name: 'Barn field', elevation_ft: 300, surface: 'grass')
    Fujin::SiteRow.create!(name: 'Barn field', document: document(barn, tree(300, 400, 60, id: 'elm')),
                           changed_by: @instructor)
    row = Fujin::SiteRow.create!(name: 'Meadow', document: meadow(answers), changed_by: @instructor)
    sign_in(@instructor)
    visit "/sites/#{row.id}"
    assert_text 'From sites near by: 1 that may hold here too'
    assert_text 'elm, drawn at Barn field: 1640 ft to the 053'
    click_on 'Take it over as open'
    assert_no_text 'From sites near by'
    click_on 'Keep the drawing'
    eventually { row.reload.document['features'].any? { |one| one['properties']['id'] == 'barn-field-elm' } }
  end

  # A file with a spot off the ground says which and where; nothing is stored.
  def test_a_wrong_file_says_what_is_wrong
    sign_in(@instructor)
    visit '/sites'
    load_file(document(ground, spot(90, 0)))
    assert_text 'the spot is not on the usable ground'
    assert_equal 0, Fujin::SiteRow.count
  end

  def test_a_student_surveys_it_first
    row = Fujin::SiteRow.create!(name: 'Meadow', document: meadow(answers), changed_by: @instructor)
    sign_in(@instructor)
    visit "/sites/#{row.id}"
    select @student.name, from: 'Ask a student for a survey of their own'
    click_on 'Ask'
    assert_text 'not handed in'
    as_in_browser(@student)
    visit '/sites'
    assert_text 'Your own survey comes first'
    click_on 'Meadow'
    assert_text 'What stands around the spot'
    assert_no_selector 'main svg [role]', visible: :all
    assert_no_selector '[aria-label^="tree tree"]', visible: :all
    within('[role="radiogroup"][aria-label^="Slope"]') { click_on 'seen' }
    fill_in 'Bearing, °', with: '180'
    fill_in 'From the spot, ft', with: '330'
    fill_in 'Top over the ground, ft', with: '48'
    click_on 'Add it'
    click_on 'Hand it in'
    assert_text 'found'
    assert_text 'left out', minimum: 10
    assert_accessible('a survey laid beside the school\'s')
    as_in_browser(@instructor)
    visit "/sites/#{row.id}/survey/#{Fujin::SiteSurvey.first.id}"
    fill_in 'The one thing to say', with: 'every point is answered, open where it was not seen'
    click_on 'Prompted or marginal'
    eventually { Fujin::SiteSurvey.first.level == 2 }
  end

  # Two answers on the tablet, kept through a reload, then put into the survey; one of the high pass beside the low
  # one's.
  def test_the_survey_list_is_kept_on_the_device_until_it_is_sent
    row = Fujin::SiteRow.create!(name: 'Meadow', document: meadow(answers), changed_by: @instructor)
    sign_in(@instructor)
    visit "/sites/#{row.id}/look"
    within('[role="radiogroup"][aria-label^="Slope"]') { click_on 'seen' }
    click_on 'Obstructions'
    within('[role="radiogroup"][aria-label^="Wires"]') { click_on 'open' }
    assert_text 'Kept on this device.'
    visit "/sites/#{row.id}/look"
    assert_button 'Put 2 into the survey'
    assert_accessible('the survey list')
    click_on 'Put 2 into the survey'
    assert_text 'Nothing to send'
    found = row.reload.document['features'].select { |one| one['properties']['about'] == 'wire' }

    assert_equal([%w[low seen], %w[high open]], found.map { |one| one['properties'].values_at('pass', 'status') })
  end

  # Fujin looks all round; a line that is drawn from there stands in the table before anything is kept.
  def test_lines_are_proposed_and_drawn
    row = Fujin::SiteRow.create!(name: 'Meadow', document: meadow(answers), changed_by: @instructor)
    sign_in(@instructor)
    visit "/sites/#{row.id}"
    click_on 'Propose lines for spot'
    within('section[aria-label="Proposed lines"]') do
      assert_text 'into the wind'
      first('button', text: 'Draw it').click
    end
    assert_text 'Changed, not kept'
    assert_button 'approach 350'
    click_on 'Put it back'
    assert_no_button 'approach 350'
    assert_equal 0, row.reload.lock_version
  end

  # An exercise leads to the site from Prepare: its break-off height stands on the card, the cockpit has the survey
  # list.
  def test_a_lesson_leads_to_a_site
    row = Fujin::SiteRow.create!(name: 'Meadow', document: meadow(answers), changed_by: @instructor)
    lesson = sortie(manoeuvre: 'confined_area', course_deg: nil, height_ft: nil, wind_from_deg: 360, wind_kt: 10)
    sign_in(@instructor)
    visit "/sorties/#{lesson.id}/prepare"
    assert_text 'No surveyed site is chosen'
    select 'Meadow', from: 'Site'
    assert_no_text 'No surveyed site is chosen'
    assert_select 'Line in', selected: 'in'
    eventually { lesson.exercise.reload.site_id == row.id }
    open_the_day
    assert_field 'Break off by, ft', with: lesson.exercise.settings['break_off_ft'].to_s
    visit "/sorties/#{lesson.id}/fly"
    assert_text 'Break off by'
    ready_for_the_air
    network(offline: true)
    click_on 'Survey list: Meadow'
    assert_text 'Length and width that can be used'
    # Opened anew without a network: the list is there, and so is what was answered.
    within('[role=radiogroup][aria-label^="Length and width"]') { click_on 'seen' }
    page.driver.browser.navigate.refresh
    assert_selector '[role=radiogroup][aria-label^="Length and width"] [aria-checked=true]', text: 'seen', wait: 20
    visit "/sorties/#{lesson.id}/fly"
    assert_text 'Break off by', wait: 20
  ensure
    network(offline: false)
  end
end
