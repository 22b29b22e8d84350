# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../db/demo/demo_school'

# The school that `bin/start` shows: flown, graded and signed as everything else is.
class DemoTest < Minitest::Test
  include ServerHelp

  def test_the_student_who_is_ready_is_signed_off
    empty_the_database
    Fujin::DemoSchool.new(today: Date.new(2026, 11, 27)).load(students: %w[tove])
    tove = Fujin::Person.find_by!(sign_in: 'tove')

    assert_equal ['straight_in_autorotation'], Fujin::SignOff.where(student: tove).pluck(:manoeuvre)
    assert_operator Fujin::AttemptRow.count, :>=, 5
  end
end
