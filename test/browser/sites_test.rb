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
    sign_in(@instructor)
    click_on 'Sites'
    load_file(meadow(answers(wire: 'open')))
    assert_text 'Meadow'
    assert_text 'is open'
    assert_selector 'section[aria-label="Verdict by use"]', text: 'not suitable'
    within('[role="group"][aria-label^="Wires"]') { click_on 'not there' }
    assert_text 'Changed, not kept'
    within('section[aria-label="Verdict by use"]') { assert_text 'suitable' }
    assert_no_text 'wire: is open'
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

  def stored_wire =
    Fujin::SiteRow.first.document['features'].find do |one|
      one['properties']['about'] == 'wire'
    end['properties']['status']

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
    assert_no_text 'tree'
    within('[role="group"][aria-label^="Slope"]') { click_on 'seen' }
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
end
