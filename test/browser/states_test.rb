# frozen_string_literal: true

require_relative '../browser_helper'

# What the views say when things are empty, refused, changed elsewhere, or not the viewer's.
class StatesTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def test_an_empty_school_says_what_to_do_next
    Fujin::Exercise.where.not(id: nil).delete_all
    Fujin::Sortie.where.not(id: nil).delete_all
    at_home(@instructor)
    assert_text 'No sortie today.'
    assert_text 'Nothing waits.'
    visit "/students/#{@student.id}"
    assert_text 'Nothing graded yet'
  end

  def test_a_sortie_without_a_recording_asks_for_one
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    assert_text 'No recording yet. Drop the recorder’s file here'
    as_in_browser(@student)
    visit "/sorties/#{@sortie.id}/review"
    assert_text 'Your instructor loads it after the flight'
    assert_no_button 'Choose a file'
  end

  def test_a_new_sortie_is_planned_at_once
    at_home(@instructor)
    click_on 'New sortie'
    select 'Other', from: 'Student'
    select 'Q-TEST Tansy 2', from: 'Aircraft'
    select 'Straight-in autorotation', from: 'Manoeuvre'
    click_on 'Plan it'
    assert_text 'From the side, true scale'
    assert_text 'Other · Q-TEST'
    assert_equal 2, Fujin::Sortie.count
  end

  def test_a_number_out_of_range_is_said_beside_its_field_and_the_last_plan_stays
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'From above'
    open_the_day
    fill_in 'Entry height, ft', with: '60'
    assert_text 'The picture shows the last plan that could be made.'
    assert_selector 'input[aria-invalid=true]'
    fill_in 'Wind from, ° true', with: '400'
    assert_text '0 to 360'
    assert_text 'From above'
  end

  def test_leaving_at_once_loses_nothing
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'From above'
    open_the_day
    fill_in 'Wind, kt', with: '17'
    fill_in 'Fuel, kg', with: '31'
    click_on 'Record'
    assert_text 'Flight time'
    click_on 'Prepare'
    assert_text '350/17 kt'
    open_the_day

    assert_field 'Wind, kt', with: '17'
    assert_field 'Fuel, kg', with: '31'
    assert_in_delta 17, @sortie.reload.wind_kt
    assert_in_delta 31, @sortie.fuel_kg
  end

  def test_a_change_made_elsewhere_is_refused_and_said
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'From above'
    Fujin::Sortie.find(@sortie.id).update!(oat_c: 5)
    open_the_day
    fill_in 'Wind, kt', with: '19'

    assert_text 'It was changed elsewhere in the meantime'
    assert_in_delta 8, @sortie.reload.wind_kt
    click_on 'Try again'
    assert_no_text 'It was changed elsewhere'
    eventually { @sortie.reload.wind_kt == 19 }
    assert_in_delta 5, @sortie.oat_c
  end

  def test_going_over_a_limit_wants_a_reason
    @sortie.update!(wind_kt: 24, gust_kt: 38)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'Gust spread 14 kt, limit 10 kt at solo stage: not today.'
    assert_button 'Go', disabled: true
    fill_in(with: 'Demonstration only, instructor flying', currently_with: '')
    click_on 'Go'
    assert_text 'Decided: go, Demonstration only'
  end

  def fill_in(locator = nil, currently_with: nil, **options)
    return super(locator, **options) if locator

    find('section[aria-label="Go or no-go"] input', text: currently_with).set(options[:with])
  end

  def test_the_students_view_of_prepare_is_read_only
    sign_in(@student)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'From above'
    open_the_day 'The whole day'
    assert_field 'Wind, kt', disabled: true
    assert_no_button 'Go'
    assert_no_link 'Students'
  end

  def test_somebody_elses_record_is_not_there
    sign_in(@student)
    visit "/students/#{@other.id}"
    assert_text 'or it is not yours'
    visit '/nowhere'
    assert_text 'nothing at this address'
  end

  def test_an_attempt_is_left_out_with_a_reason_and_put_back
    imported(@sortie)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    click_on 'This attempt should not count'
    find('input[placeholder="Why it should not count"]').set('Radio call in the flare')
    click_on 'Do not count'
    assert_text 'Does not count: Radio call in the flare'
    click_on 'Count it again'
    assert_no_text 'Does not count'
  end

  def test_a_changed_grade_wants_its_reason_before_it_can_be_stored
    imported(@sortie)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    within(find('[aria-label="Grade for entry"]')) { find('button[aria-label="Prompted or marginal"]').click }
    assert_button 'A change wants a reason', disabled: true
    find('label', text: 'Why it differs from the proposal').find('input').set('Called the entry for him')
    click_on 'Store these grades'
    assert_text 'Changed: Called the entry for him'
  end

  def test_the_chief_changes_the_house_and_clears_an_aircraft
    @aircraft.update!(look_at_it: true, look_at_it_reason: 'hard contact on the heath')
    sign_in(@chief)
    visit '/fleet'
    assert_text 'hard contact on the heath'
    find('input[placeholder="What was found"]').set('Skids and hub looked at, nothing found')
    click_on 'Clear it'
    assert_text 'Cleared by Chief: Skids and hub looked at'
    visit '/method'
    select 'Touchdown', from: 'How the manoeuvre ends'
    click_on 'Change the house method'
    eventually { Fujin::School.current.house['ending'] == 'touchdown' }
  end

  def test_the_mode_is_kept_on_the_device
    at_home(@instructor)
    click_on 'Dusk'
    visit '/students'
    assert_text 'Next sortie'
    assert_equal 'dusk', page.evaluate_script('document.documentElement.dataset.mode')
    assert_button 'Dusk'
  end

  def test_a_sign_off_is_withdrawn_with_a_reason
    id = SecureRandom.uuid
    statement = { 'id' => id, 'signed_at' => '2026-11-25T10:00:00Z', 'remark' => '', 'conditions' => ['all met'],
                  'evidence' => [] }
    Fujin::Chain.append(statement, now: Time.now.utc) do
      Fujin::SignOff.create!(id: id, student: @student, by: @instructor, manoeuvre: 'straight_in_autorotation',
                             created_at: Time.now.utc)
    end
    sign_in(@instructor)
    visit "/sign-offs/#{id}"
    click_on 'Withdraw'
    fill_in 'Withdrawing is final and stays on record. Why?', with: 'Signed for the wrong student'
    click_on 'Withdraw it'
    assert_text(/Withdrawn by Instructor on .*: Signed for the wrong student/)
  end

  def test_a_devices_own_headings_are_explained_once
    own = recording(@sortie).lines.map { |line| line.chomp.split(',').first(8).join(',') << "\n" }
    own[0] = ['Elapsed s', *(2..8).map { |n| "Field #{n}" }].join(',') << "\n"
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    attach_file 'Recording file', file_of(own.join), make_visible: true
    assert_text 'What do these headings mean?', wait: 30
    assert_accessible('headings to explain')
    assert_select 'Meaning of Elapsed s', selected: 'Time'
    select 'Airspeed', from: 'Meaning of Field 3'
    click_on 'Read it with these meanings'
    assert_text 'was read, and no', wait: 30
  end

  def test_a_dropped_file_is_taken
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    assert_text 'No recording yet'
    page.execute_script(<<~JS, recording(@sortie))
      const data = new DataTransfer()
      data.items.add(new File([arguments[0]], 'dropped.csv', { type: 'text/csv' }))
      const target = document.querySelector('section[aria-label="Recording"] > div')
      target.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }))
    JS
    assert_text 'no fault named', wait: 60
    assert_equal 'dropped.csv', Fujin::RecordingRow.first.name
  end

  # A page that is fetched when it is first opened, and cannot be: said with a way on, and the rest stays.
  def test_a_view_that_cannot_be_fetched
    at_home(@instructor)
    page.driver.browser.execute_cdp('Network.enable')
    page.driver.browser.execute_cdp('Network.setBlockedURLs', urls: ['*/assets/Method-*'])
    click_on 'Method', match: :first
    assert_text 'This view could not be fetched'
    click_on 'Today', match: :first
    assert_text 'Flying today'
  ensure
    page.driver.browser.execute_cdp('Network.setBlockedURLs', urls: [])
  end
end
