# frozen_string_literal: true

require_relative 'test_helper'

# What a person reads, in the language of whoever asks.
class TextTest < Minitest::Test
  POLISH = {
    'Gate speed' => 'Prędkość na bramce',
    'solo' => 'samodzielnie',
    '%{what}: %{kt} kt at stage %{stage}' => 'etap %{stage}, %{kt} kt: %{what}',
    '%{count} flights, %{left} left' => {
      'one' => '%{count} lot, zostało %{left}', 'few' => '%{count} loty, zostało %{left}',
      'many' => '%{count} lotów, zostało %{left}', 'other' => '%{count} lotu, zostało %{left}'
    }
  }.freeze

  def setup = Fujin::Text.learn('pl', POLISH)

  def flights(number)
    Fujin::Text.count(number, one: '%{count} flight, %{left} left', other: '%{count} flights, %{left} left', left: '2')
  end

  def gate = Fujin::Text.of('%{what}: %{kt} kt at stage %{stage}', what: 'gate speed', kt: 51.5, stage: 'solo')

  def test_english_stands_in_the_code
    assert_equal 'gate speed: 51.5 kt at stage solo', gate
    assert_equal(['1 flight, 2 left', '0 flights, 2 left', '5 flights, 2 left'], [1, 0, 5].map { |n| flights(n) })
    assert_equal(['3 May 2027', '3 May'], [true, false].map do |year|
      Fujin::Text.day(Date.new(2027, 5, 3), year: year)
    end)
  end

  # Parts in an order of its own, told too, where the sentence has them in small letters as well; its decimal mark.
  def test_another_language_has_its_own_order
    Fujin::Text.in('pl') do
      assert_equal 'etap samodzielnie, 51,5 kt: prędkość na bramce', gate
      assert_equal '3 maja 2027', Fujin::Text.day(Date.new(2027, 5, 3))
      assert_equal "1\u00a0240", Fujin::Quantities.thousands(1240.7)
      assert_equal '51,5 kt', Fujin::Glossary.figure(51.5, 'kt', 1)
      assert_equal 'no such text: 4', Fujin::Text.of('no such text: %{n}', n: 4)
      assert_equal 'Prędkość na bramce; 100 %{of} it', Fujin::Text.list(['Gate speed', '100 %{of} it'], '; ')
    end
    assert_equal 'Gate speed; 100 %{of} it', Fujin::Text.list(['Gate speed', '100 %{of} it'], '; ')
    assert_equal 'gate speed: 51.5 kt at stage solo', gate
  end

  # One, few and many, as they are counted there: 22 as 2, 12 as 5.
  def test_it_counts_by_its_own_rules
    Fujin::Text.in('pl') do
      assert_equal(['1 lot', '2 loty', '22 loty', '12 lotów', '5 lotów'].map { |told| "#{told}, zostało 2" },
                   [1, 2, 22, 12, 5].map { |number| flights(number) })
    end
  end

  # What people called and drew is theirs; an id stays an id, also one that is a word.
  def test_answers_are_told_but_for_names_and_ids
    answer = { 'label' => 'Gate speed', 'stage' => 'solo', 'name' => 'Gate speed', 'rows' => [['Gate speed', 3, nil]],
               'document' => { 'note' => 'Gate speed' } }

    assert_same answer, Fujin::Text.told(answer)
    told = Fujin::Text.in('pl') { Fujin::Text.told(answer) }

    assert_equal answer.merge('label' => 'Prędkość na bramce', 'rows' => [['Prędkość na bramce', 3, nil]]), told
  end

  def test_a_translation_with_a_part_that_is_not_given_is_refused
    wrong = { 'at %{kt} kt' => 'bei %{knoten} kt' }
    failure = assert_raises(ArgumentError) { Fujin::Text.learn('de', wrong) }

    assert_equal 'de: "at %{kt} kt" has no %{knoten}', failure.message
    refute_includes Fujin::Text.languages, 'de'
    assert_raises(Fujin::UnknownName) { Fujin::Text.usual = 'de' }
  end

  def test_languages_of_two_requests_do_not_meet
    told = Array.new(2) { |i| Thread.new { Fujin::Text.in(i.zero? ? 'pl' : nil) { sleep(0.01) && gate } } }.map(&:value)

    assert_equal ['etap samodzielnie, 51,5 kt: prędkość na bramce', 'gate speed: 51.5 kt at stage solo'], told
  end
end
