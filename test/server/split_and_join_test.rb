# frozen_string_literal: true

require_relative '../server_helper'

# Attempts split and joined by the instructor: nothing measured twice, nothing lost, what was given stays.
class SplitAndJoinTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @first, @second =
      imported(@sortie, faults: [{}, { 'late_collective' => 1.5 }])
        .select { |attempt| attempt.manoeuvre == 'straight_in_autorotation' }
    @whole = @first.proposal
    as(@instructor)
  end

  def in_the_glide
    glide = @whole['phases'].find { |phase| phase['id'] == 'glide' }
    (glide['start_s'] + glide['end_s']) / 2.0
  end

  def split(at_s = in_the_glide, id: SecureRandom.uuid) =
    post_json("/api/attempts/#{@first.id}/split", { id: id, at_s: at_s })

  def join(later) = post_json("/api/attempts/#{@first.id}/join", { with: later })

  def listed
    get "/api/sorties/#{@sortie.id}/attempts?with=measures"
    answer
  end

  def test_what_was_split_is_two_attempts_that_meet_and_share_the_measures
    split
    made = answer
    rest = listed.find { |attempt| attempt['id'] == @first.id }

    assert_equal 201, status == 200 ? 201 : status
    assert_in_delta in_the_glide, rest['end_s'], 0.01
    assert_in_delta in_the_glide, made['start_s'], 0.01
    assert_equal(%w[entry glide], rest['phases'].map { |phase| phase['id'] })
    assert_equal(%w[glide flare recovery], made['phases'].map { |phase| phase['id'] })
    assert_in_delta @whole['measures']['collective_delay_s']['value'], rest['measures']['collective_delay_s']['value'],
                    0.05
    assert_in_delta @whole['measures']['flare_height_ft']['value'], made['measures']['flare_height_ft']['value'], 0.5
    refute rest['measures'].key?('flare_height_ft')
  end

  def test_what_was_split_is_joined_again
    split
    other = answer['id']
    join(other)

    assert_equal(@whole['phases'].map { |phase| phase['id'] }, answer['phases'].map { |phase| phase['id'] })
    assert_in_delta @whole['measures']['flare_height_ft']['value'], answer['measures']['flare_height_ft']['value'], 0.5
    assert_equal [false, 'joined with the attempt before it'],
                 listed.find { |attempt| attempt['id'] == other }.values_at('counts', 'void_reason')
  end

  def test_grades_stay_with_the_part_that_keeps_the_attempt
    grade_all(@first, @instructor, 'instructor')
    given = Fujin::GradeRow.where(attempt: @first).pluck(:phase, :grade).sort
    split

    assert_empty answer['grades']
    assert_equal given, Fujin::GradeRow.where(attempt: @first).pluck(:phase, :grade).sort
  end

  # The wire lost the answer and it was sent again.
  def test_a_split_sent_twice_is_one
    id = SecureRandom.uuid
    2.times { split(id: id) }

    assert_equal 201, status
    assert_equal 1, Fujin::AttemptRow.where(id: id).count
  end

  def test_a_split_does_not_touch_the_other_attempt
    before = @second.proposal
    split

    assert_equal before, @second.reload.proposal
  end

  def test_a_moment_outside_is_refused_and_nothing_changes
    count = Fujin::AttemptRow.count
    [@whole['start_s'] - 5.0, @whole['phases'].first['start_s'], @whole['phases'].last['end_s'] + 1.0].each do |at_s|
      split(at_s)

      assert_equal 422, status
      assert_equal 'at_s', answer['errors'].first['path']
    end
    assert_equal [count, @whole], [Fujin::AttemptRow.count, @first.reload.proposal]
  end

  def test_only_a_later_attempt_of_the_same_kind_is_joined
    join(@first.id)

    assert_equal 422, status
    put_json("/api/attempts/#{@second.id}/cut", { manoeuvre: 'hover' })
    join(@second.id)

    assert_equal 422, status
    assert_equal @whole, @first.reload.proposal
  end

  def test_a_kind_that_is_unknown_is_refused_and_nothing_is_made
    count = Fujin::AttemptRow.count
    post_json(
      "/api/recordings/#{@first.recording_id}/attempts",
      { id: SecureRandom.uuid, manoeuvre: 'barrel_roll', start_s: 20.0 }
    )

    assert_includes [404, 422], status
    assert_equal count, Fujin::AttemptRow.count
  end

  def test_nobody_elses_student_is_split
    as(@student)
    split

    assert_equal 403, status
  end
end
