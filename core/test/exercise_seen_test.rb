# frozen_string_literal: true

require_relative 'test_helper'

# A lesson followed as it is flown: the exercise changes by itself where the flight shows it.
class ExerciseSeenTest < Minitest::Test
  L = Fujin::Lessons
  DAY_WIND = Fujin::Wind.parse('350/8')

  def context(manoeuvre) =
    L.context(conditions: conditions(wind: DAY_WIND), spot: SPOT, course_deg: 350.0, wind: DAY_WIND,
              exercise: manoeuvre, planned: !manoeuvre.nil?, elevation_ft: 0.0)

  def exercise(manoeuvre) = L::Exercise.new(id: manoeuvre, context: context(manoeuvre))

  def samples(*others)
    flown = L::FlownLesson.new(conditions(wind: DAY_WIND), faults: [{}], origin: SPOT, course_deg: 350.0,
                                                           others: others)
    CSV.parse(flown.csv, headers: true, converters: :float).map(&:to_h)
  end

  # Each exercise that is said, with when.
  def seen(samples, *manoeuvres)
    watch = Fujin::Live::ExerciseSeen.new(manoeuvres.map { |one| exercise(one) }, context(nil))
    samples.filter_map { |sample| watch.take(sample)&.then { |id| [id, sample['t_s']] } }
  end

  def test_it_follows_from_one_exercise_to_the_next
    flown = samples({ manoeuvre: 'hovering_autorotation', faults: [{}] })
    told = seen(flown, 'straight_in_autorotation', 'hovering_autorotation')

    assert_equal(%w[straight_in_autorotation hovering_autorotation], told.map(&:first))
    assert_operator told.first.last, :<, told.last.last
    assert_in_delta flown.last['t_s'], told.last.last, 30
  end

  def test_what_nobody_asked_for_changes_nothing
    assert_equal(%w[hovering_autorotation],
                 seen(samples({ manoeuvre: 'hovering_autorotation', faults: [{}] }), 'hover_taxi',
                      'hovering_autorotation').map(&:first))
  end

  def test_a_lesson_of_one_exercise_is_never_asked
    assert_empty seen(samples, 'straight_in_autorotation')
  end

  # A recorder that sends no airspeed for a while leaves a gap, and nothing breaks.
  def test_a_channel_that_comes_and_goes
    holed = samples.each_with_index.map { |sample, i| i % 3 == 0 ? sample.except('ias_kt', 'nr_pct') : sample }

    assert_includes seen(holed, 'straight_in_autorotation', 'steep_approach').map(&:first), 'straight_in_autorotation'
  end
end
