# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'
require_relative 'followed'
require_relative 'drawn_flight'
require_relative '../../test/by_lot'

# What the cockpit was shown of flights that the pilots of the model fly, clean and with a fault: phase, readings, what
# they are held to, gates, and what is told so far.
class KeptLiveTest < Minitest::Test
  extend ByLot
  include Followed

  by_lot(/\Atest_what_is_shown_of_/)

  HELICOPTER = %w[straight_in_autorotation turning_autorotation s_turn_autorotation low_speed_autorotation
                  hovering_autorotation normal_approach steep_approach run_on_landing].freeze
  FAULTS = { 'straight_in_autorotation' => { 'slow_glide' => 13 }, 'turning_autorotation' => { 'late_turn' => 3.0 },
             'normal_approach' => { 'too_steep' => 3.0 }, 'run_on_landing' => { 'too_steep' => 3.0 } }.freeze
  EVERY_S = 1.0
  DRAWN = { 'helicopter' => %w[hover hover_turn hover_taxi lift_off_and_set_down hover_power_take_off normal_approach
                               steep_approach level_speed_change low_rotor_rpm_recovery],
            'gyroplane' => %w[gyro_take_off gyro_landing gyro_slow_flight gyro_vertical_descent] }.freeze

  HELICOPTER.each do |kind|
    define_method("test_what_is_shown_of_a_#{kind}_is_as_it_was") do
      found = { 'clean' => {}, 'a fault' => FAULTS[kind] }.compact.to_h { |name, faults| [name, shown(kind, faults)] }

      assert_empty Kept.differences("live_#{kind}", found)
    end
  end

  # Exercises by lot, meant or not, and a gyroplane's; several are watched for at a time.
  8.times do |lot|
    define_method("test_what_is_shown_of_a_lesson_by_lot_#{lot}") do
      random = Random.new(300 + lot)
      gyroplane = lot > 5
      day = conditions(gyroplane ? 'sorrel-g' : 'tansy-2', wind: Fujin::Wind.parse("#{random.rand(300..359)}/9"))
      drawn = DrawnFlight.new(random, 350.0)
      csv = (gyroplane ? drawn.gyroplane : drawn.helicopter(3)).flight.csv
      exercises = DRAWN.fetch(day.type.kind).shuffle(random: random).map { |kind| exercise(kind, day) }

      assert_empty Kept.differences("live_by_lot_#{lot}", 'shown' => told_of(csv, *exercises))
    end
  end

  private

  # By phase: how often, and the sum of all that was shown.
  def shown(kind, faults)
    flown = flown_by_pilot(kind, faults: faults)
    told_of(flown.csv, exercise(kind, flown.context.conditions))
  end

  def told_of(csv, *exercises)
    told = []
    readings_of(samples_of(csv), *exercises, every_s: EVERY_S) do |reading, monitor, watched|
      told << [reading, monitor.doubts, watched&.so_far] if (reading.t_s % EVERY_S).abs < 1e-6
    end
    Kept.sums(told.group_by { |reading,| reading.phase || 'none' })
  end

  def exercise(kind, day)
    context = Fujin::Lessons.context(conditions: day, stage: 'solo', planned: true, exercise: kind, spot: SPOT,
                                     course_deg: 350.0)
    Fujin::Lessons::Exercise.new(id: kind, context: context)
  end
end
