# frozen_string_literal: true

require_relative '../web_helper'
require_relative '../../core/lib/fujin'

# Figures as a person reads them: on the screen as on paper.
class WordsTest < Minitest::Test
  include WebModule

  def test_figures
    assert_table 'design/words.ts', [
      ['1240', 'figure', 1240.4, 'ft'],
      ['−12', 'figure', -12.2, 'kt'],
      ['0', 'figure', -0.2, 'ft'],
      ['—', 'figure', nil, 'ft'],
      ['2.50', 'figure', 2.5, 's', 2],
      ['Steep approach', 'capital', 'steep_approach'],
      ['wire south', 'nameOf', 'wire-south'],
      ['1 h 05', 'hoursOf', 65],
      ['0 h 00', 'hoursOf', 0]
    ]
  end

  # The screen and the printed page round alike, in every unit.
  def test_the_core_and_the_screen_give_the_same_digits
    values = [0.0, 0.04, 0.96, 12.345, 99.95, -7.26, 1234.56]
    rows = Fujin::Glossary.units.keys.product(values, [%i[figure figure], %i[said saidFigure]])
    answers = ask('design/words.ts', *rows.map { |unit, value, (_, there)| [there.to_s, value, unit] })
    rows.zip(answers).each do |(unit, value, (here, _)), answer|
      word = Fujin::Glossary.unit_word(unit)
      told = Fujin::Glossary.public_send(here, value, unit).delete_suffix(word).strip

      assert_equal told.sub('-', '−'), answer, "#{here} #{value} #{unit}"
    end
  end

  def test_the_core_and_the_screen_write_the_unit_alike
    units = Fujin::Glossary.units.keys
    answers = ask('design/words.ts', *units.map { |unit| ['withUnit', '4', unit] })

    assert_equal(units.to_h { |unit| [unit, Fujin::Glossary.figure(4.0, unit, 0)] }, units.zip(answers).to_h)
  end

  def test_days_and_clocks_are_utc
    assert_table 'design/words.ts', [
      ['23:30', 'clockOf', '2026-05-04T23:30:00Z'],
      ['4 May 2026', 'fullDayOf', '2026-05-04T23:30:00Z'],
      ['5 May', 'shortDayOf', '2026-05-05T00:00:00Z']
    ]
  end
end
