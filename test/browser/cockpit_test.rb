# frozen_string_literal: true

require_relative '../browser_helper'

# The cockpit sheet as it is used: no network, a reload, another person on the same tablet, one screen for one hand.
class CockpitTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  SIZES = [[1024, 768], [820, 1180], [1280, 800]].freeze

  def teardown
    network(offline: false)
    BrowserHelp.deaf = false
    super
  end

  def fly = visit("/sorties/#{@sortie.id}/fly")
  def focused = page.evaluate_script('document.activeElement.id')

  # Buttons by id, one after another faster than the sheet is drawn.
  def before_it_is_drawn(*ids)
    page.execute_script(<<~JS, ids)
      for (const id of arguments[0]) {
        document.getElementById(id).click()
        for (const tapped = performance.now(); performance.now() < tapped + 5; );
      }
    JS
  end

  def press(key, &)
    page.driver.browser.action.send_keys(key).perform
    eventually(&)
  end

  # What was asked here is what the lesson's taps are from then on: a second question would be answered later.
  def kinds = @sortie.fly_events.reload.sort_by(&:at).map(&:kind)

  def test_opened_without_a_network_the_sheet_is_as_it_was_left
    sign_in(@instructor)
    fly
    ready_for_the_air
    click_on 'First attempt'
    # Said before the tap, too: stored it is when the server has it.
    eventually { kinds.include?('attempt') }
    assert_text 'Everything stored'
    # The page has no network; the worker behind it, which is not held by that, finds nobody either.
    BrowserHelp.deaf = true
    network(offline: true)
    click_on 'Helped'
    assert_text 'No connection: 1 kept on this device'
    page.driver.browser.navigate.refresh

    assert_text 'Attempt 1', wait: 20
    assert_text 'Glide speed'
    # What is shown is marked as old, and a wind that no plan has yet is said.
    assert_text(/No connection: as planned at \d\d:\d\d/)
    assert_no_text 'not in these numbers'
    click_on 'Next attempt'
    assert_text 'Attempt 2'
    click_on 'To standard'
    assert_text '3 kept on this device'
    click_on 'More'
    fill_in 'From, ° true', with: '310'
    fill_in 'kt', with: '16', exact: true
    click_on 'Use it'
    click_on 'Close'
    assert_text 'The wind seen in the air is not in these numbers'
    assert_equal %w[attempt], kinds
    network(offline: false)
    BrowserHelp.deaf = false

    assert_text 'Everything stored', wait: 20
    assert_equal %w[attempt help attempt grade wind], kinds
    assert_no_text 'not in these numbers'
    assert_no_text 'as planned at'
    events = @sortie.fly_events.order(:at).to_a

    assert_equal [nil, events[0].id, nil, events[2].id, events[2].id], events.map(&:attempt_id)
    assert_equal [@instructor.id], events.map(&:by_id).uniq
  end

  # The page is cut off; the worker behind it is not, and sends what lies on the device. In a browser of its own: one
  # whose worker found nobody before waits for minutes.
  def test_the_worker_sends_what_the_page_cannot
    Capybara.using_driver(:whole) do
      window(1280, 800)
      sign_in(@instructor)
      fly
      ready_for_the_air
      network(offline: true)
      click_on 'First attempt'

      eventually(30) { kinds == %w[attempt] }
      # The page may have noticed meanwhile that it is cut off.
      assert_text(/Everything stored|nothing waits/)
      page.driver.quit
    end
  end

  # From any page, by whose they are: the next person on the tablet does not send them.
  def test_taps_that_wait_are_said_everywhere_and_sent_by_their_own_person_only
    sign_in(@instructor)
    fly
    BrowserHelp.deaf = true
    click_on 'First attempt'
    assert_text '1 kept on this device'
    visit '/'
    assert_text '1 tap kept on this device'
    click_on 'Sign out'
    assert_text 'They stay, and are sent when you sign in on this device again'
    click_on 'Sign out all the same'
    sign_in_by_hand(@chief)

    assert_text "1 tap of #{@instructor.name} waits here until they sign in"
    BrowserHelp.deaf = false
    sleep 5

    assert_empty kinds
    click_on 'Sign out'
    sign_in_by_hand(@instructor)
    eventually { kinds == %w[attempt] }
    assert_no_text 'kept on this device'
    assert_equal @instructor.id, @sortie.fly_events.first.by_id
  end

  # One that the server will not take is laid aside with its reason and stops none behind it.
  def test_a_refused_tap_stops_none_behind_it
    at_home(@instructor)
    fly
    assert_text 'Everything stored'
    BrowserHelp.deaf = true
    click_on 'First attempt'
    assert_text '1 kept on this device'
    page.evaluate_async_script(<<~JS)
      const done = arguments[0], open = indexedDB.open('fujin-taps')
      open.onsuccess = () => {
        const store = open.result.transaction('taps', 'readwrite').objectStore('taps'), all = store.getAll()
        all.onsuccess = () => { store.put({ ...all.result[0], kind: 'nonsense' }).onsuccess = () => done(true) }
      }
    JS
    click_on 'Next attempt'
    BrowserHelp.deaf = false
    eventually { kinds == %w[attempt] }
    visit '/'

    assert_text 'Not taken: nonsense'
    click_on 'Take it off this device'
    within('[role=alertdialog]') { click_on 'Take it off this device' }
    assert_no_text 'Not taken'
  end

  # Another tablet's attempt is here within two seconds.
  def test_two_devices_merge
    sign_in(@instructor)
    fly
    click_on 'First attempt'
    assert_text 'Attempt 1'
    Fujin::FlyEvent.create!(id: SecureRandom.uuid, sortie: @sortie, kind: 'attempt', at: Time.now.utc, by: @chief,
                            created_at: Time.now.utc)
    assert_text 'Attempt 2', wait: 4
  end

  # Nothing scrolls, nothing is smaller than a glove; five attempts with help take at most twelve taps: one to begin
  # each, one for each as a whole.
  def test_one_screen_for_one_hand
    sign_in(@instructor)
    SIZES.each do |width, height|
      window(width, height)
      fly
      assert_text 'Glide speed'
      scrolls = page.evaluate_script('[document.documentElement.scrollHeight, innerHeight, ' \
        'document.documentElement.scrollWidth, innerWidth]')

      assert_operator scrolls[0], :<=, scrolls[1], "#{width}x#{height} scrolls"
      assert_operator scrolls[2], :<=, scrolls[3], "#{width}x#{height} runs sideways"
      small = page.evaluate_script(<<~JS)
        [...document.querySelectorAll('section[aria-label="Tap"] button')].map((b) => [b.textContent, b.getBoundingClientRect()])
          .filter(([, r]) => r.height < 64 || r.width < 64 || r.bottom > innerHeight || r.right > innerWidth)
          .map(([text, r]) => `${text} ${Math.round(r.width)}x${Math.round(r.height)} to ${Math.round(r.bottom)}`)
      JS

      assert_empty small, "#{width}x#{height}"
    end
    assert_equal 'sun', page.evaluate_script('document.documentElement.dataset.mode')
    assert_accessible('the cockpit sheet in the sun')
    2.times do |i|
      click_on i.zero? ? 'First attempt' : 'Next attempt'
      assert_text "Attempt #{i + 1}"
      find('button', exact_text: 'Polished').click
    end
    eventually { kinds == %w[attempt grade attempt grade] }
    taps = Fujin::HelpTaps.new(@sortie.fly_events.to_a)

    assert_equal [4, 4], [taps.cockpit_grade(1, 'flare'), taps.cockpit_grade(2, 'entry')]
  end

  # A finger may be faster than the page: four taps before it has drawn the first of them.
  def test_a_tap_belongs_to_the_attempt_begun_before_it_drawn_or_not
    sign_in(@instructor)
    fly
    click_on 'First attempt'
    assert_text 'Attempt 1'
    before_it_is_drawn('new-attempt', 'grade-4', 'go-around', 'undo-last')
    eventually { kinds == %w[attempt attempt grade go_around undo] }
    second, grade, around, undo = @sortie.fly_events.order(:at).drop(1)

    assert_equal [second.id, second.id, around.id], [grade.attempt_id, around.attempt_id, undo.payload['target']]
    assert_text 'Undone: Go-around (attempt 2'
    before_it_is_drawn('new-attempt', 'new-attempt')
    assert_text 'Attempt 3 begun'
    assert_text 'Attempt 4 begun'
  end

  def test_the_hand_that_taps_is_kept_and_checks_are_a_page_of_their_own
    sign_in(@instructor)
    fly
    click_on(text: /Checks: 0 of/)
    within('[role=dialog]') do
      find('button', text: @sortie.exercise.declaration.checks.first).click
      assert_text 'Checks, 1 of'
      assert_accessible('the checks')
      click_on 'Close'
    end
    assert_button(text: /Checks: 1 of/)
    click_on 'More'
    assert_accessible('what is rarer')
    click_on 'Left'
    page.driver.browser.navigate.refresh
    assert_selector '.left-handed', wait: 20
  end

  # Which calls are spoken is kept on the device; none are until somebody wants them.
  def test_calls_and_light_are_kept_on_the_device
    sign_in(@instructor)
    fly
    click_on 'More'
    assert_selector 'button[aria-pressed="false"]', text: 'Rotor low, high'
    find('button', text: 'Rotor low, high:').click
    # Quiet, medium, loud, off.
    4.times { find('button', text: 'Gate:').click }
    click_on 'Dusk'
    page.driver.browser.navigate.refresh
    click_on 'More'

    assert_selector 'button[aria-pressed="true"]', text: 'Rotor low, high: quiet'
    assert_selector 'button[aria-pressed="false"]', text: 'Gate: off'
    assert_equal 'dusk', page.evaluate_script('document.documentElement.dataset.mode')
    click_on 'Sun'
    visit '/'
    assert_text 'Flying today'

    assert_equal 'light', page.evaluate_script('document.documentElement.dataset.mode'), 'the desk has its own'
  end

  # Going through the grades stores none of them: a press does, and what is pressed again is stored again.
  def test_the_grades_are_one_stop_of_the_tab_key
    sign_in(@instructor)
    fly
    ready_for_the_air
    click_on 'First attempt'
    eventually { kinds.include?('attempt') }
    page.execute_script("document.querySelector('#grade-0').focus()")
    press(:arrow_right) { focused == 'grade-1' }
    press(:arrow_right) { focused == 'grade-2' }
    press(:enter) { page.has_css?('#grade-2[role=radio][aria-checked=true]') }
    press(:enter) { kinds == %w[attempt grade grade] }
    press(:tab) { focused == 'undo-last' }

    assert_equal([2, 2], @sortie.fly_events.reload.where(kind: 'grade').map { |event| event.payload['grade'] })
  end

  # Every tap has a key; the attempt that was begun by mistake goes with what was tapped for it.
  def test_keys_and_an_attempt_that_is_taken_back
    sign_in(@instructor)
    fly
    assert_text 'Everything stored'
    find('body').send_keys('a')
    assert_text 'Attempt 1'
    find('body').send_keys('h')
    find('body').send_keys('3')
    eventually { kinds == %w[attempt help grade] }
    click_on 'More'
    click_on 'Void this attempt'
    click_on 'Close'
    assert_text 'No attempt yet'
    eventually { Fujin::HelpTaps.new(@sortie.fly_events.reload.to_a).attempts.zero? }
  end
end
