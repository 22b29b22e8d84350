# frozen_string_literal: true

require_relative '../browser_helper'

# Two tablets on one lesson, each a browser of its own; and a tablet whose application was made anew.
class DevicesTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def teardown
    BrowserHelp.newer = nil
    super
  end

  def fly
    window(1024, 768)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/fly"
    page.has_text?('Everything stored')
  end

  def on_the_other(&) = Capybara.using_session(:other_tablet, &)

  # Tapped here it stands there; tapped on both while one has no network, both attempts count, each with its own help.
  def test_two_tablets_come_together_by_attempt
    fly
    on_the_other { fly }
    click_on 'First attempt'
    click_on 'Helped'
    on_the_other do
      assert_text 'Attempt 1', wait: 3
      ready_for_the_air
      network(offline: true)
      BrowserHelp.deaf = true
      click_on 'Next attempt'
      click_on 'Took over'
      assert_text '2 kept on this device'
    end
    click_on 'Next attempt'
    click_on 'Prompted'
    assert_text '2 kept on this device'
    BrowserHelp.deaf = false
    on_the_other { network(offline: false) }
    [-> { assert_text 'Attempt 3', wait: 20 }, -> { on_the_other { assert_text 'Attempt 3', wait: 20 } }].each(&:call)

    assert_equal %w[assisted taken_over prompted].sort, help_by_attempt.values.flatten.sort
    assert_equal 3, help_by_attempt.size
  end

  def help_by_attempt
    @sortie.fly_events.reload.select { |event| event.kind == 'help' }.group_by(&:attempt_id)
      .transform_values { |events| events.map { |event| event.payload['value'] } }
  end

  # What the page itself asks for is what the first view needs; the cockpit's view comes behind it, by itself.
  def test_the_first_script_is_small_and_the_cockpit_comes_behind_it
    shell = File.expand_path('../../web/dist', __dir__)
    first = File.read("#{shell}/index.html").scan(%r{assets/[\w.-]+\.js}).uniq

    assert_operator first.sum { |script| File.size("#{shell}/#{script}.gz") }, :<, 150_000
    visit '/'
    assert_field 'Sign-in name'
    eventually { fetched.include?('SortiePage') }
    refute_match(/Fleet|SitePage/, fetched)
  end

  def fetched = page.evaluate_script("performance.getEntriesByType('resource').map((one) => one.name).join()")

  # A newer shell is offered on the desk and never in flight.
  def test_a_newer_application_is_offered_and_never_in_flight
    fly
    ready_for_the_air
    BrowserHelp.newer = 'another version'
    look_for_a_newer_one
    eventually { page.evaluate_async_script(<<~JS) }
      navigator.serviceWorker.getRegistration().then((known) => arguments[0](Boolean(known.waiting)))
    JS
    assert_no_text 'A newer Fujin is here'
    visit '/'

    assert_text 'A newer Fujin is here', wait: 10
    click_on 'Reload'
    assert_text 'Flying today'
    eventually { page.evaluate_async_script(<<~JS) }
      navigator.serviceWorker.getRegistration().then((known) => arguments[0](known.waiting === null))
    JS
  end

  def look_for_a_newer_one
    page.evaluate_async_script(
      'navigator.serviceWorker.getRegistration().then((known) => known.update()).then(() => arguments[0](true))'
    )
  end
end
