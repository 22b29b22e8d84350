# frozen_string_literal: true

require_relative '../server_helper'

# An instructor sets kind and boundaries; the measures follow, the grades that were given stay.
class RecutTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @attempt = imported(@sortie, faults: [{}]).first
    as(@instructor)
  end

  def phases = @attempt.proposal['phases'].map { |phase| phase.slice('id', 'start_s', 'end_s') }

  def moved(id, start_s: 0.0, end_s: 0.0)
    phases.map do |phase|
      if phase['id'] == id
        phase.merge('start_s' => phase['start_s'] + start_s, 'end_s' => phase['end_s'] + end_s)
      else
        phase
      end
    end
  end

  def cut(phases, manoeuvre: 'straight_in_autorotation') =
    put_json("/api/attempts/#{@attempt.id}/cut", { manoeuvre: manoeuvre, phases: phases })

  def test_a_moved_boundary_moves_the_measures_and_keeps_the_grades
    grade_all(@attempt, @instructor, 'instructor')
    before = @attempt.proposal['measures']['flare_height_ft']['value']
    shifted =
      moved('flare', start_s: -3.0).map do |phase|
        phase['id'] == 'glide' ? phase.merge('end_s' => phase['end_s'] - 3.0) : phase
      end
    cut(shifted)

    assert_equal 200, status
    assert_operator answer['measures']['flare_height_ft']['value'], :>, before + 50
    assert_equal @instructor.name, answer['cut_by']
    assert_equal 4, answer['grades'].size
    assert_in_delta @attempt.proposal['measures']['glide_ias_mean_kt']['value'],
                    answer['measures']['glide_ias_mean_kt']['value'],
                    2
  end

  def test_the_same_cut_gives_the_same_measures
    cut(phases)
    %w[entry_height_ft collective_delay_s glide_sink_fpm gate_ias_kt flare_pitch_max_deg hover_height_ft].each do |id|
      assert_in_delta @attempt.proposal['measures'][id]['value'], answer['measures'][id]['value'], 0.5, id
    end
  end

  def test_nonsense_is_refused_by_phase_and_changes_nothing
    [
      [moved('flare', start_s: -30.0), 'flare'],
      [moved('glide', end_s: 5000.0), 'glide'],
      [phases + [{ id: 'hover', start_s: 1, end_s: 2 }], 'hover'],
      [moved('entry', end_s: -100.0), 'entry']
    ].each do |wrong, path|
      cut(wrong)

      assert_equal 422, status
      assert_includes answer['errors'].map { |error| error['path'] }, path
    end
    assert_equal @attempt.proposal, @attempt.reload.proposal
  end

  def test_another_kind_is_measured_as_that_kind
    times = phases
    cut(
      [
        { id: 'descent', start_s: times[1]['start_s'], end_s: times[-1]['start_s'] },
        { id: 'termination', start_s: times[-1]['start_s'], end_s: times[-1]['end_s'] }
      ],
      manoeuvre: 'normal_approach'
    )

    assert_equal ['normal_approach', 'Normal approach'], answer.values_at('manoeuvre', 'title')
    assert_operator answer['measures']['approach_angle_deg']['value'], :>, 5
  end

  def test_an_attempt_that_was_not_found_is_added_once
    id = SecureRandom.uuid
    2.times do
      post_json(
        "/api/recordings/#{@attempt.recording_id}/attempts",
        { id: id, manoeuvre: 'hover', start_s: 65.0 }
      )
    end

    assert_equal 201, status
    assert_equal 1, Fujin::AttemptRow.where(manoeuvre: 'hover').count
    assert_in_delta 4, answer['measures']['hover_height_mean_ft']['value'], 2
  end

  def test_the_phases_of_another_kind_are_laid_evenly_until_they_are_cut
    put_json("/api/attempts/#{@attempt.id}/cut", { manoeuvre: 'normal_approach' })
    lengths = answer['phases'].map { |phase| phase['end_s'] - phase['start_s'] }

    assert_equal(%w[descent termination], answer['phases'].map { |phase| phase['id'] })
    assert_in_delta lengths[0], lengths[1], 0.03
  end

  # The file's bytes are gone: the samples that were kept answer.
  def test_a_moved_boundary_does_not_read_the_file_again
    Fujin::RecordingRow.where(id: @attempt.recording_id).update_all(bytes: 'no file any more')
    cut(phases)

    assert_equal 200, status
    @attempt.proposal['measures'].each do |id, measure|
      next unless measure['value'].is_a?(Numeric)

      assert_in_delta measure['value'], answer['measures'][id]['value'], 0.5, id
    end
  end

  def test_a_student_may_not_cut
    as(@student)
    cut(phases)

    assert_equal 403, status
  end
end
