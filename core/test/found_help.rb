# frozen_string_literal: true

require_relative 'scripted_flight'

# What is found in a scripted flight: the kind, the boundaries, the measures.
module FoundHelp
  def flight(**options) = ScriptedFlight.new(**options)
  def graded(flight, **day) = grade_csv(flight.csv, house: Fujin::Planning::HouseMethod.new, **day).proposals
  def kinds(proposals) = proposals.map { |p| p.attempt.manoeuvre }

  def the(proposals, kind)
    proposals
      .select { |p| p.attempt.manoeuvre == kind }
      .then { |found| found.size == 1 ? found.first : flunk("#{kind} is not found once: #{kinds(proposals)}") }
  end

  def at(proposal, phase) = proposal.attempt.phase(phase).start_s

  # From standing to level flight at a height.
  def airborne(flight, agl_ft: 500.0, gs_kt: 60.0)
    flight
      .leg(5)
      .leg(3, agl_ft: 4.0)
      .leg(14)
      .mark(:off)
      .leg(12, gs_kt: 25.0, agl_ft: 10.0)
      .leg(14, gs_kt: 52.0, agl_ft: 90.0)
      .leg(agl_ft / 12.0, gs_kt: gs_kt, agl_ft: agl_ft)
      .mark(:level)
      .leg(25)
  end
end
