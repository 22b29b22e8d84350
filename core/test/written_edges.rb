# frozen_string_literal: true

require_relative 'written_flight'

# For tests on either side of a boundary: columns as lines, and what is found in a recording of them without noise.
module WrittenEdges
  CALM = Fujin::Wind.calm

  # The line through points of [time, value].
  def along(*points) = ->(t) { Fujin::Quantities.interpolate(points, t) }

  # @param state [#call] time s -> the columns that differ from standing still
  # @param lacking [Array<String>] columns that the recorder does not have
  # @return [Array<Fujin::Grading::Attempt>] of one manoeuvre
  def found(kind, state, seconds: 60.0, id: 'tansy-2', lacking: [])
    csv = WrittenFlight.new(seconds, columns: WrittenFlight::STILL.keys - lacking, &state).csv
    proposals = grade_csv(csv, day: conditions(id, wind: CALM)).proposals
    proposals.map(&:attempt).select { |attempt| attempt.manoeuvre == kind }
  end
end
