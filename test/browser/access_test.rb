# frozen_string_literal: true

require_relative '../browser_helper'

# Every main view by keyboard and through the automated accessibility check, in each mode.
class BrowserAccessTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def setup
    super
    @attempts = imported(@sortie, faults: [{ 'late_collective' => 1.5 }])
    grade_all(@attempts.first, @instructor, 'instructor')
  end

  def test_every_main_view_passes_the_check
    visit '/'
    assert_text 'Sign in to plan'
    assert_accessible('sign-in')
    sign_in_by_hand(@chief)
    views.each do |path, text|
      visit path
      assert_text text
      assert_accessible(path)
    end
  end

  def views
    {
      '/' => 'Flying today',
      '/students' => 'Next sortie',
      "/students/#{@student.id}" => 'Sorties and flight time',
      '/fleet' => 'Tansy 2',
      '/method' => 'House method',
      "/sorties/#{@sortie.id}/prepare" => 'From above',
      "/sorties/#{@sortie.id}/fly" => 'Help given now',
      "/sorties/#{@sortie.id}/review" => 'Work on',
      "/sorties/#{@sortie.id}/debrief" => 'Next time',
      "/sorties/#{@sortie.id}/record" => 'Flight time'
    }
  end

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

  def test_no_view_is_wider_than_its_window
    sign_in(@chief)
    [[1280, 800], [1180, 820], [820, 1180]].each do |size|
      window(*size)
      views.each do |path, text|
        visit path
        assert_text text
        wide = page.evaluate_script('document.documentElement.scrollWidth - document.documentElement.clientWidth')

        assert_operator wide, :<=, 0, "#{path} at #{size.join('x')}"
      end
    end
  end

  def test_with_the_keyboard_alone
    visit '/'
    assert_text 'Sign in to plan'
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
