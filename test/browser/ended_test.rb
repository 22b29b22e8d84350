# frozen_string_literal: true

require_relative '../browser_helper'

# A session that has ended, by the server or behind its back, as the page finds it.
class EndedSessionTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  # What lies on the device tells who was here last; that holds only until the server can be asked.
  def test_who_is_here_is_asked_again_when_the_server_answers_again
    at_home(@instructor)
    Fujin::PersonSession.find_each(&:destroy!)
    BrowserHelp.hung = true
    visit '/'
    assert_text 'Flying today'
    BrowserHelp.hung = false

    assert_field 'Sign-in name'
  end

  # Nothing lies on the device either: that is said, and the page comes by itself once there is an answer.
  def test_a_first_visit_without_an_answer_is_asked_again
    visit '/'
    assert_field 'Sign-in name' # else the first answer would be kept after the device was emptied
    page.driver.browser.execute_cdp('Storage.clearDataForOrigin', origin: page.server_url, storageTypes: 'all')
    BrowserHelp.hung = true
    visit '/'
    assert_text 'No connection to Fujin'
    BrowserHelp.hung = false

    assert_field 'Sign-in name'
  end

  def test_a_read_of_a_session_that_has_ended_leads_to_signing_in
    at_home(@instructor)
    Fujin::PersonSession.find_each(&:destroy!)
    click_on 'Students'

    assert_field 'Sign-in name'
    assert_text "Your session has ended. Signed in again, #{@instructor.name} finds the page as it was left"
    assert_accessible('signing in again')
  end

  # What was typed and is nowhere else stays behind the sign-in, and is stored once there is a session again.
  def test_what_was_typed_is_stored_after_signing_in_again
    sign_in(@chief)
    visit '/people'
    click_on 'Add somebody'
    fill_in 'Name', with: 'Wenna Marsh'
    fill_in 'Sign-in name', with: 'wenna'
    fill_in 'Mass, kg', with: '64'
    Fujin::PersonSession.find_each(&:destroy!)
    within('[role=dialog]') { click_on 'Add' }
    assert_text 'Your session has ended'
    sign_in_again(@chief)

    assert_field 'Name', with: 'Wenna Marsh'
    within('[role=dialog]') { click_on 'Add' }
    assert_text 'Wenna Marsh'
    eventually { Fujin::Person.exists?(sign_in: 'wenna') }
  end

  # Another person on the same device sees nothing of who was there before.
  def test_somebody_else_begins_a_page_of_their_own
    sign_in(@instructor)
    visit '/students'
    assert_text @other.name
    Fujin::PersonSession.find_each(&:destroy!)
    click_on 'Fleet'
    assert_text 'Your session has ended'
    sign_in_again(@student)
    assert_text 'My record'

    assert_no_link 'Students'
    visit '/students'
    assert_text "not open to the role 'student'"
    assert_no_text @other.name
  end

  def sign_in_again(person)
    # Over the page, and over what was open on it.
    form = find('[role=dialog]:has([autocomplete=username])')
    form.fill_in 'Sign-in name', with: person.sign_in
    form.fill_in 'Password', with: ServerHelp::PASSWORD
    form.click_on 'Sign in'
    assert_no_text 'finds the page as it was left'
  end

  # In flight nothing takes the sheet away; what is tapped waits on the device.
  def test_in_the_cockpit_the_sheet_stays
    sign_in(@instructor)
    visit("/sorties/#{@sortie.id}/fly")
    assert_text 'Everything stored'
    Fujin::PersonSession.find_each(&:destroy!)
    click_on 'First attempt'
    assert_text 'Your session has ended'
    sleep 4

    assert_text 'Attempt 1'
    assert_no_field 'Sign-in name'
  end
end
