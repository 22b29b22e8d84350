# frozen_string_literal: true

require_relative '../browser_helper'

# The debrief: replay, what one change would have done, everything to standard at once, the page to take home.
class BrowserReviewTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def review(address = '')
    visit "/sorties/#{@sortie.id}/review#{address}"
    assert_selector 'svg[aria-label^="Scan strips"]'
  end

  def moment = page.current_url[/t=([\d.]+)/, 1].to_f

  def test_a_replay_moves_every_picture_and_stops_where_it_is_paused
    imported(@sortie)
    sign_in(@instructor)
    review
    select '2 ×', from: 'Speed'
    click_on 'Replay'
    # However soon it is asked: once it has gone on for a second of the flight.
    assert_selector 'svg text', text: /\A[1-9]\d*\.\d s\z/
    click_on 'Pause'
    paused = moment

    assert_operator paused, :>=, 1.0
    # What is read now is larger than what stands beside it.
    size = ->(css) { page.evaluate_script("parseFloat(getComputedStyle(document.querySelector('#{css}')).fontSize)") }

    assert_operator size.call('.picture text.reading'), :>, size.call('.picture text tspan')
    find('summary', text: 'Energy and limits').click
    assert_text 'Energy ledger as flown'
    assert_text(/\d+ s: height \d+ ft \+ speed/)
    assert_accessible('review with energy and limits')
    assert_in_delta paused, moment, 0.01
  end

  # On a phone, too: the fault with its cue, then the picture and the strips; the whole flight and another recording are
  # further down or behind a button. What the address names is asked for side by side.
  def test_what_was_flown_comes_first
    imported(@sortie, faults: [{ 'late_collective' => 1.5 }])
    sign_in(@instructor)
    window(390, 844)
    review
    assert_text 'Work on: late collective'
    fault, strips, whole = page.evaluate_script(<<~JS)
      [[...document.querySelectorAll('h2')].find((h) => h.textContent.startsWith('Work on')),
       document.querySelector('svg[aria-label^="Scan strips"]'),
       [...document.querySelectorAll('summary')].find((s) => s.textContent === 'The whole flight')]
        .map((one) => one.getBoundingClientRect().top + scrollY)
    JS

    assert_operator fault, :<, 500
    assert_operator strips, :<, whole
    assert_no_button 'Choose a file'
    click_on 'Another recording'
    assert_button 'Choose a file'
    assert_operator asked("/sorties/#{@sortie.id}/attempts")['startTime'], :<,
                    asked("/sorties/#{@sortie.id}")['responseEnd']
  end

  def asked(path) = page.evaluate_script(<<~JS)
    performance.getEntriesByType('resource').find((one) => one.name.endsWith('/api#{path}')).toJSON()
  JS

  def test_pictures_are_read_as_tables_and_a_measure_says_what_it_is_by_the_keyboard
    imported(@sortie)
    sign_in(@instructor)
    review
    find('summary', text: /As a table\s*: Scan strips/).click
    assert_selector 'th[scope=row]', text: '0.0'
    assert_text 'Flare begins'
    find('summary', text: /As a table\s*: Flown/).click
    assert_selector 'th[scope=col]', text: 'Sink, ft/min'
    side = find('svg[role=slider][aria-label*="side view"]')
    page.execute_script('arguments[0].focus()', side)
    press(:arrow_right)

    assert_match(/ft (before|beyond) the spot, .*kt, sink/, side['aria-valuetext'])
    measure = first('button.why')
    page.execute_script('arguments[0].focus()', measure)
    press(:enter)
    assert_selector '[role=dialog]', text: /From .*; in 9 of 10 between/
    assert_accessible('a measure explained')
    press(:escape)
    assert_no_selector '[role=dialog]'
  end

  def test_one_change_is_told_with_its_fit
    imported(@sortie, faults: [{ 'late_collective' => 1.5 }])
    sign_in(@instructor)
    review
    click_on 'What would one change have done?'
    assert_text 'With only this changed: collective down', wait: 30
    assert_text 'The flight model was fitted to this attempt'
    assert_text 'As flown (solid), with the one change (dashed)'
    assert_accessible('what one change would have done')
  end

  def test_all_that_is_to_standard_is_confirmed_at_once
    clean = imported(@sortie, faults: [{}, {}, { 'late_collective' => 1.5 }])
    standard = clean.select { |a| a.asked? && a.proposal['phases'].filter_map { |p| p['grade'] }.min.to_i >= 3 }

    assert_operator standard.size, :>=, 2
    sign_in(@instructor)
    review
    click_on "Confirm the #{standard.size} attempts that are to standard"
    assert_text "#{standard.size} attempts confirmed as proposed"
    eventually { Fujin::GradeRow.where(kind: 'instructor').distinct.count(:attempt_id) == standard.size }
    assert_no_button(text: /Confirm the \d attempts/)
  end

  def test_the_debrief_page_in_plain_words
    attempt = imported(@sortie, faults: [{ 'late_collective' => 1.5 }]).first
    grade_all(attempt, @instructor, 'instructor')
    as_in_browser(@student)
    visit "/sorties/#{@sortie.id}/debrief"
    assert_text 'Grade yourself first'
    assert_no_text 'Late collective'
    grade_all(attempt, @student, 'self', grade: 3)
    as_in_browser(@student)
    visit "/sorties/#{@sortie.id}/debrief"
    assert_text 'Power gone: collective down at once'
    assert_text 'you said'
    assert_accessible('debrief page')
  end

  def test_an_attempt_is_split_and_joined_again
    first, second = imported(@sortie, faults: [{}, {}]).select(&:asked?)
    sign_in(@instructor)
    review("?attempt=1&t=#{(first.end_s - first.start_s - 8.0).round(1)}")
    find('summary', text: 'Boundaries').click
    click_on 'Split at the moment shown'
    assert_text 'Split: what came after is attempt'
    made = Fujin::AttemptRow.where(manoeuvre: first.manoeuvre).where.not(id: [first.id, second.id]).first

    assert_in_delta first.end_s - 8.0, made.start_s, 0.2
    assert_operator first.reload.end_s, :<=, made.start_s + 5.1
    review('?attempt=1')
    find('summary', text: 'Boundaries').click
    find('button', text: /Join with attempt/).click
    assert_text 'does not count any more'

    refute made.reload.counts
    assert_in_delta made.end_s, first.reload.end_s, 5.1
  end

  def test_another_attempt_is_laid_over_on_a_chosen_event
    imported(@sortie, faults: [{}, { 'late_collective' => 1.5 }])
    sign_in(@instructor)
    review
    select 'Attempt 2', from: 'Lay over it'
    assert_selector 'svg[aria-label^="Scan strips"] path[stroke-dasharray="2 3"]', minimum: 6
    first = find('svg[aria-label^="Scan strips"] path[stroke-dasharray="2 3"]', match: :first)[:d]
    select 'Flare', from: 'on the beginning of'
    assert_no_selector "svg path[d='#{first}']"
    assert_accessible('two attempts laid over')
  end

  def test_a_boundary_is_moved_by_the_keyboard_and_the_measures_follow
    attempt = imported(@sortie).first
    height = attempt.proposal['measures']['flare_height_ft']['value']
    sign_in(@instructor)
    review
    find('summary', text: 'Boundaries').click
    page.execute_script('arguments[0].focus()', find_field('Flare begins, s'))
    2.times { press(:page_down) }
    click_on 'Measure again'
    assert_text 'Measured again within these boundaries'
    assert_text "Boundaries, set by #{@instructor.name}"
    eventually { attempt.reload.proposal['measures']['flare_height_ft']['value'] > height + 30 }
    find('summary', text: 'Boundaries').click
    assert_accessible('boundaries')
  end

  def test_what_else_was_flown_is_folded_beneath_and_can_be_opened
    imported(@sortie, faults: [{}, {}])
    sign_in(@instructor)
    review
    find('summary', text: 'Also in this recording: 1 ×').click
    click_on(text: /take-off/i)
    assert_select 'An attempt at', selected: 'none of this lesson'
    assert_accessible('an attempt that nobody asked for')
  end

  def test_an_attempt_is_graded_with_the_keyboard_alone
    imported(@sortie)
    sign_in(@instructor)
    review
    phases = page.all('section[aria-label="Grades"] [role=radiogroup]').size
    press('.')
    press(',')
    phases.times { press('3') }
    page
      .all('input.field', visible: true)
      .select { |input| input.find(:xpath, '..').text.include?('Why it differs') }
      .each { |input| input.set('steadier than it looks') }
    page.execute_script('document.activeElement.blur()')
    press('c')

    assert_text 'Grades stored'
    assert_equal phases, Fujin::GradeRow.where(kind: 'instructor', grade: 3).count
  end

  def test_the_whole_flight_is_panned_zoomed_and_taken_from
    imported(@sortie, faults: [{}, { 'late_collective' => 1.4 }])
    sign_in(@instructor)
    review
    find('summary', text: 'The whole flight').click
    canvas = find('canvas[role=img]')
    page.execute_script('arguments[0].focus()', canvas)
    shown = -> { canvas['aria-label'][/strips, (\S+) to (\S+) of (\S+)\./] && [$1, $2, $3] } # rubocop:disable Style/PerlBackrefs
    whole = shown.call

    assert_equal ['0:00', whole[2]], whole.first(2)
    4.times { press('+') }
    closer = shown.call

    refute_equal whole.first(2), closer.first(2)
    press(:arrow_right)
    refute_equal closer, shown.call
    press(:home)
    assert_equal whole, shown.call
    canvas.click(x: (canvas.native.size.width / 2) - 20, y: 0)

    assert_text 'Attempt 2: grades'
    assert_accessible('review with the whole flight')
  end
end
