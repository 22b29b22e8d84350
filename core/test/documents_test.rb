# frozen_string_literal: true

require_relative 'test_helper'

# Documents with dates, every kind on either side of each of its days.
class DocumentsTest < Minitest::Test
  Bookings = Fujin::Bookings
  KINDS = Bookings::DocumentKind.all.values.freeze
  LAST = Date.new(2027, 3, 31)

  def document(kind, **more) = Bookings::Document.new(kind: kind, **more)

  def test_where_it_stands_on_each_day
    KINDS.each do |kind|
      one = document(kind, valid_from: LAST - 200, valid_until: LAST)
      {
        LAST - 201 => :not_yet, LAST - 200 => :good, LAST - kind.due_days - 1 => :good, LAST - kind.due_days => :due,
        LAST => :due, LAST + 1 => :over
      }.each { |day, state| assert_equal state, one.state(day), "#{kind.id} #{day}" }

      assert_equal [false, true, true, false],
                   [LAST - 201, LAST - 200, LAST, LAST + 1].map { |day| one.in_date?(day) }, kind.id
      assert_equal :good, document(kind).state(LAST + 9000), 'without a last day it does not run out'
    end
  end

  def test_what_is_said_of_it
    medical = Bookings::DocumentKind.find('medical')
    one = document(medical, valid_from: LAST - 200, valid_until: LAST)
    {
      LAST - 300 => 'Medical certificate is good from 12 September 2026 only',
      LAST - 100 => 'Medical certificate is good until 31 March 2027',
      LAST - 2 => 'Medical certificate runs out on 31 March 2027, in 2 days',
      LAST - 1 => 'Medical certificate runs out on 31 March 2027, tomorrow',
      LAST => 'Medical certificate runs out on 31 March 2027, today',
      LAST + 1 => 'Medical certificate ran out on 31 March 2027'
    }.each { |day, words| assert_equal words, one.words(day) }

    assert_equal 'Medical certificate does not run out', document(medical).words(LAST)
  end

  # A misspelt role or act would ask nobody for anything, without a word.
  def test_every_kind_names_roles_and_acts_that_there_are
    KINDS.each do |kind|
      assert_empty kind.roles - %w[student instructor_candidate instructor chief_instructor], kind.id
      assert_empty kind.blocks - %w[solo instruct examine], kind.id
      refute_empty kind.blocks, "#{kind.id} would be kept for nothing"
      assert_operator kind.due_days, :>, 0
    end
    assert_equal %w[type_rating differences], KINDS.select(&:by_type).map(&:id)
    assert_raises(Fujin::UnknownName) { Bookings::DocumentKind.find('passport') }
  end

  def test_one_for_a_type_is_for_that_type
    rating = document(Bookings::DocumentKind.find('type_rating'), type_id: 'yarrow-4')

    assert rating.for_type?('yarrow-4')
    refute rating.for_type?('tansy-2')
    assert document(Bookings::DocumentKind.find('medical')).for_type?('tansy-2')
  end

  def test_maintenance_by_hours_by_day_and_by_both
    due = ->(**more) { Bookings::Due.new(title: 'check', **more) }
    {
      { at_hours: 100.0 } => [[100.0, 0, false, true], [100.1, 0, true, false], [95.0, 0, false, false],
                              [95.1, 0, false, true]],
      { on_day: LAST } => [[0.0, 0, false, true], [0.0, 1, true, false], [0.0, -14, false, false],
                           [0.0, -13, false, true]],
      { at_hours: 100.0,
        on_day: LAST } => [[50.0, 1, true, false], [100.1, -100, true, false], [50.0, -100, false, false]]
    }.each do |fields, cases|
      cases.each do |hours, days, over, soon|
        one = due.call(**fields)

        assert_equal [over, soon], [one.over?(hours, LAST + days), one.soon?(hours, LAST + days)], [fields, hours, days]
      end
    end
    assert_equal 'due at 100.0 h or on 31 March 2027', due.call(at_hours: 100.0, on_day: LAST).words
  end
end
