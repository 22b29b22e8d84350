# frozen_string_literal: true

require_relative '../browser_helper'
require_relative 'office_steps'

# The office's everyday: a list of people, something found on an aircraft, a booking cancelled and offered, a lesson set
# right, one's own page, and the demo thrown away.
class OfficeDeskTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include OfficeSteps

  TABLE = "sign_in,name,role,stage,mass_kg,email\nwenna,Wenna Marsh,student,early,64,\nolin,Olin Reed,pilot,,70,\n"

  def test_a_list_says_what_would_happen_before_anything_does
    sign_in(@chief)
    visit '/people'
    click_on 'From a list'
    attach_file 'File', file_of(TABLE, 'people.csv')
    assert_text '1 line of 2 is at fault'
    assert_text '"pilot" is no role'
    assert_button 'Store all of it', disabled: true
    assert_accessible 'list'
    attach_file 'File', file_of(TABLE.sub('pilot', 'instructor'), 'people.csv')
    assert_text '2 new, 0 changed.'
    assert_equal 4, Fujin::Person.count, 'nothing is stored yet'
    click_on 'Store all of it'
    # Her name stands in the list before it is stored, too.
    eventually { Fujin::Person.where(sign_in: %w[wenna olin]).order(:sign_in).map(&:role) == %w[instructor student] }
    assert_link 'Wenna Marsh'
  end

  def test_a_role_wants_a_reason_and_who_leaves_is_off_the_list
    sign_in(@chief)
    visit "/people/#{@student.id}"
    select 'Test', from: 'Stage'
    assert_field 'Why role or stage is changed'
    fill_in 'Why role or stage is changed', with: 'passed the progress check'
    click_on 'Store'
    assert_text 'stage: solo → test'
    assert_text 'passed the progress check'
    find('input[placeholder="Why: has left"]').set('moved away')
    click_on 'Has left'
    assert_button 'Back again'
    visit '/people'
    assert_text 'Also 1 who left'
    assert_no_link 'Student', exact: true
  end

  def test_a_document_is_put_on_file_and_withdrawn
    sign_in(@instructor)
    visit "/people/#{@student.id}"
    click_on 'Add a document'
    select 'Medical certificate', from: 'Kind'
    fill_in 'Good until', with: (Time.now.utc.to_date + 10).strftime('%m/%d/%Y')
    click_on 'Put on file'
    assert_text(/Medical certificate runs out on .*, in 10 days/)
    assert_text 'needed for flying alone and instructing'
    click_on 'Withdraw'
    assert_text 'Medical certificate: none on file, and the school asks for it.'
  end

  def test_found_on_the_aircraft_grounded_by_it_and_cleared
    sign_in(@instructor)
    visit '/fleet'
    click_on 'Found something'
    fill_in 'What was found', with: 'oil on the deck'
    check 'It does not fly until this is cleared'
    click_on 'Write it down'
    assert_text 'Does not fly.'
    assert_no_button 'Clear'
    as_in_browser(@chief)
    visit '/fleet'
    find('input[placeholder="What was done about: oil on the deck"]').set('seal replaced')
    click_on 'Clear', exact: true
    assert_no_text 'Does not fly.'
    click_on 'Add what is due'
    fill_in 'What is due', with: '50 hour check'
    click_on 'Put it on the list'
    assert_text 'expected hours, a day, or both'
    fill_in 'At hours', with: '3'
    click_on 'Put it on the list'
    assert_text '50 hour check, due at 3.0 h'
  end

  def test_a_cancelled_booking_is_offered_to_who_waits
    from = (Time.now.utc.to_date + 1).to_time(:utc) + 36_000
    booking = Fujin::Booking.create!(kind: 'dual', student: @student, instructor: @instructor, aircraft: @aircraft,
                                     by: @instructor, from_at: from, to_at: from + 3600)
    sign_in(@instructor)
    visit "/bookings?day=#{from.to_date}"
    click_on 'Add'
    select 'Other', from: 'Student'
    click_on 'Put on the list'
    assert_text 'Other, '
    visit "/bookings?day=#{from.to_date}&open=#{booking.id}"
    fill_in 'Why it is cancelled', with: 'the student is ill'
    click_on 'Cancel it'
    assert_text 'has not flown yet'
    click_on 'Offer it'
    assert_field 'Student', with: @other.id
    fill_in 'All the same, because (it is kept)', with: 'papers follow'
    click_on 'Book it'

    eventually { Fujin::Booking.standing.one? }
    assert_equal([@other.id, from], Fujin::Booking.standing.first.then { |one| [one.student_id, one.from_at] })
  end

  def test_a_lesson_of_the_wrong_student_is_set_right
    @sortie.update!(off_at: Time.utc(2026, 11, 25, 10), on_at: Time.utc(2026, 11, 25, 10, 50))
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/record"
    click_on 'Something is wrong about this lesson'
    select 'Other', from: 'Student'
    fill_in 'What was wrong', with: 'booked under the wrong name'
    assert_accessible 'correction'
    click_on 'Set it right'
    assert_text 'Other · Q-TEST'
    visit "/people/#{@other.id}/log"
    assert_text '0 h 50'
    assert_text 'changed since'
  end

  def test_my_own_page
    sign_in(@instructor)
    visit '/me'
    fill_in 'The old one', with: 'not it'
    fill_in 'The new one', with: 'a lantern at dusk'
    click_on 'Change it'
    assert_text 'this password does not fit'
    fill_in 'The old one', with: ServerHelp::PASSWORD
    click_on 'Change it'
    assert_text 'Everywhere else you are signed out'
    click_on 'Set it up'
    secret = find('code').text
    fill_in 'Code', with: ROTP::TOTP.new(secret).now
    click_on 'Prove it'
    assert_text 'Write these down'
    assert_equal 8, all('section[aria-labelledby="second"] li').size
    click_on 'I have them'
    assert_text 'Signing in asks for a code'
    click_on 'New address'
    assert_match %r{/api/calendar/\S+\.ics}, find_field('Address of my calendar').value
  end

  def test_signing_in_asks_for_the_code
    secret = ROTP::Base32.random
    @chief.update!(second_factor: Fujin::SecondFactor.seal(secret), second_factor_since: Time.now.utc)
    visit '/'
    fill_in 'Sign-in name', with: 'chief'
    fill_in 'Password', with: ServerHelp::PASSWORD
    click_on 'Sign in'
    assert_text 'Now the code of your authenticator'
    fill_in 'Code of the authenticator, or one on paper', with: ROTP::TOTP.new(secret).now
    click_on 'Sign in'
    assert_text 'Flying today'
  end

  def test_rules_out_of_range_are_said_at_their_fields
    sign_in(@chief)
    visit '/school'
    fill_in 'Instructor’s day at most, h', with: '40'
    click_on 'Store the rules'
    assert_text 'A number from 1 to 16.'
    fill_in 'Instructor’s day at most, h', with: '9'
    click_on 'Store the rules'
    assert_text 'hold from now on'
    assert_text 'booking rules set'
    assert_equal 9, Fujin::School.current.booking_rules['duty_max_h']
  end

  def test_the_demo_is_thrown_away_and_a_school_set_up
    TestDatabase.forge('UPDATE schools SET demo = true')
    @school.update!(name: 'Quillmere Flying School')
    at_home(@chief)
    assert_text 'demo'
    visit '/school'
    assert_button 'Throw it away', disabled: true
    fill_in 'Type its name: Quillmere Flying School', with: 'Quillmere Flying School'
    click_on 'Throw it away'
    assert_text 'Set up a school'
    set_up_school
    assert_text 'Flying today'
    assert_no_text 'demo'
    assert_equal ['Ferrow Rotors'], Fujin::School.pluck(:name)
  end
end
