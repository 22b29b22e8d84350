# frozen_string_literal: true

require_relative '../browser_helper'
require_relative 'every_view'

# On a desk's screen enlarged four times (320 px) nothing runs out of the page sideways: what is wide scrolls in its own
# frame. Wider windows: everyone_test.rb.
class NarrowTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include EveryView

  def test_nothing_runs_out_of_a_narrow_page
    a_school_at_work
    sign_in(@chief)
    window(320, 780)
    views.each do |path, shown|
      open_view(path, shown)

      assert_operator page.evaluate_script('document.documentElement.scrollWidth'), :<=, 320, path
    end
  end

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
