# frozen_string_literal: true

require_relative 'test_helper'

# What follows from what was graded: what the next lesson could be, attempts beside each other, whose standard counts.
class ProgressTest < Minitest::Test
  P = Fujin::Progress
  TODAY = Date.new(2026, 11, 28)
  HELICOPTER = Fujin::Catalogue.all.select { |one| one.kinds.include?('helicopter') }.freeze

  def attempt(manoeuvre, day, grades, **more)
    P::GradedAttempt.new(manoeuvre: manoeuvre, flown_at: day.to_time.to_f, on_day: day, grades: grades, help: 'alone',
                         counts: true, critical: false, **more)
  end

  def advice(attempts, signed: [])
    standings = attempts.group_by(&:manoeuvre).transform_values { |all| P::Standing.new(all) }
    P::NextLesson.new(HELICOPTER, standings, signed: signed, today: TODAY).advice
  end

  def test_a_student_who_has_flown_nothing_begins_at_the_beginning
    found = advice([])

    assert_equal [HELICOPTER.first.id], found.map(&:manoeuvre)
    assert_match(/next in teaching order/, found.first.reason)
  end

  def test_the_weakest_comes_first_with_its_phase_then_what_lapses_then_what_follows
    found = advice([attempt('hover', TODAY - 30, { 'hover' => 4 }),
                    attempt('straight_in_autorotation', TODAY - 1, { 'entry' => 4, 'flare' => 2 })])

    assert_equal %w[straight_in_autorotation hover turning_autorotation], found.map(&:manoeuvre)
    assert_match(/not to standard yet, flare is the weakest phase/, found[0].reason)
    assert_equal 'Hover: not flown for 30 days.', found[1].reason
  end

  def test_stuck_is_four_in_a_row_under_standard_and_not_rising
    levels = ->(all) { P::Standing.new(all.each_with_index.map { |g, i| attempt('hover', TODAY - 9 + i, { 'hover' => g }) }) }

    assert_predicate levels.call([2, 1, 2, 2]), :stuck?
    refute_predicate levels.call([2, 1, 2]), :stuck?
    refute_predicate levels.call([1, 1, 2, 2]), :stuck?, 'rising'
    refute_predicate levels.call([2, 2, 2, 3]), :stuck?
  end

  def test_what_is_signed_off_is_not_weak_again
    low = attempt('hover', TODAY - 1, { 'hover' => 2 })

    refute_includes advice([low], signed: ['hover']).map(&:manoeuvre), 'hover'
  end

  # Held to the standard of beginners three attempts do not show what a test asks.
  def test_a_milder_standard_does_not_make_ready
    flown = ->(stage) { (1..3).map { |i| attempt('hover', TODAY - i, { 'hover' => 4 }, stage: stage) } }
    ready = ->(stage, of) { P::Readiness.new(flown.call(stage), {}, stage: of).ready? }

    assert ready.call('test', 'test')
    assert ready.call('instructor', 'test')
    refute ready.call('solo', 'test')
    assert_match(/0 of the last 3 held to the standard 'test'/,
                 P::Readiness.new(flown.call('solo'), {}, stage: 'test').missing.first.text)
  end

  # By hand: 63, 70, 66 has its middle at 66 and spreads over 7; the last is 3 more than the first.
  def test_attempts_beside_each_other
    column = ->(id, kt, verdict, drivers) do
      P::SideBySide::Column.new(id: id, drivers: drivers,
                                measures: { 'glide_ias_mean_kt' => { 'value' => kt, 'verdict' => verdict },
                                            'gate_ias_kt' => { 'value' => nil, 'verdict' => 'not_recorded' } })
    end
    table = P::SideBySide.new(
      [column.call('a', 63.0, 'in', []), column.call('b', 70.0, 'marginal', ['glide_ias_mean_kt']),
       column.call('c', 66.0, 'in', [])], Fujin::Catalogue.find('straight_in_autorotation')
    )
    row = table.rows.first

    assert_equal 1, table.rows.size, 'what nobody recorded is no row'
    assert_equal [66.0, 7.0, 63.0, 66.0, 1], [row.median, row.spread, row.first, row.last, row.drove]
    assert_equal 'glide_ias_mean_kt', table.one_thing.measure
    two = P::SideBySide.new([column.call('a', 63.0, 'in', []), column.call('b', 70.0, 'in', [])],
                            Fujin::Catalogue.find('straight_in_autorotation')).rows.first
    one = P::SideBySide.new([column.call('a', 63.0, 'in', [])], Fujin::Catalogue.find('straight_in_autorotation'))

    assert_in_delta 7.0, two.spread
    assert_nil one.rows.first.spread
    since = P::SideBySide.new(
      [column.call('a', 70.0, 'marginal', ['glide_ias_mean_kt']), *%w[b c d e].map do |id|
        column.call(id, 63.0, 'in', [])
      end],
      Fujin::Catalogue.find('straight_in_autorotation')
    )

    assert_nil since.one_thing, 'the last four are to standard'
  end

  # Each side of the rule: three of them, never up, down in the end, under standard.
  def test_a_flight_that_gets_worse
    falling = ->(*levels) { Fujin::Progress::FlightTrend.new(levels).falling? }

    assert falling.call(4, 3, 2, 2)
    assert falling.call(3, 3, 2)
    refute falling.call(3, 2)
    refute falling.call(2, 2, 2)
    refute falling.call(4, 4, 3)
    refute falling.call(1, 3, 2)
    refute falling.call(2, 3, 2)
    assert falling.call(3, nil, 2, 1)
    assert_equal 'to standard, then prompted or marginal, then assisted or far out',
                 Fujin::Progress::FlightTrend.new([3, 2, 1]).words
  end
end
