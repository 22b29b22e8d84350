# frozen_string_literal: true

require_relative 'test_helper'

# A booking as somebody says it: what is understood, and what is left and said.
class SentenceTest < Minitest::Test
  PEOPLE = { 'Oda Fenwright' => 'oda', 'Odo Marsh' => 'odo', 'Corwin Ashdale' => 'corwin',
             'Petra Lindqvale' => 'petra' }.freeze
  AIRCRAFT = { 'Q-TANA' => 'tana', 'Q-TANB' => 'tanb', 'Q-SORA' => 'sora' }.freeze
  # A Wednesday.
  TODAY = Date.new(2026, 11, 25)

  def read(text)
    Fujin::Bookings::Sentence.new(text, people: PEOPLE, instructors: %w[corwin petra], aircraft: AIRCRAFT, today: TODAY)
  end

  def test_times
    {
      '9:30' => [9, 30], '14' => [14, 0], '14.15' => [14, 15], '3pm' => [15, 0], '12pm' => [12, 0],
      'at 8' => [8, 0], '23:59' => [23, 59]
    }.each { |text, clock| assert_equal clock, read(text).found.values_at(:hour, :minute), text }
    %w[24:00 9:60 99].each do |text|
      assert_nil read(text).found[:hour], text
      assert_equal [text], read(text).left
    end
  end

  def test_lengths
    {
      '10:00 for 90 min' => 90, '10:00 1h30' => 90, '10:00 45min' => 45, '10:00 for 1.5 hours' => 90,
      '10:00 2 h' => 120,
      '10:00' => 60
    }.each { |text, minutes| assert_equal minutes, read(text).found[:minutes], text }
  end

  def test_days
    {
      'today' => 0, 'tomorrow' => 1, 'thursday' => 1, 'thu' => 1, 'tuesday' => 6, 'wednesday' => 7, '2026-12-24' => 29
    }.each { |text, days| assert_equal TODAY + days, read(text).found[:day], text }
    assert_equal ['2026-13-45'], read('2026-13-45').left
  end

  def test_people_by_any_part_of_a_name_that_one_has
    assert_equal 'oda', read('fenwright').found[:student]
    assert_equal 'odo', read('Marsh').found[:student]
    assert_equal 'corwin', read('with ashdale').found[:instructor]
    assert_equal ['od'], read('od').left, 'two begin so: not guessed'
    assert_equal ['o'], read('o').left
  end

  def test_aircraft_by_their_marks_or_the_ends_of_them
    { 'q-tana' => 'tana', 'QTANA' => 'tana', 'tanb' => 'tanb', 'ora' => 'sora' }
      .each { |text, id| assert_equal id, read(text).found[:aircraft], text }
    assert_equal ['q-tan'], read('q-tan').left
  end

  def test_kinds_and_what_means_nothing
    assert_equal(%w[dual solo check], ['', 'solo', 'a check'].map { |text| read(text).found[:kind] })
    assert_equal %w[please unicorn], read('please book unicorn').left
  end
end
