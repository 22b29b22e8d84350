# frozen_string_literal: true

require_relative '../browser_helper'

# What a phone shows first. That no view is wider than its window: everyone_test.rb.
class NarrowTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  # The work is what a phone shows: the places are one row with the one on screen in sight, light and name behind a
  # button.
  def test_a_phone_has_one_row_of_places
    sign_in(@chief)
    window(390, 844)
    visit '/school'
    assert_selector 'h1', text: 'School'
    height, place, row = page.evaluate_script(<<~JS)
      ['header', 'nav [aria-current=page]', 'nav'].map((css) => document.querySelector(css).getBoundingClientRect())
        .map((r, i) => i === 0 ? r.height : [r.left, r.right])
    JS

    assert_operator height, :<=, 72
    assert_operator place[0], :>=, row[0] - 1
    assert_operator place[1], :<=, row[1] + 1
    assert_no_button 'Sign out'
    click_on 'More'
    assert_button 'Sign out'
    assert_selector '[role=radiogroup][aria-label="Light here"]'
  end
end
