# frozen_string_literal: true

require_relative '../web_helper'

# What stands where on the board of bookings.
class LanesTest < Minitest::Test
  include WebModule

  ODA = { id: 'oda', name: 'Oda' }.freeze
  BOARD = {
    from: '2026-07-01', days: [], instructors: [{ id: 'corwin', name: 'Corwin' }],
    aircraft: [{ id: 'tana', mark: 'Q-TANA', type_name: 'Tansy 2', kind: 'helicopter', grounded: 'a chip light' },
               { id: 'brac', mark: 'Q-BRAC', type_name: 'Bracken 2', kind: 'helicopter' }],
    bookings: [
      { id: 'b1', kind: 'solo', state: 'booked', from_at: '2026-07-01T06:30:00Z', to_at: '2026-07-01T07:30:00Z',
        student: ODA,
        instructor: { id: 'corwin', name: 'Corwin' }, aircraft: { id: 'tana', mark: 'Q-TANA' }, version: 0 },
      { id: 'b2', kind: 'dual', state: 'cancelled', from_at: '2026-07-01T09:00:00Z', to_at: '2026-07-01T10:00:00Z',
        student: ODA, instructor: { id: 'corwin', name: 'Corwin' }, aircraft: { id: 'tana', mark: 'Q-TANA' },
        version: 0 }
    ],
    lessons: [{ id: 'l1', from_at: '2026-07-01T19:00:00Z', to_at: '2026-07-01T20:00:00Z', title: 'Hover', student: ODA,
                instructor: { id: 'corwin', name: 'Corwin' }, aircraft: { id: 'brac', mark: 'Q-BRAC' } }],
    absences: [{ id: 'a1', person: { id: 'corwin', name: 'Corwin' }, from_at: '2026-07-01T22:00:00Z',
                 to_at: '2026-07-02T06:00:00Z', words: 'rest', source: 'own' }],
    waits: []
  }.freeze

  def lanes(grouping) = ask('views/bookings/lanes.ts', ['lanesOf', BOARD, grouping])[0]

  def test_a_row_each_and_what_is_cancelled_stands_nowhere
    by_aircraft = lanes('aircraft')

    assert_equal([['Q-TANA', 'does not fly', ['b1']], ['Q-BRAC', 'Bracken 2', ['l1']]],
                 by_aircraft.map { |lane| [lane['title'], lane['note'], lane['bars'].map { |bar| bar['id'] }] })
    assert_equal [390, 450, 'solo · Corwin'], by_aircraft[0]['bars'][0].values_at('start', 'end', 'detail')
    assert_equal(%w[b1 l1 a1], lanes('instructor')[0]['bars'].map { |bar| bar['id'] })
    assert_equal [1320, 1440], lanes('instructor')[0]['bars'][2].values_at('start', 'end'), 'over midnight: to its end'
    assert_equal(['Oda'], lanes('student').map { |lane| lane['title'] })
  end

  def test_the_hours_reach_from_the_first_to_the_last
    assert_equal [[6, 20], [8, 18]],
                 ask('views/bookings/lanes.ts', ['hoursShown', lanes('aircraft'), '2026-07-01'],
                     ['hoursShown', lanes('aircraft'), '2026-07-02'])
  end
end
