# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'
require_relative '../../test/by_lot'

# What can be reached from an entry, which ways lead to a spot from a height and a distance, and where landings scatter,
# on days drawn by lot.
class KeptReachTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_/)

  A = Fujin::Manoeuvres::Autorotation
  # Of the planned distance: much too close to much too far.
  SHARES = [0.25, 0.6, 0.85, 1.0, 1.1, 1.4].freeze

  Fujin::Aircraft::Library.all.select(&:helicopter?).each do |type|
    define_method("test_what_reaches_the_spot_in_a_#{type.id.tr('-', '_')}") do
      random = Random.new(type.id.sum)
      found = Array.new(5) { |i| ["day #{i}", answers(type, random)] }.to_h

      assert_empty Kept.differences("reach_#{type.id}", found)
    end
  end

  [A::StraightInPlan, A::TurningPlan, A::STurnPlan].each do |planner|
    define_method("test_where_landings_scatter_by_#{planner.name[/\w+\z/]}") do
      random = Random.new(planner.name.sum)
      found = Array.new(3) { |i| ["day #{i}", scattered(planner, random)] }.to_h

      assert_empty Kept.differences("scatter_#{planner.name[/\w+\z/]}", found)
    end
  end

  private

  def scattered(planner, random)
    spread = A::Spread.default.with(miss_along_ft: [nil, random.rand(60.0..300.0)].sample(random: random))
    type = Fujin::Aircraft::Library.all.select(&:helicopter?).sample(random: random)
    field = A::Dispersion.new(day_for(type, random), Fujin::Planning::HouseMethod.new, planner: planner, spread: spread,
                                                                                       course_deg: 350.0)
    field.options.to_h { |option| [option, Kept.sum([field.offset_ft(option), field.places(option, 8)])['=']] }
  end

  def answers(type, random)
    plan = drawn(type, random)
    entry = plan.numbers.fetch('entry_distance_ft').value
    reaches = plan.reaches_from(-entry * random.rand(0.8..1.2), random.rand(-900.0..900.0),
                                course_deg: 350.0 + random.rand(-120.0..120.0))
    parts = { reaches: reaches.map { |one| [one.option, one.speed_kt, one.points, one.to_the_spot?.to_s] },
              **SHARES.to_h { |share| ["from #{share}", plan.from_here(entry * share).map(&:to_h)] } }
    Kept.sums(parts)
  rescue Fujin::Error => e
    { 'refused' => e.message }
  end

  def drawn(type, random) =
    A::StraightInPlan.new(day_for(type, random), Fujin::Planning::HouseMethod.new,
                          course_deg: 350.0, height_ft: random.rand(900.0..3000.0).round(-1), stage: 'test')

  def day_for(type, random)
    speed = random.rand(2..18)
    conditions(type.id, people: %w[solo dual].sample(random: random), oat_c: random.rand(0.0..30.0).round,
                        wind: Fujin::Wind.parse("#{random.rand(290..359)}/#{speed}G#{speed + random.rand(8)}"),
                        elevation_ft: random.rand(0..3000).to_f)
  end
end
