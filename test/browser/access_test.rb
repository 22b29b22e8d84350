# frozen_string_literal: true

require_relative '../browser_helper'

# The way through by keyboard alone. Every view through the automated check, in each mode: everyone_test.rb.
class BrowserAccessTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  # Who may do what is never drawn.
  by_lot(nil)

  def test_sun_and_dusk_pass_the_check_on_a_tablet
    at_home(@instructor)
    window(1180, 820)
    %w[Sun Dusk].each do |mode|
      click_on mode
      ["/sorties/#{@sortie.id}/fly", "/sorties/#{@sortie.id}/prepare"].each do |path|
        visit path
        assert_text(path.end_with?('fly') ? 'Help given now' : 'From above')
        assert_accessible("#{path} in #{mode}")
      end
    end
  end

  # What all those that find nothing rest on.
  def test_the_automated_check_finds_what_is_wrong
    at_home(@instructor)
    page.execute_script(<<~JS)
      document.querySelector('main').insertAdjacentHTML('beforeend',
        '<button id="nameless"></button><p id="pale" style="background: #fff; color: #ccc">A word</p><h4>Deep</h4>')
    JS

    assert_equal ['button-name: #nameless', 'color-contrast: #pale', 'heading-order: h4'], violations.sort
  end

  def test_with_the_keyboard_alone
    visit '/'
    assert_text 'Sign in to plan'
    assert_accessible('sign-in')
    press('instructor', :tab, ServerHelp::PASSWORD, :enter)
    assert_text 'Flying today'
    press([:control, 'k'])
    find('input[placeholder^="A student"]')
    press('Student, 25 Nov 10:00: Prepare')
    assert_selector '[cmdk-item][data-selected=true]', text: 'Prepare'
    press(:enter)
    assert_text 'From the side, true scale'
    press('?')
    assert_text 'Keys on this screen'
    assert_text 'Print the card'
    press(:escape)
    assert_no_text 'Keys on this screen'
    press('f')
    assert_text 'No attempt yet'
    press('a')
    assert_no_text 'No attempt yet'
    press('u')
    assert_text 'No attempt yet'
  end

  def test_arrow_keys_read_the_path_and_the_strips
    imported(@sortie)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    assert_selector 'svg[aria-label^="Scan strips"]'
    page.execute_script("document.querySelector('svg[aria-label^=\"Scan strips\"]').focus()")
    %w[0.2 0.4].each do |moment|
      press(:arrow_right)
      assert_selector 'svg text', text: "#{moment} s"
    end

    assert_current_path(/t=0\.4/)
  end

  def test_touch_targets_in_the_cockpit_are_large
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/fly"
    assert_text 'Help given now'
    heights = page.evaluate_script("[...document.querySelectorAll('.tap')].map(b => b.getBoundingClientRect().height)")

    assert_operator heights.min, :>=, 64
  end
end
