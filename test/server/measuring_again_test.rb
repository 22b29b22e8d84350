# frozen_string_literal: true

require_relative '../server_helper'

# A spot moved after the flight: what was measured from it is measured again, what was graded stays.
class MeasuringAgainTest < Minitest::Test
  include ServerHelp

  def setup
    super
    as(@instructor)
  end

  def waiting
    ActiveRecord::Base.connection.select_values(
      "SELECT args FROM que_jobs WHERE job_class = 'Fujin::MeasureAgain' AND finished_at IS NULL ORDER BY id"
    )
  end

  def again
    jobs = waiting
    jobs.each { |args| Fujin::MeasureAgain.run(*JSON.parse(args)) }
    ActiveRecord::Base.connection.execute('UPDATE que_jobs SET finished_at = now()')
    jobs.size
  end

  # North of where it was by so many metres along the course of 350°.
  def moved(metres)
    lat, lon = Fujin::LocalMap.new(*CORE_SPOT).lat_lon(metres * Math.cos(10 * Math::PI / 180.0),
                                                       -metres * Math.sin(10 * Math::PI / 180.0))
    { spot_lat_deg: lat, spot_lon_deg: lon }
  end

  def move(fields)
    get "/api/sorties/#{@sortie.id}"
    patch_json "/api/sorties/#{@sortie.id}", fields, { 'HTTP_IF_MATCH' => last_response['etag'] }
  end

  def miss(attempt) = attempt.reload.proposal['measures']['miss_along_ft']['value']

  # A hundred metres farther along the course the same touchdowns are 328 ft short of it; what was graded stays.
  def test_a_spot_that_is_moved_is_measured_from_again_without_a_button
    attempt = imported(@sortie).find(&:asked?)
    before = miss(attempt)
    grade_all(attempt, @instructor, 'instructor')
    grades = attempt.reload.grades.map { |g| [g.phase, g.grade] }
    move(moved(100.0))

    assert_equal ['working', 'measuring again'], answer['recordings'][0].values_at('status', 'step')
    assert_equal 1, again
    assert_in_delta before - (100.0 / 0.3048), miss(attempt), 2.0
    assert_equal(grades, attempt.grades.map { |g| [g.phase, g.grade] })
    assert_equal 'ready', @sortie.recordings.first.status
    assert_nil attempt.proposal['cut_by'], 'nobody cut it'
  end

  # North first and then east, a second apart: the last word counts, by one job.
  def test_a_spot_that_is_moved_twice_is_measured_from_where_it_is_last
    attempt = imported(@sortie).find(&:asked?)
    before = miss(attempt)
    move(moved(400.0))
    move(moved(100.0))

    assert_equal 1, waiting.size
    again

    assert_in_delta before - (100.0 / 0.3048), miss(attempt), 2.0
    assert_equal 0, Fujin::AttemptRow.stale.count
  end

  # Moved in the middle of it: the attempt measured by the old place is measured once more.
  def test_a_spot_that_is_moved_while_it_is_measured_again_is_not_missed
    attempts = imported(@sortie, faults: [{}, {}]).select(&:asked?)
    before = attempts.map { |attempt| miss(attempt) }
    move(moved(400.0))
    once = false
    measured = Fujin::RecutAttempt.instance_method(:measured)
    test = self
    Fujin::RecutAttempt.define_method(:measured) do |attempt|
      measured.bind_call(self, attempt).tap do
        test.move(test.moved(100.0)) unless once
        once = true
      end
    end
    again

    attempts.zip(before).each { |attempt, was| assert_in_delta was - (100.0 / 0.3048), miss(attempt), 2.0 }
  ensure
    Fujin::RecutAttempt.define_method(:measured, measured) if measured
  end

  # What was set to go with one attempt goes on being said: an estimate stays one.
  def test_an_estimate_stays_an_estimate
    attempt = imported(@sortie).find(&:asked?)
    phases = attempt.proposal['phases'].map { |phase| phase.merge('estimated' => phase['id'] == 'glide') }
    attempt.update!(proposal: attempt.proposal.merge('phases' => phases, 'estimated' => true))
    move(moved(10.0))
    again

    found = attempt.reload.proposal

    assert found['estimated']
    assert_equal(['glide'], found['phases'].select { |phase| phase['estimated'] }.map { |phase| phase['id'] })
  end

  # An objective or a count is nothing that is measured by.
  def test_what_nothing_is_measured_by_measures_nothing_again
    imported(@sortie)
    move({ objective: 'Two in a row', planned_count: 3, next_focus: 'The gate' })

    assert_empty waiting
  end

  def test_the_spot_is_where_an_attempt_ended
    attempt = imported(@sortie).find(&:asked?)
    put_json "/api/exercises/#{@sortie.exercise.id}/spot", { attempt_id: attempt.id, name: 'Here' }

    assert_equal [200, 'Here'], [status, answer['exercises'][0]['spot_name']]
    again

    assert_in_delta 0.0, attempt.reload.proposal['measures']['miss_along_ft']['value'], 3.0
  end

  # Day and exercise changed in one go count as two changes: neither is lost on the other.
  def test_a_day_and_an_exercise_changed_together_measure_again_once
    attempt = imported(@sortie).find(&:asked?)
    move({ wind_kt: 12, height_ft: 1200 })

    assert_equal 1, again
    assert_equal @sortie.exercise.reload.plan_version, attempt.reload.plan_version
    assert_equal 2, attempt.plan_version
  end

  # A spot of an attempt's own: where it ended itself it misses by nothing; back again, by what it missed before.
  def test_an_attempt_is_measured_from_a_spot_of_its_own
    first, second = imported(@sortie, faults: [{}, {}]).select(&:asked?)
    was = second.proposal['measures']['miss_ft']['value']
    put_json "/api/attempts/#{second.id}/spot", { from: 'here' }

    assert_equal [200, 'Where attempt 2 ended'], [status, answer['spot_name']]
    assert_operator answer['measures']['miss_ft']['value'], :<, 2
    put_json "/api/attempts/#{second.id}/spot", { from: 'last_landing' }

    assert_equal 'Where attempt 1 ended', answer['spot_name']
    again
    put_json "/api/attempts/#{second.id}/spot", { from: 'exercise' }

    assert_nil answer['spot_name']
    assert_in_delta was, answer['measures']['miss_ft']['value'], 0.05
    length_ft = Fujin::Aircraft::Library.find('tansy-2').overall_length_m / 0.3048
    assert_in_delta was / length_ft, answer['measures']['miss_ft']['lengths'], 0.06
    put_json "/api/attempts/#{first.id}/spot", { from: 'last_landing' }

    assert_equal 409, status
  end

  # A wind corrected after the flight is what the attempts are measured in, without a button.
  def test_a_corrected_wind_measures_again
    attempt = imported(@sortie).find(&:asked?)
    before = attempt.proposal['measures']
    patch_json "/api/sorties/#{@sortie.id}", { wind_kt: 20 },
               { 'HTTP_IF_MATCH' => %("#{@sortie.reload.lock_version}") }

    assert_equal 200, status, last_response.body
    assert_equal 1, waiting.size
    again

    refute_equal before, attempt.reload.proposal['measures']
    assert_equal attempt.exercise.reload.plan_version, attempt.plan_version
  end
end
