# frozen_string_literal: true

require_relative 'test_helper'

# A lesson followed as it is flown: the exercise changes where the flight shows another, and what is over is judged.
class FlightSeenTest < Minitest::Test
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
    looks(samples, *manoeuvres).filter_map { |look, at| look.exercise && [look.exercise, at] }
  end

  def looks(samples, *manoeuvres)
    exercises = manoeuvres.map { |one| exercise(one) }
    window = Fujin::Live::FlightWindow.new(context(nil), exercises)
    watch = Fujin::Live::FlightSeen.new(exercises, context(nil), window)
    samples.filter_map do |sample|
      window.take(sample)
      watch.look&.then { |look| [look, sample['t_s']] }
    end
  end

  def test_it_follows_from_one_exercise_to_the_next
    flown = samples({ manoeuvre: 'hovering_autorotation', faults: [{}] })
    told = seen(flown, 'straight_in_autorotation', 'hovering_autorotation')

    assert_equal(%w[straight_in_autorotation hovering_autorotation], told.map(&:first))
    assert_operator told.first.last, :<, told.last.last
    assert_in_delta flown.last['t_s'], told.last.last, 30
  end

  # The sheet follows while the other exercise is flown, not after it: an approach in the middle of its descent.
  def test_it_follows_as_the_next_exercise_begins
    flown = samples({ manoeuvre: 'normal_approach', faults: [{}] })
    told = seen(flown, 'straight_in_autorotation', 'normal_approach')

    assert_equal %w[straight_in_autorotation normal_approach], told.map(&:first)
    still = flown.rindex { |sample| sample['agl_ft'] > 60.0 }

    assert_operator told.last.last, :<, flown[still]['t_s']
  end

  # What was tapped is what it is, as long as nothing flown says otherwise.
  def test_the_exercise_that_was_tapped_is_believed_until_the_flight_differs
    context = context('straight_in_autorotation')
    flown = samples.take_while { |sample| sample['t_s'] < 35.0 }
    signals = signals_of("#{flown.first.keys.join(',')}\n#{flown.map { |row| row.values.join(',') }.join("\n")}\n",
                         context.conditions, wind: DAY_WIND)
    lesson = L::FlownExercises.new(signals, %w[straight_in_autorotation turning_autorotation].map do |one|
      exercise(one)
    end,
                                   context(nil))

    assert_equal 'straight_in_autorotation', lesson.underway.first.id
    assert_equal 'turning_autorotation', lesson.underway('turning_autorotation').first.id
    assert_equal 'straight_in_autorotation', lesson.underway('of another lesson').first.id
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

  # Each attempt once, within five seconds of its end, and what a debrief of the whole file says of it.
  def test_an_attempt_that_is_over_is_judged_once_within_five_seconds
    flown = L::FlownLesson.new(conditions(wind: DAY_WIND), faults: [{}, { 'late_collective' => 1.5 }, {}], origin: SPOT,
                                                           course_deg: 350.0)
    told = looks(CSV.parse(flown.csv, headers: true, converters: :float).map(&:to_h), 'straight_in_autorotation')
    over = told.flat_map { |look, at| look.over.map { |one| [one, at] } }
    whole = reviewed(flown.csv)

    # The last one ends with the file: nothing after it says that it is over.
    assert_equal 2, over.size
    over.zip(whole.first(2)).each do |(one, at), debrief|
      assert_in_delta debrief.attempt.end_s, one.ended_s, 1.0
      assert_operator at - one.ended_s, :<=, 5.0
      assert_equal [debrief.first_fault&.id, debrief.overall], [one.proposal.first_fault&.id, one.proposal.overall]
    end
    assert_equal 'late_collective', over.last.first.proposal.first_fault.id
  end

  def reviewed(csv)
    one = exercise('straight_in_autorotation')
    signals = Fujin::Recordings::Signals.new(Fujin::Recordings.read(csv), type: one.context.type,
                                                                          atmosphere: one.context.conditions.atmosphere,
                                                                          wind: DAY_WIND, elevation_ft: 0.0)
    L::FlownExercises.new(signals, [one], context(nil)).found.select(&:exercise).map(&:proposal)
  end
end
