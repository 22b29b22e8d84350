# frozen_string_literal: true

require_relative '../server_helper'

# Taps of two devices on one lesson: each under its own attempt and person, at its own moment.
class TapsOfDevicesTest < Minitest::Test
  include ServerHelp

  BEGAN = Time.utc(2026, 11, 25, 10)

  def setup
    super
    as(@instructor)
  end

  def tap(kind, at_s, attempt: nil, **rest)
    { id: SecureRandom.uuid, kind: kind, at: (BEGAN + at_s).iso8601(3), attempt_id: attempt, **rest }
  end

  def send_taps(*events)
    post_json "/api/sorties/#{@sortie.id}/events", { events: events }
    answer
  end

  def taps = Fujin::HelpTaps.new(@sortie.fly_events.reload.to_a)
  def number_of(tap) = taps.number(@sortie.fly_events.find { |event| event.id == tap[:id] })

  # The tablet without a network began the first attempt; the other one's second had come in before.
  def test_attempts_are_counted_when_all_are_there
    second = tap('attempt', 300, device: 'b')
    help = tap('help', 310, attempt: second[:id], payload: { value: 'assisted' }, device: 'b')
    send_taps(second, help)

    assert_equal 1, number_of(second)
    first = tap('attempt', 100, device: 'a')
    grade = tap('grade', 120, attempt: first[:id], payload: { grade: 3 }, device: 'a')
    shown = send_taps(first, grade)

    assert_equal [1, 2], [number_of(first), number_of(second)]
    assert_equal %w[alone assisted], [taps.help(1), taps.help(2)]
    assert_equal({ first[:id] => 1, second[:id] => 2, help[:id] => 2, grade[:id] => 1 },
                 shown.to_h { |event| event.values_at('id', 'attempt_no') })
  end

  def test_an_attempt_that_was_taken_back_takes_its_taps_along
    gone = tap('attempt', 100)
    grade = tap('grade', 120, attempt: gone[:id], payload: { grade: 0 })
    send_taps(gone, grade, tap('undo', 130, payload: { target: gone[:id] }), kept = tap('attempt', 200))

    assert_nil number_of(grade)
    assert_equal 1, number_of(kept)
    assert_nil taps.cockpit_grade(1, 'entry')
  end

  def test_one_grade_for_the_whole_counts_in_each_phase_that_has_none_of_its_own
    attempt = tap('attempt', 100)
    send_taps(attempt, tap('grade', 110, attempt: attempt[:id], payload: { grade: 3 }),
              tap('grade', 120, attempt: attempt[:id], phase: 'flare', payload: { grade: 1 }))

    assert_equal [3, 1], [taps.cockpit_grade(1, 'entry'), taps.cockpit_grade(1, 'flare')]
  end

  # A tablet 90 s ahead: what it calls 10:03:10 was 10:01:40 here.
  def test_a_tablets_clock_is_laid_over_the_servers
    ahead = tap('attempt', 190, offset_ms: 90_000, device: 'a')
    send_taps(ahead)
    event = @sortie.fly_events.first

    assert_in_delta BEGAN + 100, event.at, 0.01
    assert_in_delta BEGAN + 190, event.device_at, 0.01
  end

  def test_nobody_sends_anothers_taps_as_their_own
    mine = tap('attempt', 100, person_id: @instructor.id)
    as(@chief)
    post_json "/api/sorties/#{@sortie.id}/events", { events: [mine] }

    assert_equal 403, last_response.status
    assert_match(/waits on the device until they sign in/, last_response.body)
    as(@instructor)
    2.times { send_taps(mine) }

    assert_equal [@instructor.id], @sortie.fly_events.map(&:by_id)
  end

  def test_every_answer_says_what_the_clock_here_is
    get "/api/sorties/#{@sortie.id}/events"

    assert_in_delta Time.now.to_f * 1000, last_response['x-server-time'].to_f, 5000
  end

  # By site_gates: what is read in the air is what the brief and the report have.
  def test_an_exercise_at_no_site_has_no_gates
    get "/api/exercises/#{@sortie.exercise.id}/site"

    assert_equal 404, last_response.status
  end
end
