# frozen_string_literal: true

require_relative 'test_helper'

# What must hold of the moving model whatever the type.
class FlightModelTest < Minitest::Test
  CALM = ->(_height, _time) { [0.0, 0.0] }

  def model(id = 'tansy-2', **start)
    found = type(id)
    Fujin::Flight::Model.new(type: found, mass_kg: found.mass_kg('dual'), atmosphere: Fujin::Atmosphere.new, wind: CALM)
      .start(height_m: 300.0, speed_kt: 60.0, course_rad: 0.0, **start)
  end

  def pilot_for(model, **options)
    task =
      Fujin::Manoeuvres::Autorotation::PilotTask.build(
        type: model.type,
        course_deg: 0,
        entry_speed_kt: 60.0,
        entry_height_ft: 984.0,
        glide_speed_kt: 60.0,
        target_rotor_pct: 100.0,
        flare_height_ft: model.type.flare_height_ft,
        closure_s: 3.0,
        **options
      )
    Fujin::Manoeuvres::Autorotation::Pilot.new(task, model)
  end

  # In its own wash a rotor lifts less, and so needs more loading for the same thrust.
  def test_the_loading_for_a_thrust_gives_that_thrust
    rotor = trim('tansy-2').rotor
    omega = rotor.normal_speed
    loadings = [0.0, 0.4, 1.0].map { |ring| [ring, rotor.loading(6000.0, omega, ring)] }

    loadings.each { |ring, loading| assert_in_delta 6000.0, rotor.thrust(loading, omega, ring), 1e-6 }
    loadings.map(&:last).each_cons(2) { |less, more| assert_operator less, :<, more }
  end

  %w[tansy-2 bracken-2 yarrow-4].each do |id|
    define_method("test_energy_is_accounted_for_by_#{id}") do
      aircraft = model(id)
      pilot = pilot_for(aircraft)
      1500.times { aircraft.step(pilot.fly(0.02)) }

      refute aircraft.on_ground
      assert_operator aircraft.energy_residual.abs, :<, 0.001
    end
  end

  def test_level_flight_stays_level
    aircraft = model
    pilot = pilot_for(aircraft)
    140.times { aircraft.step(pilot.fly(0.02)) }

    assert_in_delta 300.0, aircraft.position[2], 0.5
    assert_in_delta 100.0, aircraft.rotor_pct, 0.3
  end

  def test_halving_the_step_moves_contact_by_less_than_half_a_metre_and_rotor_by_less_than_a_fifth_of_a_point
    # The same hands for both: recorded from one flight, replayed with one and with two steps to each movement.
    hands = []
    aircraft = model
    pilot = pilot_for(aircraft, ending: :touchdown)
    until aircraft.contact
      hands << pilot.fly(0.02)
      aircraft.step(hands.last)
    end
    full, half = [1, 2].map do |substeps|
      aircraft = model
      hands.each { |controls| substeps.times { aircraft.step(controls, 0.02 / substeps) unless aircraft.contact } }
      aircraft.step(hands.last) until aircraft.contact
      aircraft.contact
    end

    assert_in_delta full[:position][0], half[:position][0], 0.5
    assert_in_delta full[:rotor_pct], half[:rotor_pct], 0.2
  end

  # Within the step in which the ground is met, the velocity is the one of that moment: dropped with the collective
  # down, the sink grows by up to 0.15 m/s in a step of 0.02 s.
  def test_the_sink_at_contact_does_not_hang_on_where_the_step_ends
    [1.0, 1.03, 2.03, 2.06].each do |height_m|
      rough, fine = [0.02, 0.001].map do |dt|
        aircraft = Fujin::Flight::Model.on(conditions)
        aircraft.start(height_m: height_m, speed_kt: 0.0, course_rad: 0.0)
        dropped = Fujin::Flight::Controls.new(0.0, 0.0, aircraft.rotor.collective_min, 0.0, 0.0, false)
        aircraft.step(dropped, dt) until aircraft.contact
        aircraft.contact[:sink_m_s]
      end

      assert_operator rough, :>, 1.5
      assert_in_delta fine, rough, 0.003, height_m
    end
  end

  # Nor does the place: at 40 kt a step of 0.02 s is four tenths of a metre.
  def test_the_place_of_contact_does_not_hang_on_where_the_step_ends
    rough, fine = [0.02, 0.001].map do |dt|
      aircraft = Fujin::Flight::Model.on(conditions)
      aircraft.start(height_m: 1.03, speed_kt: 40.0, course_rad: 0.8)
      aircraft.step(Fujin::Flight::Controls.new(0.0, 0.0, aircraft.rotor.collective_min, 0.0, 0.0, false), dt) until
        aircraft.contact
      aircraft.contact
    end

    rough[:position].zip(fine[:position]) { |one, other| assert_in_delta other, one, 0.03 }
    assert_operator rough[:position][1], :>, 3.0
    assert_in_delta fine[:time_s], rough[:time_s], 0.002
  end

  def test_a_closed_throttle_swings_the_nose_left_or_right_by_rotor_direction
    { 'tansy-2' => :negative?, 'bracken-2' => :positive? }.each do |id, side|
      aircraft = model(id)
      still =
        Fujin::Flight::Controls.new(aircraft.disc_pitch, 0.0, aircraft.collective, aircraft.torque_share, 0.0, false)
      50.times { aircraft.step(still) }

      assert_predicate aircraft.heading, side, id
    end
  end

  def test_a_steady_wind_moves_the_flight_over_the_ground_and_changes_nothing_else
    runs =
      %w[0/0 0/12].map do |wind|
        Fujin::Manoeuvres::Autorotation::WholeFlight.new(
          conditions(wind: Fujin::Wind.parse(wind), people: 'dual'),
          height_ft: 700.0,
          course_deg: 0.0
        ).run
      end
    lowest = runs.map { |run| run.column(:rotor_pct).min }

    assert_in_delta lowest[0], lowest[1], 0.3
  end

  def test_lighter_means_less_rotor_rpm_on_the_stop_and_hot_and_high_means_more
    floor = ->(people, air) { trim('tansy-2', people, air).floor_rotor_rpm_pct(63) }

    assert_operator floor.call('solo', Fujin::Atmosphere.new), :<, floor.call('dual', Fujin::Atmosphere.new)
    assert_operator floor.call('dual', HOT), :>, floor.call('dual', Fujin::Atmosphere.new)
  end

  def test_hover_induced_velocity_is_the_closed_form
    rotor = trim('bracken-2').rotor
    thrust = 6000.0

    assert_in_delta Math.sqrt(thrust / (2 * 1.225 * rotor.area)), rotor.steady_inflow(0.0, 0.0, thrust), 1e-6
  end

  # With nothing carried the air that was drawn down stands again, a tenth of a second's worth at a time.
  def test_the_inflow_dies_out_without_thrust
    rotor = trim('bracken-2').rotor

    assert_in_delta(-60.0, rotor.inflow_rate(300.0, 0.0, 0.0, 0.0, 0.5, 6.0), 1e-9)
    assert_operator rotor.inflow_rate(300.0, 0.0, 0.0, 0.0, 1.5, 6.0), :>, -60.0
  end

  def test_stalled_blades_are_outside_the_model
    assert_raises(Fujin::OutsideModel) { trim('tansy-2').at(60, 0.0, rotor_pct: 60.0) }
  end

  def test_a_clean_pilot_recovers_to_a_hover_and_a_touchdown_is_gentle
    hover = fly.run
    land = fly(ending: 'touchdown').run

    assert_nil hover.contact
    assert_in_delta 4.0, hover.rows.last.height_m / Q::FT, 0.7
    assert_operator land.contact[:sink_m_s] / Q::FPM, :<, 260
  end

  def test_a_fault_that_the_pilot_does_not_know_is_refused_by_name
    error =
      assert_raises(Fujin::InvalidInput) do
        Fujin::Manoeuvres::Autorotation::WholeFlight.new(conditions, faults: { 'sneezed' => 1.0 })
      end

    assert_includes error.message, 'fault.sneezed'
  end

  def test_the_same_seed_records_the_same_file_and_another_seed_another
    run = fly.run
    files = [7, 7, 8].map { |seed| Fujin::Flight::Recorder.new(type: type, origin: SPOT, seed: seed).csv(run) }

    assert_equal files[0], files[1]
    refute_equal files[0], files[2]
  end
end
