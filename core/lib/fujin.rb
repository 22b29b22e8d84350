# frozen_string_literal: true

require 'zeitwerk'
require_relative 'fujin/errors'

# Fujin's core: the job in plain Ruby. No SQL, HTTP, JSON or interface in it.
# A folder uses those above it in this list, never those below.
#
#   language/    what a person reads, in their language
#   numbers/     values, quantities, roots
#   air/         atmosphere, wind, sun, places
#   glossary/    what every number is called, its unit and digits
#   catalogue    the registry and what a declaration is
#   aircraft/    types as validated data files
#   flight/      the flight model, what every pilot shares, a simulated recorder
#   recordings/  readers, channels, smoothing, what is missing
#   planning/    what every plan shares: conditions, house method, numbers, cautions
#   grading/     what every grader shares: measuring, standards, faults, one change
#   sites/       a survey as geometry: file, room, corridors, angles, lee, light, what is open
#   manoeuvres/  a folder a family: declarations, plans, pilots, finders, measures, faults, standards
#   lessons/     what was flown, with the whole catalogue behind it
#   truth/       flights of known truth, recorded badly and graded: how far the grading can be trusted
#   progress/    levels, readiness, agreement
#   bookings/    documents with dates, duty, daylight, minima: what stands against a booking
#   logbook/     flight time: proposed, added up, by night, current
#   solo/        what a first solo waits for, what a solo authority allows
#   live/        samples as they arrive -> phase, bands, the gate's call
module Fujin
  loader = Zeitwerk::Loader.new
  loader.tag = 'fujin'
  loader.push_dir(File.join(__dir__, 'fujin'), namespace: Fujin)
  loader.ignore(File.join(__dir__, 'fujin', 'errors.rb'))
  # Their names are everybody's: `Fujin::Wind`, `Fujin::Quantities`, `Fujin::Text`.
  loader.collapse(*%w[language numbers air].map { |folder| File.join(__dir__, 'fujin', folder) })
  loader.setup
  loader.eager_load
  Catalogue.close(Manoeuvres)
  Catalogue.all.flat_map(&:measure_ids).each { |id| Glossary.measure(id) }
end
