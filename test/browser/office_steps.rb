# frozen_string_literal: true

# What a chief instructor does by hand in the browser, step by step.
module OfficeSteps
  def set_up_school
    within_fieldset('School') do
      fill_in 'Name', with: 'Ferrow Rotors'
      fill_in 'Station', with: 'XFER'
      select 'Etc/UTC', from: 'Time zone'
      fill_in 'Latitude, ° north', with: '47.1'
      fill_in 'Longitude, ° east', with: '-14.2'
    end
    within_fieldset('You, the first chief instructor') do
      fill_in 'Name', with: 'Hild Ferrow'
      fill_in 'Sign-in name', with: 'hild'
      fill_in 'Password', with: 'password123'
    end
    fill_in 'Mark', with: 'Q-NEW'
    click_on 'Begin'
    assert_text 'lists of known passwords'
    fill_in 'Password', with: 'heather over slate'
    click_on 'Begin'
  end

  # @return [String] the path of the invitation
  def add_and_invite
    click_on 'People'
    assert_text 'Medical certificate: none on file'
    click_on 'Add somebody'
    fill_in 'Name', with: 'Wenna Marsh'
    fill_in 'Sign-in name', with: 'wenna'
    fill_in 'Mass, kg', with: '64'
    click_on 'Add'
    assert_text 'Not come in yet'
    click_on 'Invite'
    URI(find_field('Link').value).path
  end

  def come_in(path)
    Capybara.using_session(:wenna) do
      visit path
      assert_text 'Welcome, Wenna Marsh'
      fill_in 'Choose a password', with: 'a lantern at dusk'
      fill_in 'The same again', with: 'a lantern at dusk'
      click_on 'Come in'
      assert_text 'Nothing is booked for you: ask your instructor'
      page.driver.quit
    end
    assert_equal 'active', Fujin::Person.find_by(sign_in: 'wenna').state
  end

  def book_a_lesson
    visit '/bookings'
    assert_text 'Waiting for a gap'
    click_on 'Book'
    select 'Q-NEW Tansy 2', from: 'Aircraft'
    select 'Wenna Marsh', from: 'Student'
    fill_in 'Day', with: (Time.now.utc.to_date + 1).strftime('%m/%d/%Y')
    assert_text 'Hild Ferrow instructs only with a medical certificate: none is on file.'
    assert_accessible 'booking'
    fill_in 'All the same, because (it is kept)', with: 'papers come tomorrow'
    click_on 'Book it'
    visit "/bookings?day=#{Time.now.utc.to_date + 1}"
    find('[data-lane] button', text: 'Wenna Marsh').click
    assert_text 'Booked all the same: papers come tomorrow'
    click_on 'Prepare the lesson'
  end

  def give_authority
    Fujin::Place.create!(name: 'Heath', kind: 'spot', lat_deg: 47.2, lon_deg: -14.3, elevation_ft: 62, courses: [350])
    visit "/students/#{@student.id}"
    click_on 'Give a solo authority'
    check 'Straight-in autorotation'
    check 'Heath'
    check 'Q-TEST'
    assert_accessible 'solo authority'
    fill_in 'Given all the same, because (it is signed)', with: 'shown before'
    click_on 'Sign it'
    assert_text 'In force'
  end
end
