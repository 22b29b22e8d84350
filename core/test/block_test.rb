# frozen_string_literal: true

require_relative 'test_helper'
require 'tempfile'

# Counted blocks: what counts, what does not, and on which rung.
class BlockTest < Minitest::Test
  def block(id) = Fujin::Progress::Block.usual.find { |one| one.id == id }
  def count(id, *attempts) = Fujin::Progress::BlockCount.of(block(id), attempts)

  def stands(attempts) = attempts.transform_values { |all| Fujin::Progress::Standing.new(all) }

  def attempt(manoeuvre, level = 3, **fields)
    Fujin::Progress::GradedAttempt.new(
      manoeuvre: manoeuvre, flown_at: 0.0, on_day: Date.new(2026, 11, 1), grades: { 'all' => level }, help: 'alone',
      counts: true, critical: false, stage: 'solo', done: true, **fields
    )
  end

  def next_landing(landings, *blocks)
    declared = [Fujin::Catalogue.find('gyro_landing')]
    Fujin::Progress::NextLesson.new(declared, landings.any? ? stands('gyro_landing' => landings) : {},
                                    signed: [], today: Date.new(2027, 1, 2), blocks: blocks).advice.first
  end

  def test_first_take_offs_are_counted_from_the_level_that_is_asked
    offs = [attempt('gyro_take_off', 2), attempt('gyro_take_off', 1), attempt('gyro_take_off', 4),
            attempt('gyro_take_off', nil), attempt('gyro_take_off', 4, done: false), attempt('gyro_landing', 4)]
    counted = count('first_take_offs', *offs)

    assert_equal [2], counted.done
    refute_predicate counted, :complete?
    assert_equal ['2 of 10 stop-and-restart take-offs'], counted.lines
    assert_equal 'First take-offs: 2 of 10 stop-and-restart take-offs', counted.condition.text
    refute counted.condition.met
  end

  def test_the_tenth_fills_it_and_an_eleventh_says_no_more
    nine = Array.new(9) { attempt('gyro_take_off') }

    refute_predicate count('first_take_offs', *nine), :complete?
    assert_predicate count('first_take_offs', *nine, attempt('gyro_take_off')), :complete?
    assert_equal ['10 of 10 stop-and-restart take-offs'],
                 count('first_take_offs', *nine, *Array.new(2) { attempt('gyro_take_off') }).lines
  end

  # The power that the exercise asked for, each edge on its own side.
  def test_landings_stand_on_the_rung_of_their_power
    landings = [15, 14.9, 0.1, 0].map { |pct| attempt('gyro_landing', settings: { 'power_share_pct' => pct }) }

    assert_equal [1, 2, 1], count('landings_by_power', *landings).done
    assert_empty count('landings_by_power', *landings).unplaced
  end

  # Nobody said with how much power: it is told, and stands on no rung.
  def test_what_is_not_known_is_said
    counted = count('landings_by_power', attempt('gyro_landing'), attempt('gyro_landing', 2))

    assert_equal [0, 0, 0], counted.done
    assert_equal ['power_share_pct'], counted.unplaced
  end

  def test_hovering_rungs_go_by_how_fast_the_throttle_was_closed
    flown = [3.0, 2.9, 1.0, 0.9, nil].map do |seconds|
      attempt('hovering_autorotation', measures: { 'throttle_reduction_s' => seconds })
    end

    assert_equal [1, 2, 1], count('hovering_rungs', *flown).done
    assert_equal ['throttle_reduction_s'], count('hovering_rungs', *flown).unplaced
  end

  # A smaller box counts for the larger ones too.
  def test_hover_boxes_go_by_the_stage_that_it_was_held_to
    assert_equal [3, 2, 1], count('hover_boxes', *%w[early solo test].map { |s| attempt('hover', stage: s) }).done
    assert_equal [0, 0, 0], count('hover_boxes', attempt('hover', stage: nil)).done
  end

  def test_controls_in_hand_count_part_tasks_too
    flown = %w[one two three none].map { |controls| attempt('hover', counts: false, controls: controls) }

    assert_equal [1, 1, 1], count('controls_in_hand', *flown).done
  end

  def test_a_school_counts_otherwise_and_lets_a_sign_off_wait_or_not
    five = block('first_take_offs').set(counts: [5], needed: false)

    assert_equal [5, []], [five.rungs.first.wanted, five.needed_for]
    assert_equal ['hovering_autorotation'], block('hovering_rungs').set(needed: true).needed_for
    assert_equal block('hover_boxes'), block('hover_boxes').set
  end

  # The sign-off waits for it as for every other condition.
  def test_readiness_waits_for_the_block
    good = [1, 2, 3].map { |day| attempt('gyro_take_off').with(on_day: Date.new(2026, 11, day), flown_at: day.to_f) }
    waits = Fujin::Progress::Readiness.new(good, blocks: [count('first_take_offs', *good)])

    assert_equal ['block_first_take_offs'], waits.missing.map(&:id)
    assert_predicate Fujin::Progress::Readiness.new(good, blocks: [count('first_take_offs', *good * 4)]), :ready?
  end

  def test_the_next_lesson_goes_on_with_what_is_begun
    standing = { 'gyro_take_off' => [attempt('gyro_take_off')] }
    declared = Fujin::Catalogue.all.select { |one| one.kinds.include?('gyroplane') }
    blocks = [count('first_take_offs', *standing['gyro_take_off']), count('balked_landings')]
    advice = Fujin::Progress::NextLesson.new(declared, stands(standing), signed: [], today: Date.new(2026, 11, 2),
                                                                         blocks: blocks).advice

    assert_equal ['gyro_take_off', 5, 'First take-offs: 1 of 10 stop-and-restart take-offs.'],
                 advice.first.to_h.values_at(:manoeuvre, :attempts, :reason)
  end

  # What is only talked through leaves no attempt: it would come next for ever.
  def test_a_talk_is_never_next
    flown = %w[turning_autorotation straight_in_autorotation].to_h { |id| [id, [attempt(id, 4)]] }
    declared = Fujin::Catalogue.all.select { |one| one.kinds.include?('helicopter') }
    next_up = ->(some) do
      Fujin::Progress::NextLesson.new(some, stands(flown), signed: [], today: Date.new(2026, 11, 2))
        .advice.map(&:manoeuvre)
    end

    assert_includes declared.map(&:id), 'lost_visibility'
    refute_includes next_up.call(declared), 'lost_visibility'
    talks = declared.select { |one| flown.key?(one.id) || !one.recorded? }

    assert_empty next_up.call(talks) - flown.keys
  end

  # The landing that is asked for next is planned with the power of its rung: flown without, it would stand on none.
  def test_what_is_asked_for_next_is_planned_so_that_it_counts
    { [] => 30, [20] * 3 => 10, [20, 20, 20, 5, 5, 5] => 0 }.each do |flown, power|
      landings = flown.map { |pct| attempt('gyro_landing', settings: { 'power_share_pct' => pct }) }
      asked = next_landing(landings, count('landings_by_power', *landings))

      assert_equal({ 'power_share_pct' => power }, asked.settings)
      done = count('landings_by_power', *landings, attempt('gyro_landing', settings: asked.settings)).done

      assert_equal landings.size + 1, done.sum
    end
    nine = ([20, 5, 0] * 3).map { |pct| attempt('gyro_landing', settings: { 'power_share_pct' => pct }) }

    assert_empty next_landing(nine, count('landings_by_power', *nine)).settings
  end

  # At once is the hardest rung: full, nothing easier is asked for; where a sign-off waits for it, it is.
  def test_nobody_is_sent_back_down_a_ladder
    sudden = Array.new(3) { attempt('hovering_autorotation', measures: { 'throttle_reduction_s' => 0.4 }) }

    assert_nil count('hovering_rungs', *sudden).next_rung
    assert_equal 'at once', count('hovering_rungs', sudden.first).next_rung.words
    none = Array.new(3) { attempt('gyro_landing', settings: { 'power_share_pct' => 0 }) }

    assert_equal 'with 15 % power or more', count('landings_by_power', *none).next_rung.words
  end

  # A misspelt measure would count nothing, without a word.
  def test_a_name_that_is_not_there_is_refused
    error = assert_raises(Fujin::InvalidInput) do
      Tempfile.create(['blocks', '.yml']) do |file|
        file.write(<<~YAML)
          mine: {title: Mine, reason: None, rungs: [{words: x, wanted: 1, manoeuvres: [hover], measure: {name: hoover_ft}}]}
        YAML
        file.close
        Fujin::Progress::Block.read(file.path)
      end
    end

    assert_equal 'mine.measure: no manoeuvre of it has hoover_ft', error.message
  end

  # A rung whose exercise is planned past its own edge would never fill.
  def test_a_rung_asks_for_what_it_counts
    below = Fujin::Progress::Span.new(name: 'power_share_pct', below: 15)
    rung = Fujin::Progress::Rung.new(words: 'x', wanted: 1, manoeuvres: ['gyro_landing'], setting: below,
                                     ask: { 'power_share_pct' => 15 })

    refute_predicate rung, :asks_right?
    assert_predicate rung.with(ask: { 'power_share_pct' => 14 }), :asks_right?
  end
end
