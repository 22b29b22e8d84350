# frozen_string_literal: true

require_relative '../server_helper'

# What an exercise is for today: measures left out, first tries; and the break that is suggested when it gets worse.
class WhatCountsTest < Minitest::Test
  include ServerHelp

  SPOT = %w[miss_along_ft miss_across_ft miss_ft].freeze

  def leave_out(fields)
    as(@instructor)
    patch_json "/api/sorties/#{@sortie.id}", fields, { 'HTTP_IF_MATCH' => %("#{@sortie.reload.lock_version}") }
  end

  def seen(attempt)
    get "/api/attempts/#{attempt.id}"
    answer
  end

  # Entered 700 ft too far out: the spot is missed. With the spot left out, no verdict, no fault of it, a better phase.
  def test_a_spot_that_is_not_judged_holds_no_grade_down
    attempt = imported(@sortie, faults: [{ 'entered_too_far' => 700 }], seed: 5).find(&:asked?)
    before = seen(attempt)
    missed = before['measures']['miss_along_ft']

    assert_equal 'out', missed['verdict']
    assert_includes before['fault_details'].map { |fault| fault['id'] }, 'entered_too_far'
    leave_out({ not_judged: SPOT })
    after = seen(attempt)

    assert_equal [missed['value'], nil, 'Not judged today.'],
                 after['measures']['miss_along_ft'].values_at('value', 'verdict', 'reason')
    refute_includes after['fault_details'].map { |fault| fault['id'] }, 'entered_too_far'
    phase = missed['phase']
    grade = ->(shown) { shown['phases'].find { |one| one['id'] == phase }['proposed'] }

    assert_operator grade.call(after) || 4, :>, grade.call(before)
  end

  # An attempt of which a part was not judged, and first tries, show nothing of readiness.
  def test_practice_counts_towards_nothing
    attempts = imported(@sortie).select(&:asked?)
    attempts.each { |attempt| grade_all(attempt, @instructor, 'instructor', grade: 3, reason: 'so') }
    counted = -> { Fujin::StudentProgress.new(@student).flown.count { |one| one.graded.counts } }

    assert_equal 1, counted.call
    leave_out({ first_tries: true })

    assert_equal 0, counted.call
    leave_out({ first_tries: false, not_judged: SPOT })

    assert_equal 0, counted.call
    leave_out({ not_judged: [] })

    assert_equal 1, counted.call
  end

  def test_what_the_manoeuvre_does_not_measure_is_refused
    leave_out({ not_judged: %w[hover_drift_max_ft] })

    assert_equal 422, status
    assert_includes answer['detail'], 'Straight-in autorotation does not measure hover_drift_max_ft'
  end

  # What is critical is never left out.
  def test_a_critical_measure_is_judged_all_the_same
    measures = { 'contact_sink_fpm' => { 'phase' => 'touchdown', 'value' => 900.0, 'unit' => 'ft_min',
                                         'verdict' => 'out', 'critical' => true } }
    proposal = { 'measures' => measures, 'phases' => [{ 'id' => 'touchdown' }], 'fault_details' => [] }
    judged = Fujin::JudgedProposal.new(proposal, 'whole', %w[contact_sink_fpm]).to_h

    assert judged['critical']
    assert_equal 'out', judged['measures']['contact_sink_fpm']['verdict']
  end

  def tap(grades)
    events = grades.each_with_index.flat_map do |grade, i|
      %w[attempt grade].map do |kind|
        { id: SecureRandom.uuid, kind: kind, at: (Time.utc(2026, 11, 25, 10) + (60 * i)).iso8601(3), attempt_no: i + 1,
          phase: kind == 'grade' ? 'entry' : nil, payload: kind == 'grade' ? { grade: grade } : {} }
      end
    end
    post_json "/api/sorties/#{@sortie.id}/events", { events: events }
  end

  def advice(person)
    as(person)
    get "/api/sorties/#{@sortie.id}"
    answer['break_advice']
  end

  # Three taps, each worse: the instructor is told, the student sees no grade by that way.
  def test_a_break_is_suggested_while_it_gets_worse
    as(@instructor)
    tap([3, 2, 1])

    assert_match(/Straight-in autorotation got worse .*to standard, then prompted or marginal, then assisted/,
                 advice(@instructor))
    assert_nil advice(@student)
  end

  def test_no_break_for_what_gets_better
    as(@instructor)
    tap([1, 2, 3])

    assert_nil advice(@instructor)
  end
end
