# frozen_string_literal: true

require_relative '../web_helper'

# What is called aloud of a reading: each once, when it comes about, the safest first, nothing of what is not sent.
class CallsTest < Minitest::Test
  include WebModule

  BANDS = { 'rotor_rpm_pct' => [90, 110], 'ias_kt' => [56, 70], 'sink_fpm' => [nil, 1900] }.freeze

  def reading(rotor: 100, ias: 63, sink: 1500, gate: nil, bands: BANDS)
    { 't_s' => 0, 'phase' => 'glide', 'rotor_rpm_pct' => rotor, 'ias_kt' => ias, 'sink_fpm' => sink, 'height_ft' => 300,
      'bands' => bands, 'gate' => gate && { 'call' => gate, 'height_ft' => 110, 'reasons' => [] } }
  end

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

  # A channel that is lost is said once, and nothing that rests on it is called until it is back.
  def test_what_is_not_sent_is_never_called_in_or_out
    assert_equal ['Rotor not sent'], calls(reading(rotor: nil))
    assert_empty calls(reading(rotor: nil), reading(rotor: nil))
    assert_equal ['Rotor low'], calls(reading(rotor: 89), reading(rotor: nil))
    assert_empty calls(reading(rotor: 80, bands: {}))
  end

  def test_the_safest_is_spoken_first_and_gives_way_to_nothing_less
    found = ask('views/fly/calls.ts', ['callsOf', reading(rotor: 89, ias: 50, gate: 'go_around'), reading]).first

    assert_equal(['Go around', 'Rotor low', 'Speed low'], found.map { |one| one['text'] })
    said = ->(wanted, saying = NOTHING) { ask('views/fly/calls.ts', ['toSay', found, wanted, saying]).first }

    assert_equal 'Go around', said.call(%w[rotor gate speed])['text']
    assert_equal 'Rotor low', said.call(%w[rotor speed], found[2])['text']
    assert_equal NOTHING, said.call(%w[rotor speed], found[0])
    assert_equal NOTHING, said.call([])
  end
end
