# frozen_string_literal: true

# Fujin's core: the job in plain Ruby. No SQL, HTTP, JSON or interface in it.
#
#   aircraft/    types as validated data files
#   flight/      the flight model, a pilot that flies a manoeuvre, a simulated recorder
#   manoeuvres/  one file each: plan, phases, gates, measures, standards, faults, cues
#   planning/    conditions + aircraft + method -> plan
#   recordings/  readers, channels, smoothing, what is missing
#   grading/     attempts -> phases -> measures -> proposed grades -> first fault
#   live/        samples as they arrive -> phase, bands, the gate's call
#   progress/    levels, readiness, sign-off rules
module Fujin
  ROOT = File.expand_path('fujin', __dir__)
  CONTENTS = %w[
    errors numbers/value numbers/kept numbers/quantities numbers/roots air/atmosphere air/wind air/local_map
    air/sun aircraft/schema aircraft/type aircraft/tail_rotor aircraft/library flight/rotor flight/engine
    flight/running_engine flight/propeller flight/steady_trim flight/gyro_trim manoeuvres/gyroplane/take_off_roll
    flight/energy_account flight/landing_gear flight/model flight/pilot_faults manoeuvres/autorotation/pilot_task
    flight/piloting manoeuvres/autorotation/pilot manoeuvres/approach/pilot manoeuvres/hovering_autorotation/pilot
    flight/run flight/rotor_decay flight/recorder flight/wind_field manoeuvres/autorotation/steady_turn
    manoeuvres/autorotation/banked_turn flight/speed_recovery manoeuvres/hovering_autorotation/cushioned_fall
    planning/conditions planning/house_method planning/settings planning/plan planning/energy_ledger
    planning/number_reasons planning/performance planning/limits_map planning/day_numbers planning/cautions
    planning/solo_dual planning/type_curves planning/manoeuvre_plan manoeuvres/autorotation/flown_segments
    manoeuvres/autorotation/reachable_area manoeuvres/autorotation/spot_options
    manoeuvres/autorotation/planned_path manoeuvres/autorotation/turn_sequence manoeuvres/autorotation/turn_route
    manoeuvres/autorotation/numbers manoeuvres/autorotation/plan manoeuvres/autorotation/straight_in_plan
    manoeuvres/autorotation/turning_plan manoeuvres/autorotation/s_turn_plan manoeuvres/autorotation/spread
    manoeuvres/autorotation/option_route manoeuvres/autorotation/dispersion
    manoeuvres/autorotation/dispersion_field manoeuvres/autorotation/low_speed_plan
    manoeuvres/hovering_autorotation/plan manoeuvres/low_rotor_rpm/plan manoeuvres/autorotation/energy_drill_plan
    manoeuvres/approach/plan manoeuvres/approach/run_on_plan manoeuvres/departure/plan manoeuvres/circuit/plan
    manoeuvres/figures/plan manoeuvres/handling/hover_plan manoeuvres/gyroplane/take_off_plan
    manoeuvres/gyroplane/plan manoeuvres/gyroplane/landing_plan manoeuvres/gyroplane/slow_flight_plan
    manoeuvres/gyroplane/vertical_descent_plan manoeuvres/gyroplane/balked_landing_plan recordings/channels
    recordings/gaps recordings/smoothing recordings/headings recordings/csv_reader recordings/sample_log
    recordings/nmea recordings/gpx_reader recordings/igc_reader recordings/packed recordings/plausibility
    recordings recordings/signals recordings/power_card grading/attempt grading/measure grading/standard
    grading/closures grading/contact grading/context grading/about_spot grading/stretches grading/descents
    grading/turns manoeuvres/autorotation/energy_drill_span manoeuvres/autorotation/finder
    manoeuvres/hovering_autorotation/finder manoeuvres/low_rotor_rpm/finder manoeuvres/approach/finder
    manoeuvres/departure/finder manoeuvres/handling/lift_off_finder manoeuvres/handling/hover_finder
    manoeuvres/handling/effects_of_controls_finder manoeuvres/gyroplane/finder
    manoeuvres/figures/turn_about_a_point_finder manoeuvres/figures/planned_figure
    manoeuvres/figures/rectangle_finder manoeuvres/figures/turns_across_a_line_finder
    manoeuvres/handling/level_speed_change_finder manoeuvres/circuit/finder grading/measuring grading/engine_power
    grading/power_pull grading/set_up grading/touchdown manoeuvres/autorotation/turn_measures
    manoeuvres/autorotation/measures manoeuvres/autorotation/low_speed_measures manoeuvres/approach/measures
    manoeuvres/approach/run_on_measures manoeuvres/handling/hover_measures manoeuvres/departure/measures
    manoeuvres/low_rotor_rpm/measures manoeuvres/hovering_autorotation/measures
    manoeuvres/gyroplane/take_off_measures manoeuvres/gyroplane/landing_measures
    manoeuvres/gyroplane/flight_measures manoeuvres/handling/level_speed_change_measures
    manoeuvres/circuit/measures manoeuvres/autorotation/energy_drill_measures
    manoeuvres/figures/turn_about_a_point_measures manoeuvres/figures/rectangle_measures
    manoeuvres/figures/turns_across_a_line_measures grading/limits_passed grading/fault_finding
    manoeuvres/autorotation/big_check grading/contact_faults manoeuvres/autorotation/faults
    manoeuvres/approach/faults manoeuvres/approach/run_on_faults manoeuvres/handling/hover_faults
    manoeuvres/departure/faults manoeuvres/low_rotor_rpm/faults manoeuvres/hovering_autorotation/faults
    manoeuvres/gyroplane/take_off_faults manoeuvres/gyroplane/landing_faults manoeuvres/gyroplane/flight_faults
    manoeuvres/gyroplane/balked_landing_faults manoeuvres/figures/faults manoeuvres/circuit/faults
    manoeuvres/autorotation/energy_drill_faults manoeuvres/autorotation/flown_turn grading/knobs grading/grader
    grading/recut grading/part_task live/nmea_stream live/monitor catalogue manoeuvres/autorotation/parts
    manoeuvres/approach/whole_flight manoeuvres/hovering_autorotation/whole_flight
    manoeuvres/autorotation/low_speed_flight manoeuvres/autorotation/whole_flight flight/flights_joined
    lessons/flown_lesson grading/one_change progress/readiness progress/agreement progress/teaching
    manoeuvres/handling/effects_of_controls manoeuvres/handling/lift_off_and_set_down manoeuvres/handling/hover
    manoeuvres/handling/hover_turn manoeuvres/handling/level_speed_change manoeuvres/departure/hover_power_take_off
    manoeuvres/circuit/circuit manoeuvres/approach/normal_approach manoeuvres/figures/rectangle
    manoeuvres/figures/turns_across_a_line manoeuvres/figures/turn_about_a_point manoeuvres/approach/steep_approach
    manoeuvres/approach/run_on_landing manoeuvres/departure/maximum_performance_take_off
    manoeuvres/low_rotor_rpm/low_rotor_rpm_recovery manoeuvres/hovering_autorotation/hovering_autorotation
    manoeuvres/autorotation/straight_in_autorotation manoeuvres/autorotation/turning_autorotation
    manoeuvres/autorotation/s_turn_autorotation manoeuvres/autorotation/low_speed_autorotation
    manoeuvres/autorotation/energy_drill manoeuvres/gyroplane/gyro_take_off manoeuvres/gyroplane/gyro_landing
    manoeuvres/gyroplane/gyro_slow_flight manoeuvres/gyroplane/gyro_vertical_descent
    manoeuvres/gyroplane/gyro_balked_landing
  ].freeze
  CONTENTS.each { |file| require File.join(ROOT, file) }
end
