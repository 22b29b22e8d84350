# frozen_string_literal: true

require_relative '../server_helper'

# A second opinion stands beside the instructor's grade, never in its place; the chief sees how alike the school grades.
class AgreementServerTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @attempt = imported(@sortie, faults: [{}]).first
    grade_all(@attempt, @instructor, 'instructor', grade: 3, reason: 'as seen')
    @colleague = person('orrin', 'instructor')
  end

  def test_a_second_opinion_does_not_override
    grade_all(@attempt, @colleague, 'second', grade: 2)

    assert_equal 200, status
    get "/api/students/#{@student.id}/lessons"

    assert_equal 3, answer['history'].first['level']
  end

  def test_it_is_a_colleagues
    grade_all(@attempt, @instructor, 'second', grade: 2)

    assert_equal 403, status
    assert_includes answer['detail'], 'you graded this attempt yourself'
    grade_all(@attempt, @student, 'second', grade: 4)

    assert_equal 403, status
  end

  def test_the_chief_sees_agreement_and_nobody_else_does
    grade_all(@attempt, @colleague, 'second', grade: 2)
    as(@chief)
    get '/api/agreement'

    assert_equal [200, 1], [status, answer['attempts']]
    assert_equal([0, 100], answer['phases'].first.values_at('same_pct', 'within_one_pct'))
    assert_equal [-1.0, false],
                 answer['differences'].find { |row| row['name'] == 'Orrin' }.values_at('steps', 'telling')
    as(@instructor)
    get '/api/agreement'

    assert_equal 403, status
  end
end
