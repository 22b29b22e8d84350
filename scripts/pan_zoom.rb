# frozen_string_literal: true

# Frames while the whole flight is panned and zoomed, and while an attempt is replayed: an hour at 10 Hz, six strips, in
# the browser as it is. Start Fujin first; prints the middle and the 95th percentile of the time between frames.
#
#   bundle exec ruby scripts/pan_zoom.rb [http://127.0.0.1:4810]
require 'selenium-webdriver'
require 'json'
require_relative '../core/lib/fujin'

base = ARGV[0] || 'http://127.0.0.1:4810'
day =
  Fujin::Planning::Conditions.build(type: Fujin::Aircraft::Library.find('tansy-2'), wind: Fujin::Wind.parse('350/8'))
lesson =
  Fujin::Lessons::FlownLesson.new(
    day,
    faults: Array.new(22) { |i| i.odd? ? {} : { 'slow_glide' => 6.0 } },
    origin: [47.2104, -14.332],
    elevation_ft: 62.0,
    course_deg: 350.0
  )
rows = lesson.csv.lines
File.write('/tmp/fujin-hour.csv', rows.first(36_001).join)

options =
  Selenium::WebDriver::Chrome::Options.new(
    binary: '/usr/bin/chromium',
    args: %w[--headless=new --no-sandbox --window-size=1280,800]
  )
browser =
  Selenium::WebDriver.for(
    :chrome,
    options: options,
    service: Selenium::WebDriver::Service.chrome(path: '/usr/bin/chromedriver')
  )
wait = Selenium::WebDriver::Wait.new(timeout: 90)
browser.get(base)
wait.until { browser.find_elements(css: 'input[type=password]').first }
browser.find_element(css: 'input[autocomplete=username]').send_keys('corwin')
browser.find_element(css: 'input[type=password]').send_keys('quillmere')
browser.find_element(css: 'button[type=submit]').click
wait.until { browser.find_elements(css: 'a[href^="/sorties/"]').first }
sortie =
  browser
    .find_elements(css: 'a[href^="/sorties/"]')
    .filter_map { |a| a.attribute('href')[%r{/sorties/[0-9a-f-]+}] }
    .first
browser.get("#{base}#{sortie}/review")
wait.until { browser.find_elements(css: 'input[type=file]').first }.send_keys('/tmp/fujin-hour.csv')
wait.until { browser.page_source.include?('fujin-hour.csv, 36,000 rows') }
sleep 2
# An attempt of this recording, after those that the sortie had.
browser.get(
  "#{base}#{sortie}/review?attempt=" \
    "#{browser.find_elements(css: 'button').filter_map { |b| b.text[/\A(\d+)\s/, 1]&.to_i }.max}"
)
wait.until { browser.find_elements(css: 'summary').any? }
sleep 2
browser.find_elements(css: 'summary').find { |s| s.text == 'The whole flight' }.click
canvas = wait.until { browser.find_elements(css: 'canvas').first }
sleep 2
frames = browser.execute_async_script(<<~SCRIPT, canvas)
  const [canvas, done] = arguments
  const box = canvas.getBoundingClientRect()
  const at = (type, x) => canvas.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, clientX: box.left + x, clientY: box.top + 60 }))
  canvas.setPointerCapture = () => {}
  const gaps = []
  let frame = 0, last = performance.now(), x = 700
  at('pointerdown', x)
  const tick = (now) => {
    if (frame > 2) gaps.push(now - last)
    last = now
    frame += 1
    if (frame > 400) { at('pointerup', x); return done(gaps) }
    if (frame % 4 === 0) canvas.dispatchEvent(new WheelEvent('wheel', { bubbles: true, cancelable: true, deltaY: frame % 160 < 80 ? -60 : 60, clientX: box.left + 600, clientY: box.top + 60 }))
    x = 700 + 300 * Math.sin(frame / 9)
    at('pointermove', x)
    requestAnimationFrame(tick)
  }
  requestAnimationFrame(tick)
SCRIPT
# @param what [String], @param gaps [Array<Float>] milliseconds from one frame to the next
def tell(what, gaps)
  sorted = gaps.sort
  puts format('%s: %d frames, middle %.1f ms, 95 %% at most %.1f ms (target 32 ms)', what, sorted.size,
              sorted[sorted.size / 2], sorted[(sorted.size * 0.95).floor])
end
tell('pan and zoom, 36,000 points x 6 strips', frames)

browser.find_elements(css: 'summary').find { |s| s.text == 'The whole flight' }.click
browser.find_elements(css: 'button').find { |b| b.text == 'Replay' }.click
tell('replay of an attempt, an hour loaded', browser.execute_async_script(<<~SCRIPT))
  const [done] = arguments
  const gaps = []
  let last
  const tick = (now) => {
    if (last !== undefined) gaps.push(now - last)
    last = now
    if (gaps.length > 500) return done(gaps)
    requestAnimationFrame(tick)
  }
  requestAnimationFrame(tick)
SCRIPT
browser.quit
