# frozen_string_literal: true

require_relative '../browser_helper'

# Every manoeuvre that a helicopter and a gyroplane fly opens with its numbers. Of the texts in the pictures of a plan,
# on a desk, a tablet and a phone, none lies over another, none runs out of its picture, as the browser has drawn them.
class BrowserLabelsTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  # Manoeuvres are drawn, not tests.
  by_lot(nil)

  # A picture is drawn anew for another width by the next frame.
  OVERLAPS = <<~JS
    const [done] = [...arguments].reverse()
    const look = () => [...document.querySelectorAll('main svg[role]')].flatMap((svg) => {
      const frame = svg.getBoundingClientRect()
      const texts = [...svg.querySelectorAll('text')].filter((text) => text.textContent.trim() !== '')
        .map((text) => [text.textContent, text.getBoundingClientRect()])
      const out = texts.filter(([, box]) => box.left < frame.left - 1 || box.right > frame.right + 1)
        .map(([text]) => `${text} runs out of the picture`)
      const over = texts.flatMap(([text, a], i) => texts.slice(i + 1)
        .filter(([, b]) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 3 && b.top < a.bottom - 3)
        .map(([other]) => `${text} / ${other}`))
      return [...out, ...over]
    })
    const drawn = (frames) => requestAnimationFrame(() => frames === 0 ? done(look()) : drawn(frames - 1))
    drawn(2)
  JS
  # The desk at last: the card is printed from it.
  WIDTHS = [[834, 1112], [360, 780], [1280, 800]].freeze

  # A lesson of every manoeuvre that the kind of aircraft flies, in a wind from the side.
  def everything(type, first)
    aircraft = Fujin::AircraftRow.create!(mark: "Q-#{type[0, 4].upcase}", type_id: type)
    lesson = sortie(aircraft: aircraft, manoeuvre: first, wind_from_deg: 310, wind_kt: 12)
    copied = lesson.exercise.attributes.except('id', 'settings', 'manoeuvre', 'position')
    others = ByLot.of(Fujin::Catalogue.all.select { |one| one.for?(aircraft.type) && one.id != first })
    others.each_with_index { |one, i| lesson.exercises.create!(**copied, manoeuvre: one.id, position: i + 1) }
    lesson.reload
  end

  # Each is planned once, and its window drawn wider and narrower.
  def assert_apart(lesson)
    sign_in(@instructor)
    visit "/sorties/#{lesson.id}/prepare"
    found = lesson.exercises.each_with_index.flat_map do |exercise, i|
      press(']') if i.positive?
      assert_selector '[aria-label=Exercises] [aria-current=true]', text: /\A#{i + 1}/
      assert_selector 'main [role=tablist]'
      assert_no_selector '[data-old]'
      assert_opened(exercise.manoeuvre)
      tabs.flat_map { |tab| drawn(exercise, tab) } + printed(exercise)
    end

    assert_empty found
  end

  def assert_opened(manoeuvre)
    number = Fujin::Glossary.number(Fujin::Catalogue.find(manoeuvre).key_numbers.first, manoeuvre)
    within('section[aria-label="Numbers"]') { assert_text number.label }
    assert_no_text 'could not be'
  end

  def tabs = ['Path', 'Energy and limits'].select { |tab| page.has_button?(tab, wait: 0) }

  # What lies over something in one of the tabs with pictures.
  # @return [Array<String>]
  def drawn(exercise, tab)
    click_on tab
    assert_selector 'main [role=tab][aria-selected=true]', text: tab
    WIDTHS.flat_map do |width, height|
      window(width, height)
      page.evaluate_async_script(OVERLAPS).map { |over| "#{exercise.manoeuvre} at #{width}, #{tab}: #{over}" }
    end
  end

  # Its card is one page, of every manoeuvre.
  def printed(exercise)
    pages = Base64.decode64(page.driver.browser.execute_cdp('Page.printToPDF', preferCSSPageSize: true)['data'])
      .scan(%r{/Type\s*/Page\b}).size
    pages == 1 ? [] : ["#{exercise.manoeuvre} prints on #{pages} pages"]
  end

  def test_no_text_lies_over_another_in_a_helicopter
    assert_apart(everything('tansy-2', 'straight_in_autorotation'))
  end

  def test_no_text_lies_over_another_in_a_gyroplane = assert_apart(everything('sorrel-g', 'gyro_landing'))
end
