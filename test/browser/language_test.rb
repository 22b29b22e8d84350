# frozen_string_literal: true

require_relative '../browser_helper'
require_relative '../pseudo'
require_relative 'every_view'

# Another language is a file: every view is read in one that marks each letter of both catalogues, the client's and the
# server's. What still stands there in plain letters is a name or what somebody wrote, or is in no catalogue.
class LanguageTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include EveryView

  # Views are drawn, not tests.
  by_lot(nil)

  # Symbols of units, an address and a system's own code are the same in every language; what each
  # control is called is the core's data.
  HANDS = JSON.parse(File.read(File.expand_path('../../core/data/hands.json', __dir__)))
  SYMBOLS = ['Fujin', 'http', 'ECONNREFUSED', 'UTC', 'hPa', 'inHg', 'min', 'alt+T',
             *HANDS.values.flat_map(&:values)].freeze

  # Names and ids of the server's answers, and what people wrote.
  LISTEN = <<~JS
    localStorage.setItem('fujin.language', 'pseudo')
    window.told = new Set()
    const written = ['name', 'mark', 'station', 'spot_name', 'sign_in', 'time_zone', 'type_name', 'student', 'instructor', 'by', 'address', 'device']
    const keep = (value, under) => {
      if (typeof value === 'string') { if (written.includes(under) || /^[^ ]*$/.test(value)) window.told.add(value) }
      else if (value && typeof value === 'object') for (const [key, one] of Object.entries(value)) { window.told.add(key); keep(one, Array.isArray(value) ? under : key) }
    }
    const asked = window.fetch
    window.asking = 0
    window.fetch = async (...args) => {
      window.asking += 1
      const answer = await asked(...args).finally(() => { window.asking -= 1 })
      if ((answer.headers.get('content-type') ?? '').includes('json')) keep(await answer.clone().json().catch(() => null))
      return answer
    }
  JS

  # Visible texts and what is read aloud, without what was told; words of three plain letters that are left.
  PLAIN = <<~JS
    const days = new Set()
    for (let i = 0; i < 12; i++) for (const style of ['long', 'short']) {
      days.add(new Intl.DateTimeFormat('en-GB', { month: style }).format(new Date(Date.UTC(2026, i, 1))))
      days.add(new Intl.DateTimeFormat('en-GB', { weekday: style }).format(new Date(Date.UTC(2026, 0, 1 + i))))
    }
    const known = [...window.told, ...days, ...arguments[0]].flatMap((one) => [one, one.replaceAll('_', ' ')])
      .map((one) => one.trim().toLowerCase()).filter((one) => /[a-z]{2}/.test(one)).sort((a, b) => b.length - a.length)
    const left = (text) => {
      let rest = ' ' + text.toLowerCase().normalize('NFD') + ' '
      for (const one of known) {
        let at = rest.indexOf(one)
        while (at >= 0) {
          const whole = !/[a-z]/.test(rest[at - 1]) && !/[a-z]/.test(rest[at + one.length] ?? ' ')
          if (whole) rest = rest.slice(0, at) + ' | ' + rest.slice(at + one.length)
          at = rest.indexOf(one, whole ? at : at + 1)
        }
      }
      return rest.match(/(?<![a-z\\u0300-\\u036f])[a-z]{3,}(?![a-z\\u0300-\\u036f])/g)
    }
    const texts = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode()) {
      const at = walker.currentNode.parentElement
      if (at && !at.closest('script, style, code, [data-as-written]')) texts.push(walker.currentNode.data)
    }
    for (const at of document.querySelectorAll('*'))
      for (const name of ['aria-label', 'aria-valuetext', 'aria-roledescription', 'title', 'placeholder', 'alt'])
        if (at.hasAttribute(name)) texts.push(at.getAttribute(name))
    texts.push(document.title)
    return texts.filter((text) => left(text)).map((text) => left(text).join(' ') + ' <- ' + text.trim().slice(0, 120))
  JS

  def test_no_view_has_a_text_outside_the_catalogue
    Pseudo.learn
    Fujin::Text.usual = Pseudo::LANGUAGE
    make_ready
    sign_in(@chief)
    listening = cdp('Page.addScriptToEvaluateOnNewDocument', source: LISTEN)
    found = ByLot.of(views.keys).flat_map do |path|
      visit path
      assert_selector 'h1'
      assert_all_there
      page.execute_script('document.querySelectorAll("details").forEach((one) => { one.open = true })')
      page.evaluate_script("(function () { #{PLAIN} })(#{SYMBOLS.to_json})").map { |one| "#{path}: #{one}" }
    end

    assert_empty found.uniq, found.uniq.join("\n")
  ensure
    Fujin::Text.usual = Fujin::Text::ENGLISH
    # The browser is everybody's.
    cdp('Page.removeScriptToEvaluateOnNewDocument', **listening.transform_keys(&:to_sym)) if listening
    page.execute_script("localStorage.removeItem('fujin.language')")
  end

  # Nothing is asked any more, nothing is still read, and what stands there is what stood there a moment ago.
  def assert_all_there
    seen = nil
    eventually do
      before = seen
      seen = page.evaluate_script(<<~JS)
        window.asking === 0 && [document.body.innerText].find((text) => !text.replaceAll('#{Pseudo::MARK}', '').includes('Reading'))
      JS
      seen && seen == before
    end
  end

  # What the server reads is said in its own words, whatever the page speaks.
  def test_a_drift_is_understood_from_every_language
    at_home(@instructor)
    page.execute_script("localStorage.setItem('fujin.language', 'pseudo')")
    visit "/sorties/#{@sortie.id}/fly"
    assert_selector 'h1'
    press('m')
    within(find('input[name=from]').ancestor('form')) do
      find('.act').click
      flown = { heading: 340, airspeed: 70, track: 348, over_ground: 62 }
      flown.each { |name, value| find("[name=#{name}]").set(value) }
      find('[type=submit]').click
    end

    eventually { Fujin::FlyEvent.where(kind: 'wind').any? }
    assert_equal 'heading 340 at 70, track 348 at 62', Fujin::FlyEvent.find_by(kind: 'wind').payload['value']
  ensure
    page.execute_script("localStorage.removeItem('fujin.language')")
  end

  def cdp(name, **words) = page.driver.browser.execute_cdp(name, **words)
end
