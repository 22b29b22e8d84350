# frozen_string_literal: true

require_relative '../web_helper'

# What is called aloud of a reading: each once, when it comes about, the safest first, nothing of what is not sent.
class CallsTest < Minitest::Test
  include WebModule

  BANDS = { 'rotor_rpm_pct' => [90, 110], 'ias_kt' => [56, 70], 'sink_fpm' => [nil, 1900] }.freeze

  def reading(rotor: 100, ias: 63, sink: 1500, gate: nil, bands: BANDS, **rest)
    values = { 'rotor_rpm_pct' => rotor, 'ias_kt' => ias, 'sink_fpm' => sink, 'height_ft' => 300 }.compact
    { 't_s' => 0, 'exercise' => 'one', 'phase' => 'glide', 'phase_s' => 5, 'box_s' => nil, 'values' => values,
      'doubts' => {}, 'power_unit' => 'inhg', 'bands' => bands, 'gate' => gate && gate_of(gate) }
      .merge(rest.transform_keys(&:to_s))
  end

  def gate_of(call, over: nil) =
    { 'call' => call, 'title' => over ? 'Out of the turn' : 'Gate', 'height_ft' => 110, 'reasons' => [], 'over' => over,
      'say' => nil }

  def calls(now, before = reading) =
    ask('views/fly/calls.ts', ['callsOf', now, before]).first.map { |one| one['text'] }

  def test_each_is_called_when_it_comes_about_and_once
    assert_equal ['Rotor low'], calls(reading(rotor: 89))
    assert_empty calls(reading(rotor: 88), reading(rotor: 89))
    assert_equal ['Rotor high'], calls(reading(rotor: 111), reading(rotor: 89))
    assert_equal ['Speed low'], calls(reading(ias: 55))
    assert_empty calls(reading(rotor: 90, ias: 70))
    assert_empty calls(reading(sink: 2500)), 'the eyes see it sooner'
  end

  def test_the_gate_is_called_as_it_is_passed
    assert_empty calls(reading(gate: 'ahead'))
    assert_equal ['Go around'], calls(reading(gate: 'go_around'), reading(gate: 'ahead'))
    assert_equal ['Continue'], calls(reading(gate: 'continue'), reading(gate: 'ahead'))
    assert_equal ['Gate: your own call'], calls(reading(gate: 'not_recorded'))
    assert_empty calls(reading(gate: 'continue'), reading(gate: 'continue'))
  end

  # Ahead of the height at which a turn must be over, and where it is not.
  def test_the_out_of_turn_height_is_called
    turn = ->(call) { reading('gate' => gate_of(call, over: 'turn')) }

    assert_equal ['Roll out'], calls(turn.call('ahead'))
    assert_equal ['Go around, still turning'], calls(turn.call('go_around'), turn.call('ahead'))
    assert_equal ['Gate: your own call'], calls(reading(gate: 'not_recorded'), turn.call('continue'))
  end

  # Once, when the hover has been held for as long as the plan asks; on either side of it.
  def test_box_time_is_called_when_it_is_held
    held = ->(seconds) { reading('phase' => 'hover', 'phase_s' => seconds, 'box_s' => 30, bands: {}) }

    assert_empty calls(held.call(29.9), held.call(29.8))
    assert_equal ['30 seconds'], calls(held.call(30.0), held.call(29.9))
    assert_empty calls(held.call(30.1), held.call(30.0))
  end

  # While the next attempt is set up the speed is shown and not called; the rotor always is.
  def test_between_attempts_only_the_rotor_is_called
    between = ->(**now) { reading('exercise' => nil, 'phase' => nil, 'phase_s' => nil, **now) }

    assert_empty calls(between.call(ias: 30), between.call)
    assert_equal ['Rotor low'], calls(between.call(rotor: 80, ias: 30), between.call)
    assert_equal ['Speed low'], calls(reading(ias: 30), between.call(ias: 30)), 'as it begins'
  end

  # A channel that is lost is said once, and nothing that rests on it is called until it is back.
  def test_what_is_not_sent_is_never_called_in_or_out
    assert_equal ['Rotor not sent'], calls(reading(rotor: nil))
    assert_equal ['Airspeed stands still'], calls(reading(ias: nil, 'doubts' => { 'ias_kt' => 'stands still' }))
    assert_empty calls(reading(rotor: nil), reading(rotor: nil))
    assert_equal ['Rotor low'], calls(reading(rotor: 89), reading(rotor: nil))
    assert_empty calls(reading(rotor: 80, bands: {}))
  end

  def test_the_safest_is_spoken_first_and_gives_way_to_nothing_less
    found = ask('views/fly/calls.ts', ['callsOf', reading(rotor: 89, ias: 50, gate: 'go_around'), reading]).first

    assert_equal(['Go around', 'Rotor low', 'Speed low'], found.map { |one| one['text'] })
    said = ->(levels, saying = NOTHING, *rest) {
      ask('views/fly/calls.ts', ['toSay', found, levels, saying, *rest]).first
    }
    loud = ->(*kinds) { kinds.to_h { |kind| [kind, 3] } }

    assert_equal 'Go around', said.call(loud.call('rotor', 'gate', 'speed'))['text']
    assert_equal 'Rotor low', said.call(loud.call('rotor', 'speed'), found[2])['text']
    assert_equal NOTHING, said.call(loud.call('rotor', 'speed'), found[0])
    assert_equal NOTHING, said.call({ 'rotor' => 0 })
    # A needle that trembles on its limit is called once in four seconds.
    assert_equal 'Speed low', said.call(loud.call('rotor', 'speed'), NOTHING, { 'Rotor low' => 1000 }, 4999)['text']
    assert_equal 'Rotor low', said.call(loud.call('rotor', 'speed'), NOTHING, { 'Rotor low' => 1000 }, 5000)['text']
  end
end
