# frozen_string_literal: true

require_relative '../browser_helper'

# One sortie from numbers to record, as the people do it.
class JourneyTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  # The way through the whole of it, in every run.
  by_lot(nil)

  def number(label)
    find('section[aria-label="Numbers"]')
      .find('.label', text: label, exact_text: true)
      .sibling('div', match: :first)
      .text
  end

  def test_from_numbers_to_the_log
    sign_in_by_hand(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'From the side, true scale'
    before = number('Entry distance')
    open_the_day
    fill_in 'Wind, kt', with: '18'
    assert_no_text before
    assert_text 'headwind 18 kt'
    click_on 'Go'
    assert_text 'Decided: go'

    click_on 'Fly'
    click_on 'First attempt'
    assert_text 'Attempt 1'
    click_on 'Prompted'
    click_on 'To standard'
    assert_text 'Everything stored'
    assert_equal %w[attempt grade help], @sortie.fly_events.map(&:kind).sort

    click_on 'Review'
    attach_file 'Recording file',
                file_of(recording(@sortie.reload, faults: [{}, { 'late_collective' => 1.5 }])),
                make_visible: true
    click_on(text: /Late collective/, wait: 60)
    assert_text 'Power gone: collective down at once, right pedal with it.'
    assert_text 'has not graded this attempt yet'
    click_on 'Confirm the proposal'
    assert_no_button 'Confirm the proposal'

    click_on 'Record'
    fill_in 'The one thing for next time', with: 'Left hand down at once'
    click_on 'Store'
    eventually { @sortie.reload.next_focus == 'Left hand down at once' }
    assert_in_delta 18, @sortie.wind_kt
  end

  def test_the_student_grades_first
    attempt = imported(@sortie).first
    grade_all(attempt, @instructor, 'instructor')
    as_in_browser(@student)
    visit "/sorties/#{@sortie.id}/review"
    assert_text 'grade yourself first'
    assert_no_text 'Proposed'
    assert_no_text 'Glide airspeed mean'
    refute_includes asked, "/api/attempts/#{attempt.id}", 'held back, and not asked for'
    attempt.proposal['phases'].each do |phase|
      within(find("[aria-label='Your grade for #{phase['id']}']")) { find('button[aria-label="To standard"]').click }
    end
    click_on 'Keep my grades'

    assert_text 'Proposed'
    assert_text 'Standard straight-in-2026.3'
    eventually { asked.include?("/api/attempts/#{attempt.id}") }
  end

  # @return [Array<String>] what the page has asked for
  def asked
    evaluate_script("performance.getEntriesByType('resource').map((one) => new URL(one.name).pathname)")
  end

  def test_an_address_opens_the_same_view
    imported(@sortie, faults: [{}, { 'late_collective' => 1.5 }])
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review?attempt=2&phase=flare&t=1.4"

    assert_text 'Work on: late collective'
    assert_text 'Flare height'
    assert_selector 'svg text', text: '1.4 s'
  end

  def test_a_file_that_is_no_recording_says_so_and_loses_nothing
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    attach_file 'Recording file', file_of("Dear diary\n"), make_visible: true

    assert_text 'was not imported', wait: 30
    assert_text 'Nothing was changed'
  end

  def test_taps_wait_on_the_device_while_there_is_no_network
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/fly"
    assert_text 'Everything stored'
    BrowserHelp.deaf = true
    network(offline: true)
    click_on 'First attempt'
    click_on 'Helped'
    assert_text 'kept on this device'
    assert_equal 0, @sortie.fly_events.count
    network(offline: false)
    BrowserHelp.deaf = false

    assert_text 'Everything stored', wait: 20
    assert_equal %w[attempt help], @sortie.fly_events.reload.map(&:kind)
  end

  def test_a_sign_off_from_the_record
    [24, 25].each_with_index do |day, i|
      flown = sortie(people_aboard: 'solo', starts_at: Time.utc(2026, 11, day, 10))
      imported(flown, faults: [{}, {}], seed: i + 1).each do |attempt|
        grade_all(attempt, @instructor, 'instructor', grade: 3, reason: 'Seen from the seat')
      end
    end
    sign_in(@instructor)
    visit "/students/#{@student.id}"
    click_on 'ready for the sign-off'
    assert_text 'Ready for the sign-off'
    click_on 'Sign off'
    click_on 'Sign'
    assert_text 'To check that it was not altered'
    assert_text @school.public_key
  end
end
