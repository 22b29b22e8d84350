# frozen_string_literal: true

require_relative '../browser_helper'
require_relative 'equipped'
require_relative 'office_steps'

# A school from nothing to its first lesson, by hand; the board; what a student may fly alone.
class OfficeTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include OfficeSteps
  include Equipped

  def test_a_school_from_nothing_to_a_booked_lesson
    empty_the_database
    visit '/'
    assert_text 'Set up a school'
    assert_accessible 'set-up'
    set_up_school
    assert_text 'Flying today'
    come_in(add_and_invite)
    book_a_lesson
    assert_text 'Effects of controls'
    assert_text 'Not decided yet'
    assert_equal 1, Fujin::Sortie.count
  end

  # By its time, which is said and not seen.
  def bar_at(time) = find('[data-lane] button', visible: :all) { |one| one.text(:all).include?(time) }

  def test_a_booking_is_moved_by_keys_by_drag_and_not_over_another
    equip
    row = booking
    booking(student: @other, instructor: @chief, aircraft: @second, from_at: tomorrow(13), to_at: tomorrow(14))
    sign_in(@instructor)
    visit "/bookings?day=#{tomorrow(0).to_date}"
    bar = bar_at('10:00 to 11:00')
    bar.native.send_keys(:arrow_right)
    assert bar_at('10:15 to 11:15')
    bar = bar_at('10:15 to 11:15')
    lane = find_all('[data-lane]').to_a.find { |one| one.text.include?('Q-TWO') }
    page.driver.browser.action.move_to(bar.native).click_and_hold.move_to(lane.native, 0, 0).release.perform

    eventually { row.reload.aircraft_id == @second.id }
    visit "/bookings?day=#{tomorrow(0).to_date}"
    row.update!(from_at: tomorrow(11.75), to_at: tomorrow(12.75))
    visit "/bookings?day=#{tomorrow(0).to_date}"
    bar_at('11:45 to 12:45').native.send_keys(:arrow_right)
    assert bar_at('12:00 to 13:00')
    bar_at('12:00 to 13:00').native.send_keys(:arrow_right)
    assert_text 'It stays where it was. Q-TWO is booked from 13:00 to 14:00'
    assert bar_at('12:00 to 13:00')
    assert_accessible 'board'
    click_on 'Week'
    assert_selector 'button', text: /12:00\s+Student/
    assert_accessible 'week'
  end

  def test_said_in_the_command_box
    equip
    at_home(@instructor)
    assert_text 'Flying today'
    press([:control, 'k'])
    fill_in 'Go anywhere', with: 'book student tomorrow 10:00 for 90 min in q-two'
    assert_text 'look at it and book'
    press(:enter)
    assert_text 'New booking'
    assert_equal @second.id, find_field('Aircraft').value
    assert_text 'The station sends no forecast', wait: 20
    click_on 'Book it'

    eventually { Fujin::Booking.one? }
    assert_equal([tomorrow(10), tomorrow(11.5)], Fujin::Booking.first.then { |one| [one.from_at, one.to_at] })
  end

  def test_nobody_is_sent_alone_outside_what_was_signed
    equip
    @sortie.update!(people_aboard: 'solo', starts_at: Time.now.utc.to_date.to_time(:utc) + (13 * 3600))
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'Outside the solo authority: Student has no solo authority in force.'
    assert_text 'Alone, without Instructor'
    fill_in 'Going anyway wants a reason', with: 'I watch from here'
    click_on 'Go', exact: true
    assert_text 'Only the chief instructor can say go'
    visit "/students/#{@student.id}"
    give_authority
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'Alone, without Instructor'
    assert_no_text 'Outside the solo authority'
    click_on 'Go', exact: true
    assert_text 'Decided: go'
  end

  def test_units_and_clock_are_the_reader_s
    equip
    @school.update!(time_zone: 'Europe/Lisbon')
    at_home(@instructor)
    click_on 'Instructor', exact: true
    select '°F', from: 'Temperature'
    select 'lb', from: 'Mass'
    select 'The school’s clock', from: 'Times'
    eventually { @instructor.reload.units['time'] == 'local' }
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'From above'
    open_the_day
    assert_field 'Air, °F', with: '59'
    fill_in 'Air, °F', with: '77'

    eventually { (@sortie.reload.oat_c - 25.0).abs < 0.01 }
    assert_field 'Fuel, lb', with: '88', wait: 20
  end
end
