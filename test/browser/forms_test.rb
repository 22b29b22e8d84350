# frozen_string_literal: true

require_relative '../browser_helper'

# A form says at the field what is wrong before it asks, what the server refuses after it, and keeps what was typed.
class FormsTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  # One black point.
  MARK = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAIAAACQd1PeAAAADElEQVR4nGNgYGAAAAAEAAH2FzhVAAAAAElFTkSuQmCC'

  # As if a moment was chosen by hand: the browser's own setter, then what tells the page.
  TYPE = "Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(this, arguments[0]); " \
    "this.dispatchEvent(new Event('input', { bubbles: true }))"

  # As the page is now: none is an answer, too.
  def wrong(label) = find_field(label).find(:xpath, './..').all('[role=alert]', wait: 0).map(&:text)
  def known = Fujin::Person.where(sign_in: %w[wenna student]).count

  def test_what_is_wrong_is_said_at_its_field_before_and_after_it_is_sent
    sign_in(@chief)
    visit '/people'
    click_on 'Add somebody'
    fill_in 'Sign-in name', with: 'student'
    fill_in 'Mass, kg', with: '300'
    click_on 'Add'

    assert_text 'A number from 30 to 200.'
    assert_equal([['Still to be filled in.'], [], ['A number from 30 to 200.']],
                 ['Name', 'Sign-in name', 'Mass, kg'].map { |label| wrong(label) })
    assert_equal 'Name', evaluate_script('document.activeElement.labels[0].textContent')
    assert_equal 1, known, 'nothing was sent'
    assert_accessible 'a form with what is wrong'

    fill_in 'Name', with: 'Wenna Marsh'
    fill_in 'Mass, kg', with: '64'

    assert_no_text 'A number from 30 to 200.'
    click_on 'Add'

    eventually { wrong('Sign-in name').any? }
    assert_equal 1, known
    assert_equal ['Wenna Marsh', '64'], [find_field('Name').value, find_field('Mass, kg').value]
    fill_in 'Sign-in name', with: 'wenna'
    eventually { wrong('Sign-in name').empty? }
    click_on 'Add'
    assert_text 'Not come in yet'
    assert_equal 64, Fujin::Person.find_by!(sign_in: 'wenna').mass_kg
  end

  # Three letters that no number begins with stay with the browser, which gives them to nobody.
  def test_half_a_number_is_never_stored_as_nought
    sign_in(@chief)
    visit '/school'
    fill_in 'Longest booking, h', with: ''
    find_field('Longest booking, h').send_keys('e')
    click_on 'Store the rules'

    assert_text 'A number from 1 to 12.'
    fill_in 'Longest booking, h', with: ''
    click_on 'Store the rules'

    eventually { wrong('Longest booking, h') == ['Still to be filled in.'] }
    fill_in 'Longest booking, h', with: '5'
    all(:field, 'Cloud base, ft').first.fill_in(with: '299')
    click_on 'Store the rules'

    assert_text 'A number from 300 to 5000.'
    all(:field, 'Cloud base, ft').first.fill_in(with: '300')
    click_on 'Store the rules'

    assert_text 'The rules are stored and hold from now on.'
    rules = Fujin::School.sole.booking_rules

    assert_equal [5, 300], [rules['longest_h'], rules.minima('early')['cloud_base_ft']]
  end

  # A reason has the same least wherever one is asked for, and the field keeps what was begun.
  def test_a_reason_of_two_letters_is_none
    sign_in(@chief)
    visit '/fleet'
    fill_in 'Why it is not to fly', with: 'no'
    click_on 'Ground it'

    assert_text 'At least 3 characters.'
    fill_in 'Why it is not to fly', with: 'not found since'
    click_on 'Ground it'

    assert_text 'Does not fly.'
    assert_equal 'not found since', @aircraft.reload.grounded_why
  end

  # Something else of the same page is stored meanwhile.
  def test_what_is_typed_stays_when_the_page_is_read_again
    sign_in(@chief)
    visit '/school'
    fill_in 'Words at the foot of what is printed', with: 'Not for operational use'
    attach_file 'Mark on what is printed, PNG or JPEG, at most 200 kB', file_of(Base64.decode64(MARK), 'mark.png')

    assert_selector 'img[alt="The school’s mark"]'
    assert_equal 'Not for operational use', find_field('Words at the foot of what is printed').value
  end

  # What was stored leaves nothing behind that looks like a fault of the next.
  def test_a_form_that_was_stored_is_clean_again
    sign_in(@instructor)
    visit '/me'
    away('2027-01-12', 'at the dentist')
    away('2027-01-13', 'at the sea')

    eventually { Fujin::Absence.count == 2 && find_field(AWAY).value == '' }
    assert_empty wrong(AWAY)
    assert_equal ['at the dentist', 'at the sea'], Fujin::Absence.order(:from_at).pluck(:words)
  end

  AWAY = 'What others read of it'

  def away(day, words)
    within('form[aria-label="Away"]') do
      { 'Away from, UTC' => 'T08:00', 'To, UTC' => 'T12:00' }.each do |label, clock|
        find_field(label).execute_script(TYPE, day + clock)
      end
      fill_in AWAY, with: words
      click_on 'I am away then'
      assert_field AWAY, with: ''
    end
  end
end
