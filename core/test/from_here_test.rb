# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# Too close, too far: what reaches the spot from a height and a distance, against plans that fly each way whole.
class FromHereTest < Minitest::Test
  include PlanHelp

  def straight_in(height: 2500.0, wind: '350/10', **settings)
    Fujin::Manoeuvres::Autorotation::StraightInPlan.new(
      conditions('tansy-2', wind: Fujin::Wind.parse(wind)), Fujin::Planning::HouseMethod.new,
      course_deg: 350.0, height_ft: height, stage: 'test', settings: settings.transform_keys(&:to_s)
    )
  end

  def distance(**settings) = straight_in(**settings).numbers.fetch('entry_distance_ft').value
  def ways(feet, **rest) = straight_in(**rest).from_here(feet)
  def way(id, feet, **rest) = ways(feet, **rest).find { |one| one.id == id }

  # As it is planned: the house glide, even odds and better by what is allowed beside the spot.
  def test_at_the_planned_distance
    plan = straight_in
    entry = plan.numbers.fetch('entry_distance_ft')
    allowed = 125.0
    spread = (entry.high - entry.low) / 2.0 / 1.645
    by_hand = Math.erf(allowed / spread / Math.sqrt(2.0))

    assert_in_delta by_hand, plan.from_here(entry.value).find { |one| one.id == 'glide' }.chance, 0.01
  end

  # Too far: as many seconds level as the ground speed at entry takes for what is beyond. 78 kt in 10 kt of wind are
  # 114.8 ft/s.
  def test_a_delay_by_hand
    found = way('delay', distance + 1148.0)

    assert_in_delta 10.0, found.amount, 0.1
    assert_includes 0.98..1.0, found.chance
    assert_includes found.text, '10 s more before the power comes off'
  end

  # All of it slow, or stretched, ends where the plan of that option ends, within 3 %: an option's own entry is a little
  # longer or shorter. Half of it ends half way.
  def test_slow_and_stretched_end_where_their_plans_do
    %w[slow stretch].each do |option|
      ends = straight_in.send(:spot_options).ahead_m(option) / 0.3048

      assert_in_delta 1.0, ends / distance(spot_option: option), 0.03, option
      assert_in_delta 100.0, way(option, ends).amount, 0.1, option
      assert_in_delta 50.0, way(option, (ends + distance) / 2.0).amount, 0.5, option
      assert_in_delta 0.0, way(option, distance).amount, 0.1, option
    end
  end

  # An S-turn ends where the plan of one begins, within 2 %; the least one that is said is the one that ends there.
  def test_the_least_s_turn_is_that_of_its_plan
    [25.0, 40.0].each do |deg|
      planned = Fujin::Catalogue.find('s_turn_autorotation').plan(
        conditions('tansy-2', wind: Fujin::Wind.parse('350/10')), Fujin::Planning::HouseMethod.new,
        course_deg: 350.0, height_ft: 2500.0, stage: 'test', settings: { 'turn_deg' => deg }
      ).value('entry_distance_ft')

      ends = straight_in.send(:spot_options).ahead_m(turns_deg: [deg, -2.0 * deg, deg]) / 0.3048

      assert_in_delta 1.0, ends / planned, 0.02
      assert_in_delta deg, way('s_turn_1', ends).amount, 0.6
    end
  end

  # Closer and closer: one S-turn, more of them, at last a circle; beyond everything, another spot.
  def test_closer_and_closer
    far = distance
    least = [600.0, 1800.0].map { |closer| ways(far - closer).map(&:id) }

    assert_includes least[0], 's_turn_1'
    refute_includes least[1], 's_turn_1'
    assert_includes least[1], 's_turn_2'
    circle = straight_in.send(:spot_options).ahead_m(turns_deg: [360.0]) / 0.3048

    assert_includes ways(circle).map(&:id), 'circle'
    assert_empty ways(far + 30_000.0) - [way('delay', far + 30_000.0)]
    assert_empty ways(300.0)
    # Without height for any turn there is none.
    assert_empty(ways(1500.0, height: 800.0).select { |one| one.id.start_with?('circle') })
  end

  # The likelier, the further the spot lies inside what a way reaches.
  def test_chances_fall_off_towards_the_edges
    edge = distance(spot_option: 'slow')
    chances = [edge - 400.0, edge, edge + 300.0].map { |feet| way('slow', feet)&.chance || 0.0 }

    assert_equal chances.sort, chances
    assert_in_delta 0.65, chances[1], 0.15
  end
end
