# frozen_string_literal: true

require_relative 'server_helper'
require_relative 'as_shown'
require_relative 'by_lot'
require_relative '../devices/flight_recorder'
require 'capybara/minitest'
require 'que/command_line_interface'
require 'selenium-webdriver'
require 'tmpdir'

# The real interface in a real browser, with the real server and a real worker process.
module BrowserHelp
  include Capybara::DSL
  include Capybara::Minitest::Assertions

  # Of what is done as by hand one in five is drawn; a class that is not to be says so.
  def self.included(tests)
    super
    tests.extend(ByLot)
    tests.by_lot(/\Atest_/)
  end

  Selenium::WebDriver::Chrome::Service.driver_path = '/usr/bin/chromedriver'
  FLAGS = %w[
    --headless=new
    --no-sandbox
    --disable-gpu
    --disable-quic
    --no-first-run
    --disable-background-networking
    --disable-component-update
    --disable-sync
  ].freeze

  # The same browser without what is around the page takes half of the processor; it sends nothing in the background,
  # for which there is the whole one.
  { fujin: File.expand_path('headless_browser', __dir__), whole: '/usr/bin/chromium' }.each do |name, binary|
    Capybara.register_driver(name) do |app|
      options = Selenium::WebDriver::Chrome::Options.new(binary: binary)
      (FLAGS + ["--user-data-dir=#{Dir.mktmpdir('fujin-browser')}"]).each { |flag| options.add_argument(flag) }
      # A long page takes the automated check half a minute on a machine with other work.
      options.timeouts = { script: 120_000 }
      Capybara::Selenium::Driver.new(app, browser: :chrome, options: options)
    end
  end
  # The real server; while `deaf` it takes no taps, from the page or from its worker; while `hung` its database does not
  # answer. `newer` makes its shell another.
  singleton_class.attr_accessor :deaf, :hung, :newer
  Capybara.app = Fujin::App.build.then do |app|
    ->(env) {
      taps = env['REQUEST_METHOD'] == 'POST' && env['PATH_INFO'].end_with?('/events')
      next [503, {}, ['']] if (BrowserHelp.deaf && taps) || (BrowserHelp.hung && env['PATH_INFO'].start_with?('/api/'))
      next BrowserHelp.newer_shell if BrowserHelp.newer && env['PATH_INFO'] == '/sw.js'

      app.call(env)
    }
  end

  def self.newer_shell
    worker = File.read(File.expand_path('../web/dist/sw.js', __dir__))
    [200, { 'content-type' => 'text/javascript', 'cache-control' => 'no-cache' }, ["#{worker}\n// #{newer}\n"]]
  end
  Capybara.server = :puma, { Silent: true, Threads: '2:8' }
  Capybara.default_driver = :fujin
  Capybara.default_max_wait_time = 15
  # As often as a person would look; a hundred times a second takes the processor from the page.
  Capybara.default_retry_interval = 0.1
  Capybara.enable_aria_label = true
  Capybara.save_path = File.expand_path('../var/screenshots', __dir__)

  WORKER = %w[-q default --poll-interval 1 --worker-count 4 ./server/worker.rb].freeze

  # The stand-in recorder that the worker finds.
  def self.recorder
    @recorder ||= Fujin::Devices::FlightRecorder.new(port: 0).tap { |device| Thread.new { device.run } }
  end

  # Que's own command line, in a process that has read everything already.
  def self.worker
    @worker ||= recorder.port.then do |port|
      fork do
        [$stdout, $stderr].each { |stream| stream.reopen(File.open(File::NULL, 'w')) }
        Process.setpgid(0, 0)
        ENV['FUJIN_RECORDER_PORT'] = port.to_s
        exit!(Que::CommandLineInterface.parse(args: WORKER.dup, output: $stdout))
      end
    end
  end

  # A flight that is still recorded ends with it.
  Minitest.after_run do
    Process.kill('KILL', worker)
    Process.wait(worker)
  rescue Errno::ESRCH
    nil
  end

  def setup
    super
    BrowserHelp.worker
    BrowserHelp.deaf = BrowserHelp.hung = false
    BrowserHelp.newer = nil
    Capybara.reset_sessions!
    window(1280, 800)
  end

  def teardown
    tell_what_was_seen unless passed?
    super
  end

  # A picture for who sits at the machine; place and words for who only has what was printed.
  def tell_what_was_seen
    save_screenshot("#{name.gsub(/\W+/, '-')}.png") # rubocop:disable Lint/Debugger
    warn "#{name} ended at #{page.current_path}: #{page.text.gsub(/\s+/, ' ')[0, 600]}"
  end

  def window(width, height)
    page.driver.browser.execute_cdp(
      'Emulation.setDeviceMetricsOverride',
      width: width,
      height: height,
      deviceScaleFactor: 1,
      mobile: false
    )
  end

  # As who signs in by hand is from then on.
  def sign_in(person)
    as(person)
    name, value = last_response['set-cookie'][/\A[^;]+/].split('=', 2)
    page.driver.browser.execute_cdp('Network.setCookie', name: name, value: value, url: page.server.base_url,
                                                         path: '/', httpOnly: true, sameSite: 'Strict')
  end

  # Signed in, and before the first page.
  def at_home(person)
    sign_in(person)
    visit '/'
    assert_text 'Flying today'
  end

  def sign_in_by_hand(person)
    visit '/'
    fill_in 'Sign-in name', with: person.sign_in
    fill_in 'Password', with: ServerHelp::PASSWORD
    click_on 'Sign in'
    assert_text 'Flying today'
  end

  # The day stands in one line of words until somebody changes something of it.
  def open_the_day(word = 'Change the day') = click_on(word)

  def as_in_browser(person)
    Capybara.reset_sessions!
    window(1280, 800)
    sign_in(person)
  end

  def press(*keys)
    page
      .driver
      .browser
      .action
      .tap do |action|
        keys.each do |key|
          key.is_a?(Array) ? action.key_down(key[0]).send_keys(key[1]).key_up(key[0]) : action.send_keys(key)
        end
      end
      .perform
  end

  # Of the page; the worker behind it is not held by that.
  def network(offline:)
    page.driver.browser.execute_cdp('Network.enable')
    page.driver.browser.execute_cdp('Network.emulateNetworkConditions', offline: offline, latency: 0,
                                                                        downloadThroughput: -1, uploadThroughput: -1)
  end

  # Shell, plan and lesson lie on the device; a worker stands behind the page.
  def ready_for_the_air
    click_on 'More'
    assert_text 'Ready for the air: all of it on this device', wait: 30
    click_on 'Close'
    page.evaluate_async_script('navigator.serviceWorker.ready.then(() => arguments[0](true))')
    eventually { page.evaluate_script('navigator.serviceWorker.controller !== null || (location.reload(), false)') }
    assert_text 'Everything stored'
  end

  # The worker is a real process here: nothing to do but wait for it.
  def work_off
    eventually(60) { Fujin::RecordingRow.where(status: %w[waiting working]).none? }
  end

  # Waits for what the page does not show.
  def eventually(seconds = 15)
    (seconds * 10).times do
      return if yield

      sleep 0.1
    end
    flunk "it did not come about within #{seconds} s"
  end

  # What fades in has its own colours only at the end.
  SETTLED = "document.getAnimations().every((a) => a.playState !== 'running' || " \
    'a.effect.getComputedTiming().endTime === Infinity)'

  CHECKED = %w[wcag2a wcag2aa wcag21a wcag21aa wcag22aa best-practice].freeze

  CHECK = File.read(File.expand_path('../web/node_modules/axe-core/axe.min.js', __dir__)).freeze
  # What is wrong alone: to name all that is right takes as long as to look.
  FOUND_WRONG = <<~JS.freeze
    const [done] = [...arguments].reverse()
    axe.run({ runOnly: { type: 'tag', values: #{CHECKED} }, resultTypes: ['violations'] })
      .then(({ violations }) => violations.flatMap(({ id, nodes }) => nodes.map(({ target }) => `${id}: ${target.join(' ')}`)))
      .then(done, (error) => done([`the check itself: ${error}`]))
  JS

  # What the automated check finds against WCAG 2.2 A and AA and good practice, once nothing moves any more.
  # @return [Array<String>] a rule and a place each
  def violations
    eventually { evaluate_script(SETTLED) }
    page.execute_script(CHECK) unless evaluate_script("'axe' in window")
    page.evaluate_async_script(FOUND_WRONG)
  end

  def assert_accessible(what) = assert_empty(violations, what)

  def file_of(bytes, name = 'flight.csv')
    path = File.join(Dir.mktmpdir, name)
    File.binwrite(path, bytes)
    path
  end
end
