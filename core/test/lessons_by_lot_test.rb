# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'drawn_flight'
require_relative '../../test/by_lot'

# Lessons drawn by lot: one exercise after another, each at a height, speed, rate and length of its own, so that every
# limit of the finders and of the faults has some of them on either side. What is found keeps to the rules of finding;
# what it comes to is kept with all that is graded.
class LessonsByLotTest < Minitest::Test
  extend ByLot

  by_lot(/_by_lot_/)

  COURSE = 350.0
  HELICOPTERS = %w[tansy-2 bracken-2 yarrow-4].freeze

  30.times do |lot|
    define_method("test_a_helicopter_s_lesson_by_lot_#{lot}") do
      random = Random.new(500 + lot)
      day = conditions(HELICOPTERS.sample(random: random), wind: Fujin::Wind.parse("#{random.rand(300..359)}/8"))
      exercise = [nil, *Fujin::Catalogue.recorded.select { |m| m.for?(day.type) }.map(&:id)].sample(random: random)

      assert_found_by_the_rules DrawnFlight.new(random, COURSE).helicopter(6).flight, day, exercise: exercise,
                                                                                           planned: random.rand < 0.5
    end
  end

  10.times do |lot|
    define_method("test_a_circuit_by_lot_#{lot}") do
      random = Random.new(800 + lot)
      day = conditions(HELICOPTERS.sample(random: random), wind: Fujin::Wind.parse("#{random.rand(300..359)}/9"))

      assert_found_by_the_rules DrawnFlight.new(random, COURSE).circuit.flight, day, exercise: [nil, 'circuit'][lot % 2]
    end
  end

  20.times do |lot|
    define_method("test_a_gyroplane_s_lesson_by_lot_#{lot}") do
      random = Random.new(600 + lot)
      day = conditions('sorrel-g', wind: Fujin::Wind.parse('340/7'))

      assert_found_by_the_rules DrawnFlight.new(random, COURSE).gyroplane.flight, day, planned: random.rand < 0.5
    end
  end

  # Of a planned figure: larger or smaller, beside its place, every corner somewhere about it, once or twice round.
  %w[rectangle turns_across_a_line turn_about_a_point].each do |kind|
    5.times do |lot|
      define_method("test_a_#{kind}_by_lot_#{lot}") do
        random = Random.new(700 + lot)
        day = conditions(wind: Fujin::Wind.parse("#{random.rand(290..359)}/#{random.rand(3..16)}"))
        csv = figure(kind, day, random).csv
        found = grade_csv(csv, day: day, course_deg: COURSE, exercise: kind).proposals

        found.each { |one| assert_operator one.attempt.start_s, :<, one.attempt.end_s }
        assert_operator found.size, :<=, 4
      end
    end
  end

  private

  def figure(kind, day, random)
    plan = Fujin::Catalogue.find(kind).plan(day, Fujin::Planning::HouseMethod.new, course_deg: COURSE)
    share = random.rand(0.8..1.3)
    along, across = Array.new(2) { random.rand(-250.0..250.0) }
    line = plan.path.map do |point|
      [(point.along_ft * share) + along + random.rand(-40.0..40.0),
       (point.across_ft * share) + across + random.rand(-40.0..40.0)]
    end
    before = Fujin::Flight::FigureFlight.before(line)
    Fujin::Flight::FigureFlight.new([before, *(line * random.rand(1..2))], origin: SPOT, course_deg: COURSE,
                                                                           wind: day.wind, seed: random.rand(99),
                                                                           air_kt: random.rand(55.0..85.0))
  end

  # Something is found, in the order in which it was flown; no phase ends before it begins, none begins before the one
  # before it is over, and no number is no number.
  def assert_found_by_the_rules(flight, day, **context)
    found = grade_csv(flight.csv, day: day, course_deg: COURSE, **context).proposals
    starts = found.map { |one| one.attempt.start_s }

    refute_empty found
    assert_equal starts.sort, starts
    found.each do |one|
      times = one.attempt.phases.flat_map { |phase| [phase.start_s, phase.end_s] }

      assert_equal times.sort, times, one.attempt.manoeuvre
      assert_empty one.measures.values.select { |m| m.value&.to_f&.nan? }.map(&:id)
    end
  end
end
