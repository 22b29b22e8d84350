# frozen_string_literal: true

require_relative '../browser_helper'

# A flight followed in the cockpit as the recorder sends it, at the pace it is flown.
class BrowserLiveTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def test_a_flight_is_followed_stopped_and_kept
    window(1180, 820)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/fly"
    click_on 'Record live'
    within('section[aria-label="Live from the recorder"]') do
      assert_text 'No attempt under way', wait: 20
      assert_text(/Rotor\s*(99|100|101)\.\d/)
      assert_text '98 to 104'
      assert_text(/Height\s*(99\d|100\d)/)
      assert_accessible('fly while recording')
      assert_text 'Entry', wait: 25
      assert_selector '[data-behind-ms]'
      click_on 'Stop recording'
      assert_text 'What arrived is kept', wait: 10
    end
    work_off
    row = @sortie.recordings.reload.first

    assert_equal 'ready', row.status
    assert_operator row.summary['rows'], :>, 100
    click_on 'Look at it in Review'
    assert_selector 'section[aria-label="Recording"]'
  end

  def test_a_recording_that_ends_before_the_line_says_so_is_kept_all_the_same
    row = Fujin::RecordingRow.create!(sortie: @sortie, by: @instructor, name: 'live', source: 'live',
                                      status: 'working', step: 'recording live')
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/fly"
    assert_text 'Waiting for the recorder'
    row.update!(step: 'reading')
    click_on 'Stop recording'

    assert_text 'Recording ended. What arrived is kept.'
    assert_link 'Look at it in Review'
  end

  # Nothing scrolls, and every number of the recorder is in its place whole.
  def assert_all_in_sight(width, height)
    window(width, height)
    bottoms = page.evaluate_script(<<~JS)
      [...document.querySelectorAll('.live-numbers > div')].map((box) => box.getBoundingClientRect().bottom)
    JS
    room = page.evaluate_script("document.querySelector('section[aria-label=Now]').getBoundingClientRect().bottom")

    assert_operator page.evaluate_script('document.documentElement.scrollHeight'), :<=, height
    assert_equal 4, bottoms.size
    assert_operator bottoms.max, :<=, room + 1, "#{width}x#{height}"
  end

  # As a recorder sends it, for as long as the block looks.
  def while_it_comes(reading)
    looking = true
    recorder = Thread.new do
      while looking
        Fujin::Record.connection_pool.with_connection do
          Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'x', 'reading' => reading.merge(t_s: Time.now.to_f))
        end
        sleep 0.3
      end
    end
    yield
  ensure
    looking = false
    recorder&.join
  end

  def test_a_second_screen_sees_it_too
    Fujin::RecordingRow.create!(sortie: @sortie, by: @instructor, name: 'live', source: 'live', status: 'working')
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/fly"
    assert_text 'Waiting for the recorder'
    sleep 0.5
    gate = { call: 'go_around', title: 'Gate', height_ft: 110, reasons: ['airspeed 51 kt, 56 to 70'], over: nil,
             say: 'Go around: throttle, then collective' }
    reading = { t_s: Time.now.to_f, exercise: @sortie.exercise.id, phase: 'glide', phase_s: 20.0, box_s: nil,
                values: { rotor_rpm_pct: 99.5, ias_kt: 51.0, sink_fpm: 1500 }, power_unit: 'inhg',
                doubts: { height_ft: 'jumped' }, bands: { ias_kt: [56, 70], sink_fpm: [nil, 1900] }, gate: gate }
    while_it_comes(reading) do
      assert_text 'Go around: throttle, then collective'
      assert_text 'Gate 110 ft: airspeed 51 kt, 56 to 70'
      assert_text(/Height\s*jumped/)
      assert_text 'at most 1900'
      [[1024, 768], [820, 1180], [1280, 800]].each { |width, height| assert_all_in_sight(width, height) }
      window(1180, 820)
    end
    assert_text 'these numbers are old', wait: 6
    Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'x', 'so_far' => [{ label: 'Airspeed in band', figure: '82 %',
                                                                           verdict: 'in' }])
    Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'x', 'reading' => reading.merge(gate: nil), 'wind' => '335/14')

    assert_text 'Airspeed in band 82 %'
    click_on 'More'
    click_on "Use the recording's drift: wind 335/14"
    assert_text 'planned with 335/14', wait: 10
    2.times { find('button', text: 'Rotor low, high:').click }
    assert_button 'Rotor low, high: medium'
    assert_equal 'rotor:2', page.evaluate_script("localStorage.getItem('fujin.calls')")
    click_on 'Close'
    over = { exercise: @sortie.exercise.id, title: 'Straight-in autorotation', grade: 2, critical: false,
             fault: { title: 'Late collective', cue: 'Power gone: collective down at once.' },
             measures: [{ label: 'Collective', figure: '1.4 s', verdict: 'out' }], attempts: 2, best: 3, worst: 2 }
    Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'x', 'over' => over)

    assert_text 'Late collective: Power gone: collective down at once.'
    assert_text 'Collective 1.4 s'
    assert_text 'Of 2 the best'
    click_on 'First attempt'
    assert_no_text 'Late collective'
    Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'x', 'over' => over.merge(attempts: 3))

    assert_text 'Of 3 the best'
    # Nothing is pushed off the screen by it.
    window(1024, 768)

    assert_operator page.evaluate_script('document.documentElement.scrollHeight'), :<=, 768
    assert_accessible('between two attempts')
  end
end
