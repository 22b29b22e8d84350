# frozen_string_literal: true

# Fujin's core: the job in plain Ruby. No SQL, HTTP, JSON or interface in it.
#
#   aircraft/    types as validated data files
#   flight/      the flight model, a pilot that flies a manoeuvre, a simulated recorder
#   manoeuvres/  one file each: plan, phases, gates, measures, standards, faults, cues
#   planning/    conditions + aircraft + method -> plan
#   recordings/  readers, channels, smoothing, what is missing
#   grading/     attempts -> phases -> measures -> proposed grades -> first fault
#   progress/    levels, readiness, sign-off rules
module Fujin
  ROOT = File.expand_path('fujin', __dir__)
  CONTENTS = %w[
    errors value quantities roots atmosphere wind geodesy
    aircraft/schema aircraft/type aircraft/library
    flight/rotor flight/engine flight/steady_trim flight/model flight/pilot flight/run flight/rotor_decay flight/recorder
    planning/conditions planning/house_method planning/plan planning/flown_segments planning/reachable_area
    planning/planned_path planning/cautions planning/straight_in_numbers planning/straight_in_plan
    recordings/channels recordings/gaps recordings/smoothing recordings/csv_reader recordings/nmea recordings/signals
    grading/attempt grading/measure grading/standard grading/closures grading/contact grading/context
    grading/autorotation_finder grading/autorotation_measures grading/autorotation_faults grading/grader
    manoeuvres/declaration manoeuvres/straight_in_autorotation
    flight/straight_in_flight flight/lesson progress/readiness
  ].freeze
  CONTENTS.each { |file| require File.join(ROOT, file) }
end
