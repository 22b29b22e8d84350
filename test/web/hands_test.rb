# frozen_string_literal: true

require_relative '../web_helper'

# What hands do before the server knows: taps that wait, boundaries that are moved.
class HandsTest < Minitest::Test
  include WebModule

  def tap(order, **more)
    { order: order, sortie_id: 's', id: "id#{order}", kind: 'note', at: '2026-05-04T10:00:00Z', **more }
  end

  def test_taps_go_oldest_first_without_what_is_only_the_device_s
    sent = ask('queue/taps.ts', ['nextToSend', [tap(1, attempt_no: 2), tap(2, phase: 'glide')]]).first

    assert_equal [1, 2], sent['orders']
    wire = { 'kind' => 'note', 'at' => '2026-05-04T10:00:00Z', 'attempt_no' => nil, 'phase' => nil, 'payload' => {} }

    assert_equal [wire.merge('id' => 'id1', 'attempt_no' => 2), wire.merge('id' => 'id2', 'phase' => 'glide')],
                 sent['events']
  end

  def test_no_more_are_sent_or_let_go_than_the_server_takes_at_once
    sent = ask('queue/taps.ts', ['nextToSend', (1..501).map { |i| tap(i) }]).first

    assert_equal [500, 500, 500], [sent['events'].size, sent['orders'].size, sent['orders'].last]
  end

  def test_a_waiting_tap_is_shown_as_this_device_s
    shown = ask('queue/taps.ts', ['shownTap', tap(3)]).first

    assert_equal [nil, nil, {}, false, 'this device'], shown.values_at('attempt_no', 'phase', 'payload', 'undone', 'by')
  end

  def cuts(*rows) = rows.map { |id, from, to| { 'id' => id, 'start_s' => from, 'end_s' => to } }

  def test_boundaries_are_moved_and_phases_taken_out
    all = cuts(['entry', 0, 4], ['glide', 4, 30], ['flare', 30, 36])
    assert_table 'views/review/cutEdits.ts', [
      [cuts(['entry', 0, 6], ['glide', 6, 30], ['flare', 30, 36]), 'moveBoundary', all, 1, 6],
      [cuts(['entry', 1, 4], ['glide', 4, 30], ['flare', 30, 36]), 'moveBoundary', all, 0, 1],
      [cuts(['entry', 0, 4], ['glide', 4, 30], ['flare', 30, 40]), 'moveEnd', all, 40],
      [cuts(['entry', 0, 30], ['flare', 30, 36]), 'takeOut', all, 'glide'],
      [cuts(['glide', 4, 30], ['flare', 30, 36]), 'takeOut', all, 'entry'],
      [all, 'takeOut', all, 'hover']
    ]
  end
end
