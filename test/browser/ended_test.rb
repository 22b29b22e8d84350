# frozen_string_literal: true

require_relative '../browser_helper'

# A session that has ended, by the server or behind its back, as the page finds it.
class EndedSessionTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  # What lies on the device tells who was here last; that holds only until the server can be asked.
  def test_who_is_here_is_asked_again_when_the_server_answers_again
    sign_in(@instructor)
    Fujin::PersonSession.find_each(&:destroy!)
    BrowserHelp.hung = true
    visit '/'
    assert_text 'Flying today'
    BrowserHelp.hung = false

    assert_field 'Sign-in name'
  end

  def test_a_read_of_a_session_that_has_ended_leads_to_signing_in
    sign_in(@instructor)
    Fujin::PersonSession.find_each(&:destroy!)
    click_on 'Students'

    assert_field 'Sign-in name'
    assert_no_text 'Try again'
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
