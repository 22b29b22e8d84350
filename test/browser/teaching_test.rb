# frozen_string_literal: true

require_relative '../browser_helper'

# Teaching to teach: the instructor says what was played, the candidate names what was there, then both compare.
class BrowserTeachingTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def review(number = 1)
    visit "/sorties/#{@lesson.id}/review?attempt=#{number}"
    assert_selector 'svg[aria-label^="Scan strips"]'
  end

  def test_a_candidate_finds_the_played_fault_and_is_graded_for_it
    candidate = person('candidate', 'instructor_candidate', stage: 'instructor')
    @lesson = sortie(student: candidate)
    imported(@lesson, faults: [{ 'late_collective' => 1.0 }])
    sign_in(@instructor)
    review
    select 'Late collective', from: 'The fault that you played'
    click_on 'Keep it for the comparison'
    assert_text 'has not named the fault yet'
    assert_accessible('what was played')

    as_in_browser(candidate)
    review
    assert_text 'name the fault first'
    assert_no_text 'Work on: late collective'
    select 'Late collective', from: 'Which fault would you work on?'
    fill_in 'The one cue that you gave', with: 'Left hand down at once'
    click_on 'Name it, then compare'
    assert_text 'That is what was there, and what to work on first.'
    assert_text 'Left hand down at once'
    assert_text 'Work on: late collective'
    assert_no_button 'Grade explained it'
    assert_accessible('what was named')

    as_in_browser(@instructor)
    review
    click_on 'Grade spotted the fault'
    within('[role="radiogroup"][aria-label="Grade for spotted the fault"]') do
      find('[role="radio"][aria-label="To standard"]').click
    end
    eventually { Fujin::GradeRow.where(kind: 'teaching', phase: 'spotted', grade: 3).one? }
    assert_button 'Change spotted the fault'
  end
end
