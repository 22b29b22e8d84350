# frozen_string_literal: true

require_relative '../server_helper'

# Which entry reaches the spot, as a job with its answer: asked once, by whoever may, of what has a spot.
class DispersionServerTest < Minitest::Test
  include ServerHelp

  def ask(changes = {}) = post_json("/api/sorties/#{@sortie.id}/dispersions", changes)

  def disperse
    jobs =
      ActiveRecord::Base.connection.select_values(
        "SELECT args FROM que_jobs WHERE job_class = 'Fujin::Disperse' AND finished_at IS NULL"
      )
    jobs.each { |args| Fujin::Disperse.run(*JSON.parse(args)) }
    ActiveRecord::Base.connection.execute('UPDATE que_jobs SET finished_at = now()')
    jobs.size
  end

  def test_a_thousand_landings_as_a_job_with_its_answer
    as(@student)
    ask

    assert_equal 202, status
    assert_equal 'waiting', answer['status']
    id = answer['id']
    disperse
    get "/api/dispersions/#{id}"

    assert_equal ['ready', 1000], answer.values_at('status', 'runs')
    glide = answer['result']['options'].first

    assert_equal 'glide', glide['option']
    assert_in_delta glide['field'][30][10], glide['probability'], 0.001
    assert_includes answer['result']['spread']['text'], 'the stated default'
    assert_in_delta 200, answer['result']['within_along_ft']
  end

  def test_the_same_question_is_worked_out_once_and_another_again
    as(@instructor)
    ask
    first = answer['id']
    ask

    assert_equal first, answer['id']
    assert_equal 1, disperse
    ask({ wind_kt: 15 })

    refute_equal first, answer['id']
    assert_equal 1, disperse
  end

  %w[turning_autorotation s_turn_autorotation].each do |manoeuvre|
    define_method("test_#{manoeuvre}_asks_it_too_with_its_own_settings") do
      as(@instructor)
      other = sortie(manoeuvre: manoeuvre, height_ft: nil, settings: { 'turn_side' => 'right' })
      post_json "/api/sorties/#{other.id}/dispersions"
      id = answer['id']
      disperse
      get "/api/dispersions/#{id}"

      assert_equal 'ready', answer['status']
      # Turned from the planned height: a stretched glide has none left to win the house's speed back before the gate,
      # and there is none for more turns.
      assert_equal(%w[glide slow delay], answer['result']['options'].map { |option| option['option'] })
      assert_in_delta 0, answer['result']['options'].first['offset_ft'], 2
      post_json "/api/sorties/#{other.id}/plan"

      assert_includes answer['reaches'].map { |reach| reach['option'] }, 'delay'
    end
  end

  # A fault of ours, tried to the end: the question says so.
  def test_a_job_that_gives_up_says_so
    as(@instructor)
    ask
    id = answer['id']
    Fujin::Disperse.new({ args: [id], error_count: 9 }).expire
    get "/api/dispersions/#{id}"

    assert_equal 'failed', answer['status']
    assert_includes answer['error'], 'The plan itself stands'
  end

  # Five attempts of the student's own, their misses counted once.
  def test_the_students_own_misses_take_the_place_of_the_default
    measures = {
      'miss_along_ft' => {
        'value' => 400.0,
        'target' => 0.0
      },
      'collective_delay_s' => {
        'value' => 0.9,
        'target' => 1.2
      }
    }
    recording = Fujin::RecordingRow.create!(sortie: @sortie, by: @instructor, name: 'lesson.csv', status: 'ready')
    5.times do |i|
      Fujin::AttemptRow.create!(
        sortie: @sortie,
        recording: recording,
        position: i,
        manoeuvre: @sortie.exercise.manoeuvre,
        start_s: i,
        end_s: i,
        proposal: {
          'measures' => measures
        }
      )
    end
    as(@instructor)
    ask
    disperse
    get "/api/dispersions/#{answer['id']}"

    assert answer['result']['spread']['own']
    assert_operator answer['result']['spread']['entry_ft'], :<, 400
    assert_operator answer['result']['spread']['delay_s'], :<, 0.25
  end

  def test_dispersion_asks_only_where_there_is_a_spot_to_reach
    as(@instructor)
    other = sortie(manoeuvre: 'hover', height_ft: nil)
    post_json "/api/sorties/#{other.id}/dispersions"

    assert_equal 409, status
  end

  def test_another_students_dispersion_is_not_found
    as(@instructor)
    ask
    id = answer['id']
    as(@other)
    get "/api/dispersions/#{id}"

    assert_equal 404, status
  end
end
