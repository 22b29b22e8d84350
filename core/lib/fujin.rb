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
    errors value kept quantities roots atmosphere wind geodesy sun
    aircraft/schema aircraft/type aircraft/tail_rotor aircraft/library
    flight/rotor flight/engine flight/running_engine flight/propeller flight/steady_trim flight/gyro_trim flight/gyro_take_off
    flight/energy_account flight/landing_gear flight/model
    flight/pilot_faults flight/pilot_task flight/piloting flight/pilot flight/approach_pilot flight/hovering_pilot flight/run flight/rotor_decay flight/recorder
    flight/wind_field flight/autorotation_turn flight/banked_turn flight/speed_recovery flight/hovering_autorotation
    planning/conditions planning/house_method planning/settings planning/plan planning/energy_ledger planning/number_reasons planning/performance planning/limits_map
    planning/day_numbers planning/cautions planning/solo_dual planning/type_curves planning/manoeuvre_plan planning/flown_segments planning/reachable_area
    planning/spot_options planning/planned_path planning/turn_sequence planning/turn_route planning/autorotation_numbers planning/autorotation_plan
    planning/straight_in_plan planning/turning_plan planning/s_turn_plan planning/spread planning/option_route planning/dispersion planning/dispersion_field
    planning/low_speed_plan planning/hovering_autorotation_plan
    planning/low_rotor_rpm_plan planning/energy_drill_plan planning/approach_plan planning/run_on_plan planning/departure_plan
    planning/circuit_plan planning/ground_reference_plan planning/hover_plan planning/gyro_take_off_plan planning/gyro_plan
    planning/gyro_landing_plan planning/gyro_slow_flight_plan planning/gyro_vertical_descent_plan planning/gyro_balked_landing_plan
    recordings/channels recordings/gaps recordings/smoothing recordings/headings recordings/csv_reader
    recordings/sample_log recordings/nmea recordings/gpx_reader recordings/igc_reader recordings/packed recordings/plausibility recordings/formats
    recordings/signals recordings/power_card
    grading/attempt grading/measure grading/standard grading/closures grading/contact grading/context grading/about_spot grading/stretches grading/descents grading/turns
    grading/energy_drill grading/autorotation_finder
    grading/hovering_autorotation_finder grading/low_rotor_rpm_finder grading/approach_finder grading/take_off_finder
    grading/lift_off_finder grading/hover_finder
    grading/effects_of_controls_finder grading/gyro_finder grading/turn_about_a_point_finder grading/planned_figure grading/rectangle_finder grading/turns_across_a_line_finder
    grading/level_speed_change_finder grading/circuit_finder
    grading/measuring grading/engine_power grading/power_pull grading/set_up grading/touchdown grading/turn_measures grading/autorotation_measures grading/low_speed_measures
    grading/approach_measures grading/run_on_measures grading/hover_measures grading/take_off_measures grading/low_rotor_rpm_measures grading/hovering_autorotation_measures
    grading/gyro_take_off_measures grading/gyro_landing_measures grading/gyro_flight_measures grading/level_speed_change_measures grading/circuit_measures
    grading/energy_drill_measures grading/turn_about_a_point_measures grading/rectangle_measures grading/turns_across_a_line_measures
    grading/limits_passed grading/fault_finding grading/big_check grading/contact_faults
    grading/autorotation_faults grading/approach_faults grading/run_on_faults grading/hover_faults grading/take_off_faults grading/low_rotor_rpm_faults
    grading/hovering_autorotation_faults
    grading/gyro_take_off_faults grading/gyro_landing_faults grading/gyro_flight_faults grading/balked_landing_faults grading/figure_faults grading/circuit_faults
    grading/energy_drill_faults
    grading/flown_turn grading/knobs grading/grader grading/recut grading/part_task
    live/nmea_stream live/monitor
    manoeuvres/declaration manoeuvres/autorotation_parts flight/approach_flight flight/hovering_flight flight/low_speed_flight
    flight/autorotation_flight flight/flights_joined flight/lesson grading/one_change progress/readiness progress/agreement progress/teaching
  ].freeze

  # In teaching order.
  MANOEUVRES = %w[
    effects_of_controls lift_off_and_set_down hover hover_turn level_speed_change hover_power_take_off circuit normal_approach
    rectangle turns_across_a_line turn_about_a_point steep_approach run_on_landing maximum_performance_take_off
    low_rotor_rpm_recovery hovering_autorotation straight_in_autorotation turning_autorotation s_turn_autorotation
    low_speed_autorotation energy_drill gyro_take_off gyro_landing gyro_slow_flight gyro_vertical_descent gyro_balked_landing
  ].freeze
  (CONTENTS + MANOEUVRES.map { |id| "manoeuvres/#{id}" }).each { |file| require File.join(ROOT, file) }
end
