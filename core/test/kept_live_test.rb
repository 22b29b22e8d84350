# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'
require_relative 'followed'
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

  HELICOPTER.each do |kind|
    define_method("test_what_is_shown_of_a_#{kind}_is_as_it_was") do
      found = { 'clean' => {}, 'a fault' => FAULTS[kind] }.compact.to_h { |name, faults| [name, shown(kind, faults)] }

      assert_empty Kept.differences("live_#{kind}", found)
    end
  end

  private

  # By phase: how often, and the sum of all that was shown.
  def shown(kind, faults)
    flown = flown_by_pilot(kind, faults: faults)
    told = []
    readings_of(samples_of(flown.csv), exercise(kind, flown.context), every_s: EVERY_S) do |reading, monitor, watched|
      told << [reading, monitor.doubts, watched&.so_far] if (reading.t_s % EVERY_S).abs < 1e-6
    end
    told.group_by { |reading,| reading.phase || 'none' }
      .flat_map { |phase, some| Kept.sum(some).map { |key, value| ["#{phase} #{key}", value] } }.to_h
  end

  def exercise(kind, flown)
    context = Fujin::Lessons.context(conditions: flown.conditions, stage: 'solo', planned: true, exercise: kind,
                                     spot: SPOT, course_deg: 350.0)
    Fujin::Lessons::Exercise.new(id: kind, context: context)
  end
end
