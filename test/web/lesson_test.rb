# frozen_string_literal: true

require_relative '../web_helper'

# Which exercise a cockpit's taps say is being flown, and how many attempts were begun in each.
class LessonModulesTest < Minitest::Test
  include WebModule

  SORTIE = { 'exercises' => %w[a b].map { |id| { 'id' => id, 'title' => id } } }.freeze

  def tap(kind, value = nil) = { 'kind' => kind, 'payload' => { 'value' => value }.compact }
  def now(*taps) = ask('views/fly/exerciseNow.ts', ['exerciseNow', SORTIE, taps]).first['id']
  def begun(*taps) = ask('views/fly/exerciseNow.ts', ['begunIn', SORTIE, taps]).first

  def test_the_exercise_that_was_tapped_last_is_flown_the_first_until_then
    assert_equal 'a', now
    assert_equal 'b', now(tap('exercise', 'b'), tap('attempt'))
    assert_equal 'a', now(tap('exercise', 'b'), tap('exercise', 'a'))
    assert_equal 'a', now(tap('exercise', 'gone')), 'one that was taken out of the lesson'
  end

  def test_an_attempt_is_begun_in_the_exercise_of_its_moment
    assert_empty begun(tap('exercise', 'b'))
    assert_equal({ 'a' => 1, 'b' => 2 },
                 begun(tap('attempt'), tap('exercise', 'b'), tap('attempt'), tap('note', 'x'), tap('attempt')))
  end
end
