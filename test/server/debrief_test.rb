# frozen_string_literal: true

require_relative '../server_helper'

# The debrief's pictures and what one change would have done, over the API.
class DebriefTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @late, @clean = imported(@sortie, faults: [{ 'late_collective' => 1.5 }, {}])
  end

  def test_energy_and_limits_of_a_flown_attempt
    get "/api/attempts/#{@late.id}/pictures"
    first, last = answer['ledger'].values_at(0, -1)

    assert_equal 200, status
    assert_in_delta 1000, first['height_ft'], 40
    assert_operator last.values_at('height_ft', 'speed_ft', 'rotor_ft').sum,
                    :<,
                    first.values_at('height_ft', 'speed_ft', 'rotor_ft').sum / 2
    assert_equal(%w[sink height_velocity], answer['charts'].map { |chart| chart['id'] })
    assert_operator answer['charts'].first['track'].size, :>, 50
  end

  def test_one_change_with_its_fit_paths_and_numbers
    get "/api/attempts/#{@late.id}/one-change"

    assert_equal 200, status
    assert_equal [true, nil], answer.values_at('claimed', 'reason')
    assert_equal 'late_collective', answer['fault']
    lowest = answer['numbers'].find { |row| row['measure'] == 'min_rotor_rpm_pct' }

    assert_operator lowest['mended'], :>, lowest['flown'] + 5
    assert_in_delta lowest['flown'], lowest['fitted'], 2.0
    assert_operator answer['mended']['path'].size, :>, 50
    assert_operator answer['fit']['height_ft'], :<, 45
  end

  # Boundaries that a person moved are what the model is fitted to.
  def test_one_change_keeps_to_the_cut_that_was_set
    get "/api/attempts/#{@late.id}/one-change"
    found = answer['change'][/[\d.]+/].to_f
    phases = @late.proposal['phases'].map { |phase| phase.slice('id', 'start_s', 'end_s') }
    phases.first['start_s'] += 0.5
    put_json("/api/attempts/#{@late.id}/cut", { manoeuvre: @late.manoeuvre, phases: phases })
    get "/api/attempts/#{@late.id}/one-change"

    assert_in_delta found - 0.5, answer['change'][/[\d.]+/].to_f, 0.11
  end

  def test_nothing_to_mend_is_said
    get "/api/attempts/#{@clean.id}/one-change"

    assert_equal 409, status
    assert_includes answer['detail'], 'nothing to mend'
  end

  def test_a_student_grades_first
    as(@student)
    get "/api/attempts/#{@late.id}/one-change"

    assert_equal 409, status
    assert_includes answer['detail'], 'Grade yourself first'
  end

  def test_another_students_attempt_is_not_shown
    as(@other)
    get "/api/attempts/#{@late.id}/pictures"

    assert_equal 404, status
  end
end
