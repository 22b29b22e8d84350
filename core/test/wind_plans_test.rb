# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# Plans with the wind from every side: entry points by the time that the wind has, and flown whole.
class WindPlansTest < Minitest::Test
  extend ByLot

  by_lot(/_ends_at_its_spot_in_every_wind\z/)

  A = Fujin::Manoeuvres::Autorotation
  PLANS = { 'straight_in_autorotation' => A::StraightInPlan, 'turning_autorotation' => A::TurningPlan,
            's_turn_autorotation' => A::STurnPlan }.freeze

  def plan(kind, wind, id: 'tansy-2', house: {}, settings: {}, **day)
    Fujin::Catalogue.find(kind).plan(
      conditions(id, wind: Fujin::Wind.parse(wind), **day),
      Fujin::Planning::HouseMethod.new(house),
      course_deg: 0.0,
      settings: settings
    )
  end

  def entry_ft(wind, **more) = plan('straight_in_autorotation', wind, **more).numbers['entry_distance_ft'].value

  # Where a flight of the plan stands still over the ground, ft along and across from the spot.
  def miss_ft(kind, wind, id: 'tansy-2', settings: {}, **day)
    run = flown(kind, wind, id: id, settings: settings, **day)
    row = run.rows.find { |r| %i[flare recovery].include?(r.phase) && Math.hypot(r.v_north, r.v_east) < 0.8 }
    [row.north_m / Q::FT, row.east_m / Q::FT]
  end

  def flown(kind, wind, id: 'tansy-2', settings: {}, **day)
    A::WholeFlight.new(
      conditions(id, wind: Fujin::Wind.parse(wind), **day),
      plan: PLANS.fetch(kind),
      course_deg: 0.0,
      settings: settings
    ).run
  end

  # In a wind along the line the same flight through the air takes the same time: the entry moves by wind times time,
  # whichever side the wind is on. The hand's figure is 78 s of it: 132 ft a knot less what the end, flown by the
  # ground, takes back.
  def test_a_tailwind_moves_the_entry_out_as_a_headwind_moves_it_in
    calm = entry_ft('000/0')
    [2, 5, 10].each do |kt|
      out = entry_ft(format('180/%02d', kt)) - calm
      nearer = calm - entry_ft(format('000/%02d', kt))

      assert_within nearer, out, 9, "#{kt} kt"
    end
    assert_in_delta 5590, entry_ft('180/5'), 60
  end

  # A fixed strip on an ordinary crosswind day: 110/10 has 3.4 kt from behind.
  def test_a_crosswind_from_behind_the_beam_is_a_small_tailwind
    abeam = entry_ft('090/10')
    behind = entry_ft('110/10')

    assert_within (entry_ft('000/0') - entry_ft('000/10')) * 0.342, behind - abeam, 12
  end

  PLANS.each_key do |kind|
    define_method("test_a_clean_#{kind}_ends_at_its_spot_in_every_wind") do
      { '000/0' => 60, '000/18' => 60, '180/5' => 65, '110/10' => 90, '270/15' => 90 }.each do |wind, within_ft|
        along, across = miss_ft(kind, wind)

        assert_in_delta 0.0, along, within_ft, "#{kind} #{wind} along"
        assert_in_delta 0.0, across, 25, "#{kind} #{wind} across"
      end
    end
  end

  def test_a_path_ends_hovering_at_the_house_height_over_the_ground_in_any_wind
    ['180/10', '000/0', '000/35', '110/10'].each do |wind|
      last = plan('straight_in_autorotation', wind, house: { 'hover_height_ft' => 5 }).path.last

      assert_in_delta 5.0, last.height_ft, 1.5, wind
      assert_in_delta 0.0, last.groundspeed_kt, 2.0, wind
      assert_in_delta 0.0, last.sink_fpm, 90, wind
    end
  end

  def test_from_five_knots_behind_an_autorotation_is_over_its_limit
    level = ->(kind, wind, id = 'tansy-2') do
      plan(kind, wind, id: id).cautions.find { |caution| caution.id == 'tailwind' }&.level
    end

    assert_equal 'limit', level.call('straight_in_autorotation', '180/5')
    assert_equal 'caution', level.call('straight_in_autorotation', '180/4.9')
    assert_nil level.call('straight_in_autorotation', '180/0.9')
    assert_equal 'limit', level.call('gyro_take_off', '180/15', 'sorrel-g')
    assert_equal 'limit', level.call('hovering_autorotation', '180/5')
    assert_equal 'caution', level.call('hover', '180/9')
    assert_nil level.call('turn_about_a_point', '180/9')
  end

  def test_the_turn_is_part_of_the_entry_unless_the_house_waits
    along = ->(house) do
      Fujin::Catalogue.find('turning_autorotation').plan(
        conditions(wind: Fujin::Wind.parse('000/8')), Fujin::Planning::HouseMethod.new(house),
        course_deg: 0.0, height_ft: 1200.0
      ).numbers
    end
    with = along.call({})
    waits = along.call('turn_entry' => 'established', 'turn_established_s' => 12)

    assert_in_delta 2.0, with['turn_delay_s'].value, 1e-9
    assert_in_delta 12.0, waits['turn_delay_s'].value, 1e-9
    # Ten seconds more down wind, at glide sink: some 250 ft of height, some 1,200 ft over the ground.
    assert_operator with['turn_start_height_ft'].value - waits['turn_start_height_ft'].value, :>, 200
    assert_operator waits['lowest_entry_height_ft'].value, :>, with['lowest_entry_height_ft'].value + 150
  end

  # Four times round at five degrees of bank would take half an hour and eighty thousand feet: refused, not flown.
  def test_turns_without_end_are_refused_with_what_to_do
    error = assert_raises(Fujin::OutsideModel, Fujin::InvalidInput) do
      plan('s_turn_autorotation', '000/8', settings: { 'turn_deg' => 720, 'bank_deg' => 5 })
    end

    assert_match(/2880° of turns at 5° of bank take more than 400 s: turn less, or bank more/, error.message)
  end

  # The solo widths of the standard are 7 kt, 4 points and 25 %; early 10 kt, 6 and 30, the rotor inside its band.
  def test_the_gate_is_held_to_the_stage
    bands = ->(stage, kind) do
      Fujin::Catalogue.find(kind).plan(conditions, Fujin::Planning::HouseMethod.new, stage: stage)
        .gates.find { |gate| gate.id == 'gate' }.measures
    end
    %w[straight_in_autorotation turning_autorotation].each do |kind|
      { 'early' => [10, 6, 0.30], 'solo' => [7, 4, 0.25],
        'instructor' => [4, 3, 0.15] }.each do |stage, (kt, pct, share)|
        found = bands.call(stage, kind)
        sink = found['gate_sink_fpm']

        assert_in_delta 63 + kt, found['gate_ias_kt'][:high], 1e-6, "#{kind} #{stage}"
        assert_in_delta 100 - pct, found['gate_rotor_rpm_pct'][:low], 1e-6, "#{kind} #{stage}"
        assert_in_delta share, (sink[:high] / sink[:target]) - 1.0, 1e-6, "#{kind} #{stage}"
      end
    end
  end

  # Above the wind's share: best range over the ground wants more speed the stronger the wind, the limit does not care.
  def test_nothing_is_planned_over_the_power_off_never_exceed_speed
    days = [{}, { elevation_ft: 5000.0, oat_c: 25.0 }, { elevation_ft: 7000.0, oat_c: 30.0 }]
    %w[tansy-2 bracken-2 yarrow-4].product(%w[000/0 000/25 000/35], days).each do |id, wind, day|
      found = plan('straight_in_autorotation', wind, id: id, **day)
      limit = found.numbers['never_exceed_power_off_kt'].value
      speeds = found.path.map(&:ias_kt) + found.reaches.map(&:speed_kt) + [found.numbers['best_glide_speed_kt'].value]

      assert_operator speeds.max, :<=, limit - 4.0, [id, wind, day].inspect
    end
    %w[energy_drill low_speed_autorotation].each do |kind|
      day = { elevation_ft: 8000.0, oat_c: 30.0 }
      limit = plan('straight_in_autorotation', '000/0', **day).numbers['never_exceed_power_off_kt'].value
      found = plan(kind, '000/0', house: { 'glide_speed' => 'fast' }, **day)

      assert_operator found.path.map(&:ias_kt).max, :<=, limit - 4.0, kind
    end
    said = plan('straight_in_autorotation', '000/0', id: 'bracken-2', elevation_ft: 7000.0, oat_c: 30.0).cautions

    # The file's 92 kt less the density altitude's share: 92·√(ρ/ρ₀).
    assert(said.any? { |caution| caution.id == 'never_exceed' && caution.text.include?('entry at') })
  end

  { 'stretch' => 160, 'slow' => 90 }.each do |option, within_ft|
    define_method("test_#{option}_has_the_house_speed_and_rotor_back_at_the_gate") do
      settings = { 'spot_option' => option }
      %w[tansy-2 yarrow-4].each do |id|
        found = plan('straight_in_autorotation', '000/10', id: id, settings: settings)
        usual = plan('straight_in_autorotation', '000/10', id: id)
        gate = found.gates.find { |g| g.id == 'gate' }
        run = flown('straight_in_autorotation', '000/10', id: id, settings: settings)
        row = run.rows.find { |r| r.phase != :setup && r.height_m < gate.height_ft * Q::FT }

        assert_in_delta usual.numbers['glide_speed_kt'].value, gate.measures['gate_ias_kt'][:target], 1e-6
        assert_in_delta gate.measures['gate_ias_kt'][:target], row.air_speed / Q::KT, 5, id
        assert_in_delta gate.measures['gate_rotor_rpm_pct'][:target], row.rotor_pct, 4, id
        assert_in_delta 0.0, miss_ft('straight_in_autorotation', '000/10', id: id, settings: settings)[0], within_ft, id
      end
    end
  end

  # Half the wind's speed away from the house's there is nothing left to win back before the gate: the height says so.
  def test_a_slow_glide_too_low_to_win_the_speed_back_is_refused
    error =
      assert_raises(Fujin::InvalidInput, Fujin::OutsideModel) do
        Fujin::Catalogue.find('straight_in_autorotation').plan(
          conditions,
          Fujin::Planning::HouseMethod.new,
          course_deg: 0.0,
          height_ft: 350.0,
          settings: { 'spot_option' => 'slow' }
        )
      end

    assert_match(/height/, error.message)
  end

  def test_an_option_that_stalls_is_left_out_and_the_plan_stays
    %w[straight_in_autorotation turning_autorotation s_turn_autorotation].each do |kind|
      found = plan(kind, '000/8', elevation_ft: 7000.0, oat_c: 35.0)
      note = found.cautions.find { |caution| caution.id == 'left_out_stretch' }

      refute_includes found.reaches.map(&:option), 'stretch'
      assert_match(/stretched glide.*stalled at \d+ kt, \d+ % rotor rpm/, note.text)
    end
  end

  # What is drawn is what is flown: the same pilot, from a glide that has settled.
  def test_the_peak_of_the_flare_is_the_flown_one_and_over_the_band_it_is_said
    [['tansy-2', {}], ['tansy-2', { elevation_ft: 4000.0, oat_c: 22.0 }], ['yarrow-4', {}]].each do |id, day|
      found = plan('straight_in_autorotation', '000/8', id: id, **day)
      peak = found.numbers['flare_rotor_rpm_peak_pct'].value
      run = flown('straight_in_autorotation', '000/8', id: id, **day)
      said = found.cautions.find { |caution| caution.id == 'flare_rpm' }

      assert_in_delta run.rows.select { |r| r.phase == :flare }.map(&:rotor_pct).max, peak, 0.6, id
      assert_operator peak, :<, type(id).absolute_rotor_rpm[1]
      assert_equal peak > type(id).power_off_band[1], !said.nil?
    end
  end

  def test_a_planned_entry_under_the_band_says_by_how_much
    said = plan('straight_in_autorotation', '000/8', house: { 'collective_hand' => 'friction' }).cautions
    caution = said.find { |c| c.id == 'entry_rpm' }

    assert_match(/takes rotor rpm to 8\d\.\d %, \d\.\d points under the band's 91 %/, caution.text)
  end

  # Another flight model's rolls: 711, 823 and 937 ft with 5, 10 and 15 kt behind, 612 in calm.
  def test_a_tailwind_lengthens_a_gyroplanes_roll
    { '000/0' => 612, '180/5' => 711, '180/10' => 823, '180/15' => 937 }.each do |wind, feet|
      assert_within feet, plan('gyro_take_off', wind, id: 'sorrel-g').numbers['roll_ft'].value, 2, wind
    end
  end

  # A hover with ten knots behind flies backwards through the air by as much: it has to be stopped and turned into
  # speed before there is any translational lift, so the way over an obstacle grows by more than the wind carries.
  def test_a_take_off_downwind_begins_standing_and_needs_more_ground
    %w[hover_power_take_off maximum_performance_take_off].each do |kind|
      calm, ahead, behind = %w[000/0 000/10 180/10].map { |wind| plan(kind, wind) }
      first = behind.path.first(2)

      assert_operator first[1].groundspeed_kt, :<, 1.0, kind
      assert_in_delta 0.0, first[1].along_ft, 0.3, kind
      assert_operator behind.numbers['etl_distance_ft'].value, :>, 2.0 * calm.numbers['etl_distance_ft'].value, kind
      assert_operator ahead.numbers['etl_distance_ft'].value, :<, calm.numbers['etl_distance_ft'].value, kind
    end
  end

  # From lift-off at 44 kt to the climb at 50: the speed is worth (V₂² - V₁²)/2g of height, which full power's climb
  # takes its time for; then fifty feet at that climb. By hand, the roll beside it.
  def test_the_way_over_fifty_feet_pays_for_the_speed_first
    numbers = plan('gyro_take_off', '000/0', id: 'sorrel-g').numbers
    from, to = [numbers['lift_off_ias_kt'].value, 50.0].map { |kt| kt * Q::KT }
    climb = numbers['climb_fpm'].value * Q::FPM
    speeding = (((to**2) - (from**2)) / (2.0 * Q::G) / climb) * (from + to) / 2.0
    climbing = (50.0 * Q::FT / climb) * to

    assert_within numbers['roll_ft'].value + ((speeding + climbing) / Q::FT),
                  numbers['obstacle_distance_ft'].value, 4
    assert_nil plan('gyro_take_off', '000/60', id: 'sorrel-g').numbers['obstacle_distance_ft'].value
  end

  # Lift goes with the square of the speed: a mass a fifth less touches down at √0.8 of it.
  def test_a_gyroplane_touches_down_slower_when_it_is_lighter
    kt = ->(kg) do
      Fujin::Catalogue.find('gyro_landing').plan(conditions('sorrel-g', mass_kg: kg), Fujin::Planning::HouseMethod.new)
        .numbers['touchdown_ias_kt'].value
    end

    assert_in_delta 28.0, kt.call(400.0), 0.01
    assert_in_delta 28.0 * Math.sqrt(0.8), kt.call(320.0), 0.01
  end

  def test_the_first_landings_have_the_power_that_the_house_begins_with
    share = ->(stage, first) do
      Fujin::Catalogue.find('gyro_landing').plan(
        conditions('sorrel-g'), Fujin::Planning::HouseMethod.new('gyro_landings' => first), stage: stage
      ).numbers['power_share_pct'].value
    end

    assert_equal([45.0, 30.0, 0.0, 0.0], %w[early solo test instructor].map { |s| share.call(s, 'power_first') })
    assert_equal([0.0, 0.0], %w[early solo].map { |s| share.call(s, 'power_off_early') })
  end
end
