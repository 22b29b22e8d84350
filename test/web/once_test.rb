# frozen_string_literal: true

require_relative '../web_helper'

# One id for what a form holds until the server has answered.
class OnceTest < Minitest::Test
  include WebModule

  SIGN_OFF = ['sign-off', { student: 'oda', manoeuvre: 'hover' }].freeze

  def test_a_second_press_is_the_same_record_until_it_was_answered
    first, again, other, form, answered, fresh = ask(
      'api/once.ts',
      ['idFor', *SIGN_OFF], ['idFor', *SIGN_OFF], ['idFor', 'sign-off', { student: 'basil', manoeuvre: 'hover' }],
      ['idFor', 'withdrawal', SIGN_OFF.last], ['answered', *SIGN_OFF], ['idFor', *SIGN_OFF]
    )

    assert_equal first, again
    assert_equal 3, [first, other, form].uniq.size, 'another student, another form: another record'
    assert answered
    refute_equal first, fresh
    assert_match(/\A\h{8}(-\h{4}){3}-\h{12}\z/, fresh)
  end
end
