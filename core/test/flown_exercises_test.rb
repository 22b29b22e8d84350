# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'scripted_flight'

# A recording of several exercises: each attempt is one of the exercise that it was, on that exercise's plan and at its
# place.
class FlownExercisesTest < Minitest::Test
  L = Fujin::Lessons
  WIND = '350/8'

  def context(manoeuvre, spot: SPOT, settings: {}, day: conditions(wind: Fujin::Wind.parse(WIND)), **about)
    L.context(conditions: day, spot: spot, course_deg: 350.0, wind: day.wind, exercise: manoeuvre, settings: settings,
              planned: !manoeuvre.nil?, **about)
  end

  def exercise(id, manoeuvre, count = nil, **about) =
    L::Exercise.new(id: id, context: context(manoeuvre, **about), planned_count: count)

  def flown(csv, exercises, **how)
    day = conditions(wind: Fujin::Wind.parse(WIND))
    signals = signals_of(csv, day, wind: day.wind)
    L::FlownExercises.new(signals, exercises, context(nil), ranges: false, **how).found
  end

  def lesson(*others) =
    L::FlownLesson.new(conditions(wind: Fujin::Wind.parse(WIND)), faults: [{}], origin: SPOT, course_deg: 350.0,
                                                                  others: others).csv

  # The hover after a recovery, and then the throttle closed in it: the ground that is met is not the recovery's.
  def test_a_hovering_autorotation_after_a_recovery_is_no_contact_of_the_recovery
    csv = lesson({ manoeuvre: 'hovering_autorotation', faults: [{}] })
    found = flown(csv, [exercise('a', 'straight_in_autorotation'), exercise('b', 'hovering_autorotation')])
    asked = found.select(&:exercise)

    assert_equal(%w[a b], asked.map { |one| one.exercise.id })
    assert_nil asked.first.proposal.attempt.event(:contact_s)
    refute_includes asked.first.proposal.faults.map(&:id), 'exceeded_limit'
    refute_nil asked.last.proposal.attempt.event(:contact_s)
  end

  # Two alike at one place: one was meant in the first, the rest in the second.
  def test_alike_at_one_place_they_are_given_in_order_as_many_as_were_planned
    csv = lesson({ manoeuvre: 'straight_in_autorotation', faults: [{}, {}] })
    alike = [exercise('first', 'straight_in_autorotation', 1), exercise('then', 'straight_in_autorotation', 2)]

    assert_equal(%w[first then then], flown(csv, alike).filter_map { |one| one.exercise&.id })
  end

  # A tap says it, from the moment on.
  def test_a_tap_outranks_the_order
    csv = lesson({ manoeuvre: 'straight_in_autorotation', faults: [{}] })
    alike = [exercise('first', 'straight_in_autorotation', 2), exercise('then', 'straight_in_autorotation', 2)]

    assert_equal(%w[then then], flown(csv, alike, tapped: [[1.0, 'then']]).filter_map { |one| one.exercise&.id })
  end

  # Half a mile apart: where it ended tells which.
  def test_two_places_are_told_apart_by_where_an_attempt_ended
    away = Fujin::LocalMap.new(*SPOT).lat_lon(800.0, 0.0)
    here = exercise('here', 'straight_in_autorotation', 5)
    there = exercise('there', 'straight_in_autorotation', 5, spot: away)
    found = flown(lesson, [there, here]).find(&:exercise)

    assert_equal 'here', found.exercise.id
    assert_operator found.proposal.measures['miss_along_ft'].value.abs, :<, 200.0
  end

  # Half a mile off and fifty feet more: neither is where it ended, so the first that was planned has it.
  def test_two_places_beside_each_other_are_not_told_apart
    farther, far = [815.0, 800.0].map { |north| Fujin::LocalMap.new(*SPOT).lat_lon(north, 0.0) }
    alike = [exercise('farther', 'straight_in_autorotation', 1, spot: farther),
             exercise('far', 'straight_in_autorotation', 1, spot: far)]

    assert_equal 'farther', flown(lesson, alike).find(&:exercise).exercise.id
  end

  def test_what_nobody_asked_for_stands_by_itself_without_a_plan
    found = flown(lesson, [exercise('a', 'hover')]).find do |one|
      one.proposal.attempt.manoeuvre == 'straight_in_autorotation'
    end

    assert_nil found.exercise
    assert_equal 'judged where the exercise was planned', found.proposal.measures['entry_height_ft'].reason
  end

  def test_each_usual_lesson_is_of_manoeuvres_and_settings_that_there_are
    L.templates.each do |template|
      template.exercises.each do |one|
        declared = Fujin::Catalogue.find(one['manoeuvre'])

        assert_kind_of Hash, Fujin::Planning::Settings.read(declared.settings, one['settings'] || {}), template.title
      end
    end
  end
end
