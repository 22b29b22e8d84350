# frozen_string_literal: true

require_relative '../web_helper'

# Taps on the device: what is sent, what is shown, and that nothing is lost, doubled or misfiled.
class QueueTest < Minitest::Test
  include WebModule

  def tap(order, **more)
    { order: order, sortie_id: 's', person_id: 'ada', person: 'Ada', id: "id#{order}", kind: 'note',
      at: '2026-05-04T10:00:00.000Z', **more }
  end

  # Two devices, taps, outages, kills, answers that overtake one another, sessions that end: 1,000 random schedules.
  def test_every_tap_is_stored_once_under_its_own_attempt_and_person
    assert_empty ask('../../test/web/queue_model.ts', ['fly', 1, 1000]).first
  end

  def test_one_lesson_at_a_time_oldest_first_and_only_ones_own
    waiting = [tap(1, person_id: 'bo'), tap(2), tap(3, sortie_id: 'other'), tap(4, refused: 'why'), tap(5)]
    sent = ask('queue/taps.ts', ['nextToSend', waiting, 'ada'], ['nextToSend', waiting, 'nobody'],
               ['nextToSend', (1..501).map { |i| tap(i) }, 'ada'], ['nextToSend', waiting, 'ada', 1])

    assert_equal([%w[id2 id5], [], 500, %w[id2]],
                 sent.map { |taps| taps.size > 5 ? taps.size : taps.map { |one| one['id'] } })
  end

  def test_the_server_is_told_nothing_that_is_only_the_devices
    sent = ask('queue/taps.ts',
               ['asSent', tap(1, attempt_id: 'a', phase: 'glide', offset_ms: 90_000, device: 'd')]).first

    assert_equal({ 'id' => 'id1', 'kind' => 'note', 'at' => '2026-05-04T10:00:00.000Z', 'attempt_no' => nil,
                   'attempt_id' => 'a', 'phase' => 'glide', 'payload' => {}, 'person_id' => 'ada', 'device' => 'd',
                   'offset_ms' => 90_000 }, sent)
  end

  # A tablet 90 s ahead and one that is right: in the order in which they were tapped.
  def test_the_sheet_is_in_the_order_of_one_clock_and_counts_attempts_over_devices
    known = [{ id: 'b', kind: 'attempt', at: '2026-05-04T10:05:00.000Z', attempt_id: 'b', payload: {} }]
    early = tap(1, id: 'a', kind: 'attempt', at: '2026-05-04T10:06:00.000Z', offset_ms: 90_000)
    help = tap(2, kind: 'help', attempt_id: 'b', at: '2026-05-04T10:06:40.000Z', offset_ms: 90_000)
    shown = ask('queue/taps.ts', ['standing', known, [early, help]]).first

    assert_equal([['a', 1], ['b', 2], ['id2', 2]], shown.map { |event| event.values_at('id', 'attempt_no') })
  end

  def test_what_was_taken_back_is_gone_and_its_taps_belong_to_nothing
    taps = [tap(1, id: 'a', kind: 'attempt'), tap(2, kind: 'grade', attempt_id: 'a'),
            tap(3, kind: 'undo', payload: { target: 'a' }), tap(4, id: 'b', kind: 'attempt')]
    shown = ask('queue/taps.ts', ['standing', [], taps]).first

    assert_equal([['id2', nil], ['b', 1]], shown.map { |event| event.values_at('id', 'attempt_no') })
  end

  # By what the server says, not by that it said no.
  def test_a_refusal_an_ended_session_and_no_connection_are_three_things
    assert_table 'queue/sending.ts', [
      ['no_connection', 'troubleOf', {}], ['no_connection', 'troubleOf', { status: 429 }],
      ['no_connection', 'troubleOf', { status: 503 }], ['signed_out', 'troubleOf', { status: 401 }],
      ['refused', 'troubleOf', { status: 403 }], ['refused', 'troubleOf', { status: 422 }]
    ]
  end

  PATH = [['entry', 0], ['glide', 4], ['turn', 9], ['flare', 30]].map { |phase, t_s| { phase: phase, t_s: t_s } }.freeze

  # As the recorder shows it, else by the clock along the plan; a phase that is not the exercise's is passed over.
  def test_help_falls_in_the_phase_that_is_flown
    phases = %w[entry glide flare]
    assert_table 'views/fly/phaseNow.ts', [
      ['entry', 'phaseNow', phases, PATH, NOTHING], ['entry', 'phaseNow', phases, PATH, 2],
      ['glide', 'phaseNow', phases, PATH, 12], ['flare', 'phaseNow', phases, PATH, 200],
      ['entry', 'phaseNow', phases, PATH, 12, 'entry'], ['glide', 'phaseNow', phases, PATH, 12, 'Powered']
    ]
  end
end
