# frozen_string_literal: true

require_relative 'test_helper'

# Where a planned path asks for more care, against the exposure that is reckoned otherwise and against hand arithmetic.
class WatchedStretchesTest < Minitest::Test
  P = Fujin::Planning

  def day(kind: 'tansy-2', wind: '350/10') =
    P::Conditions.build(type: Fujin::Aircraft::Library.find(kind), wind: Fujin::Wind.parse(wind))

  def plan(id, course_deg: 350.0, settings: {}, **fields) =
    Fujin::Catalogue.find(id).plan(day(**fields), P::HouseMethod.new, course_deg: course_deg, settings: settings)

  def watched(id, plan) = plan.watched.select { |stretch| stretch.id == id }

  def test_the_avoid_area_takes_as_long_as_its_number_says
    %w[maximum_performance_take_off steep_approach normal_approach].each do |id|
      planned = plan(id)
      inside = watched('avoid_area', planned)

      assert_in_delta planned.value('avoid_area_s'), inside.sum { |one| one.until_s - one.from_s }, 0.3, id
      assert_match(/\Ain the avoid area: \d+ s\z/, inside.first.words)
    end
    assert_empty watched('avoid_area', plan('hover_power_take_off'))
  end

  # Anticlockwise, air from 210 to 330° or from 120 to 240° of the nose disturbs. On 350° into 350/10 it comes from
  # ahead; 260/14 from 270°, while the ground speed does not yet bring it forward of 330°: tan 30° = 14 / v, 24 kt.
  def test_the_tail_rotor_is_watched_while_the_air_comes_from_a_sector
    across = plan('maximum_performance_take_off', wind: '260/14')
    stretch = watched('tail_rotor', across).first
    last = across.path.reverse.find { |point| point.t_s <= stretch.until_s }

    assert_empty watched('tail_rotor', plan('maximum_performance_take_off'))
    assert_empty watched('tail_rotor', plan('maximum_performance_take_off', wind: '080/14'))
    assert_empty watched('tail_rotor', plan('maximum_performance_take_off', wind: '260/7'))
    assert_in_delta 0.0, stretch.from_s, 0.01
    assert_in_delta 24.2, last.groundspeed_kt, 1.5
  end

  # Bracken's rotor turns the other way: what was ahead of one side is on the other.
  def test_a_clockwise_rotor_has_its_sectors_on_the_right
    refute_empty watched('tail_rotor', plan('maximum_performance_take_off', kind: 'bracken-2', wind: '080/14'))
    assert_empty watched('tail_rotor', plan('maximum_performance_take_off', kind: 'bracken-2', wind: '260/14'))
  end

  # Without power there is no torque for the tail rotor to hold.
  def test_a_glide_is_not_watched_for_its_tail_rotor
    glide = plan('straight_in_autorotation', wind: '260/14')
    recovery = glide.path.find { |point| point.phase == :recovery }

    watched('tail_rotor', glide).each { |one| assert_operator one.from_s, :>=, recovery.t_s }
    assert_empty plan('gyro_landing', kind: 'sorrel-g', wind: '260/14').watched
  end

  def test_the_flap_of_a_roll_is_said_where_it_comes_near_its_limit
    assert_empty watched('flap', plan('gyro_take_off', kind: 'sorrel-g'))
    slow = watched('flap', plan('gyro_take_off', kind: 'sorrel-g', settings: { 'prerotation_pct' => 20.0 })).first

    assert_match(/\Aflap \d of 9° at \d+ kt: \d+ s\z/, slow.words)
  end

  # Along the edge of the region the blades flap their limit; a roll that never comes near it stays outside.
  def test_the_flap_region_lies_where_the_limit_is
    roll = day(kind: 'sorrel-g')
    edge = Fujin::Manoeuvres::Gyroplane::FlapRegion.shape(roll).points[1..-2]

    assert_equal (10..60).step(5).to_a, edge.map(&:first)
    edge.each do |kt, pct|
      assert_in_delta 9.0, Fujin::Manoeuvres::Gyroplane::FlapRegion.flap_deg(roll, kt, pct), 0.05
    end
    assert_equal edge.map(&:last).sort, edge.map(&:last)
  end

  def test_seconds_stand_along_a_take_off_a_round_number_apart
    moments = plan('maximum_performance_take_off').charts.find { |chart| chart.id == 'height_velocity' }.moments

    assert_equal [5.0, 10.0, 15.0, 20.0, 25.0], moments.map(&:last)
    assert_empty(plan('steep_approach').charts.flat_map(&:moments))
  end
end
