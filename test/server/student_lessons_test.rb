# frozen_string_literal: true

require_relative '../server_helper'

# A student's lessons, a page at a time: every one once, whatever comes meanwhile and however many begin together.
class StudentLessonsTest < Minitest::Test
  include ServerHelp

  SIZE = Fujin::StudentLessons::PAGE_SIZE
  # To the last digit that the database keeps: a cursor that loses one loses a lesson.
  TOGETHER = Time.utc(2026, 11, 20, 9, 0, Rational(123_457, 1_000_000))

  def lessons(after: nil)
    get "/api/students/#{@student.id}/lessons#{"?after=#{after}" if after}"

    assert_equal 200, status
    answer
  end

  def test_every_lesson_once_the_latest_first
    Fujin::Sortie.update_all(student_id: @other.id)
    made = Array.new(SIZE + 3) { sortie(starts_at: TOGETHER).id } + [sortie(starts_at: TOGETHER + 60).id]
    as(@instructor)
    first = lessons
    newer = sortie(starts_at: TOGETHER + 3600)
    second = lessons(after: first['following'])
    ids = [first, second].flat_map { |page| page['sorties'].map { |one| one['id'] } }

    assert_equal [made.last, SIZE, 4], [ids.first, first['sorties'].size, second['sorties'].size]
    assert_equal made.sort, ids.sort
    assert_nil second['following']
    assert_equal newer.id, lessons['sorties'].first['id']
  end

  def test_what_was_flown_stands_with_its_lesson
    imported(@sortie, faults: [{}, {}])
    earlier = sortie(starts_at: Time.utc(2026, 11, 20, 9), off_at: Time.utc(2026, 11, 20, 9),
                     on_at: Time.utc(2026, 11, 20, 9, 40))
    as(@instructor)
    told = lessons

    assert_equal [@sortie.id, earlier.id], told['sorties'].map { |one| one['id'] }.first(2)
    places = told['history'].map { |one| one.values_at('sortie_id', 'position') }

    assert_equal [[@sortie.id, 1], [@sortie.id, 2]], places
    assert_equal %w[attempt_id counts critical grades help level manoeuvre on_day position sortie_id],
                 told['history'].flat_map(&:keys).uniq.sort
    assert_equal [{ 'sortie_id' => earlier.id, 'minutes' => 40, 'role' => 'dual' }], told['flights']
  end

  def test_a_made_up_place_in_the_list_is_told
    as(@instructor)
    get "/api/students/#{@student.id}/lessons?after=nowhere"

    assert_equal [422, 'after'], [status, answer['errors'][0]['path']]
    get "/api/students/#{@student.id}/lessons?after=#{Fujin::Listed.cursor([Time.now, 'nobody'])}"

    assert_equal [422, 'after'], [status, answer['errors'][0]['path']]
    get "/api/students/#{@student.id}/lessons?after=#{Fujin::Listed.cursor(['never', @sortie.id])}"

    assert_equal [422, 'after'], [status, answer['errors'][0]['path']]
  end
end
