# frozen_string_literal: true

require_relative '../browser_helper'

# What is typed stays until it is stored; what is old says so; where one is, is said; keys keep out of dialogs.
class KeptWordsTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def test_words_survive_moving_reloading_and_a_change_made_elsewhere
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/record"
    fill_in 'The one thing for next time', with: 'Eyes far ahead'
    click_on 'Review'
    assert_text 'No recording yet'
    click_on 'Record'
    assert_field 'The one thing for next time', with: 'Eyes far ahead'
    visit "/sorties/#{@sortie.id}/record"
    assert_field 'The one thing for next time', with: 'Eyes far ahead'
    Fujin::Sortie.find(@sortie.id).update!(oat_c: 5)
    click_on 'Store'
    assert_text 'changed elsewhere'
    assert_field 'The one thing for next time', with: 'Eyes far ahead'
    click_on 'Store'
    eventually { @sortie.reload.next_focus == 'Eyes far ahead' }
    click_on 'Sign out'
    assert_button 'Sign in'

    assert_equal 0, kept_words
  end

  # Left before it was answered, a change is stored and leaves nothing behind that would lie over what comes later.
  def test_what_was_stored_on_leaving_lies_over_nothing
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text '350/8 kt'
    open_the_day
    fill_in 'Wind, kt', with: '17'
    click_on 'Record'
    eventually { @sortie.reload.wind_kt == 17 && kept_words.zero? }
    @sortie.reload.update!(wind_kt: 12)
    visit "/sorties/#{@sortie.id}/prepare"

    assert_text '350/12 kt'
  end

  def kept_words
    page.evaluate_script("Object.keys(localStorage).filter((k) => k.startsWith('fujin.typed')).length")
  end

  # What could not be stored is there at the next visit, and stored by nobody but who says so.
  def test_what_was_left_unsent_is_asked_about
    sign_in(@instructor)
    2.times do |time|
      visit "/sorties/#{@sortie.id}/prepare"
      assert_text '350/8 kt'
      refuse_changes
      open_the_day
      fill_in 'Wind, kt', with: '19'
      assert_text 'No connection'
      visit "/sorties/#{@sortie.id}/prepare"
      assert_text 'What you changed here before was not stored'
      assert_text '350/19 kt'
      assert_in_delta 8, @sortie.reload.wind_kt
      click_on time.zero? ? 'Drop it' : 'Store it'
      assert_no_text 'What you changed here before'
      assert_text time.zero? ? '350/8 kt' : '350/19 kt'
    end
    eventually { @sortie.reload.wind_kt == 19 && kept_words.zero? }
  end

  def refuse_changes
    page.execute_script(<<~JS)
      const ask = window.fetch
      window.fetch = (request, init) => request.method === 'PATCH' ? Promise.reject(new TypeError('cut')) : ask(request, init)
    JS
  end

  def test_the_day_is_one_line_and_opens_where_the_wind_is_missing
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text '350/8 kt, 15 °C, 1013 hPa; dual'
    assert_text 'on 350° to Heath'
    assert_no_field 'Wind, kt'
    assert_selector 'figure'
    assert_operator page.evaluate_script("document.querySelector('figure').getBoundingClientRect().top"), :<, 261
    @sortie.update!(wind_kt: nil, wind_from_deg: nil)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'Wind not given'
    assert_field 'Wind, kt'
    assert_accessible('the day opened')
  end

  # The plan held back: what stands there is marked at once, and Go waits.
  def test_the_plan_of_the_day_before_is_marked
    change_the_wind_while_plans_are_held
    assert_text 'Go waits for the new ones'
    assert_button 'Go', disabled: true
    assert_selector '[data-old]'
    page.execute_script('window.letGo()')
    assert_text 'headwind 14 kt'
    assert_no_selector '[data-old]'
    assert_button 'Go', disabled: false
  end

  # Nobody answers for ten seconds: that is said, and asked again without anybody's doing.
  def test_a_plan_that_did_not_come_in_time_is_asked_again
    change_the_wind_while_plans_are_held
    assert_text 'No connection to Fujin', wait: 30
    assert_button 'Go', disabled: true
    page.execute_script('window.passLater()')
    assert_text 'headwind 14 kt', wait: 30
    assert_no_text 'No connection to Fujin'
    assert_button 'Go', disabled: false
  end

  def test_each_view_has_its_name_and_takes_the_focus
    at_home(@instructor)
    assert_title(/\A\w+ \d+ \w+ · Fujin\z/)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_title 'Prepare: Student, Straight-in autorotation, 25 Nov · Fujin'
    click_on 'Review'
    assert_title 'Review: Student, Straight-in autorotation, 25 Nov · Fujin'
    assert_equal 'H1', page.evaluate_script('document.activeElement.tagName')
    click_on 'Students'
    assert_title 'Students · Fujin'
    assert_equal 'Students', page.evaluate_script('document.activeElement.textContent')
    visit '/nowhere'
    assert_title 'Nothing here · Fujin'
  end

  def test_keys_keep_out_of_dialogs_and_can_be_switched_off
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'From above'
    press('?')
    assert_text 'Keys on this screen'
    press('f')
    assert_text 'Keys on this screen'
    assert_current_path(/prepare/)
    uncheck 'Single keys act (off for whoever speaks to the machine)'
    click_on 'Close'
    press('f')
    assert_current_path(/prepare/)
    press('?')
    check 'Single keys act (off for whoever speaks to the machine)'
    click_on 'Close'
    press('f')
    assert_current_path(/fly/)
  end

  private

  def change_the_wind_while_plans_are_held
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_button 'Go', disabled: false
    open_the_day
    hold_plans
    fill_in 'Wind, kt', with: '14'
  end

  # Plans are answered once they are let go; those that were asked before may stay without an answer for good.
  def hold_plans
    page.execute_script(<<~JS)
      const ask = window.fetch
      const held = []
      let open = false
      window.fetch = (request, init) =>
        !open && (request.url ?? request).includes('/plan') ? new Promise((go) => held.push(() => go(ask(request, init)))) : ask(request, init)
      window.passLater = () => { open = true }
      window.letGo = () => { open = true; held.forEach((one) => one()) }
    JS
  end
end
