# frozen_string_literal: true

require_relative '../web_helper'

# What hands do before the server knows: boundaries that are moved.
class HandsTest < Minitest::Test
  include WebModule

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
