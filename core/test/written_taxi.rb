# frozen_string_literal: true

require_relative 'written_flight'

# A hover taxi written out in closed form: from a hover along a line at a known pace, whichever way the nose stands, to
# the next hover.
module WrittenTaxi
  DEG = WrittenFlight::Q::DEG
  STOOD_S = 6.0
  RAMP_S = 2.0
  NOSE_DEG = 350.0

  # Ground speed and distance gone: a hover, an even ramp up, a steady pace, an even ramp down, a hover.
  def motion(t, pace_kt, steady_s)
    moved = [t - STOOD_S, 0.0].max
    up = [moved, RAMP_S].min
    steady = (moved - RAMP_S).clamp(0.0, steady_s)
    down = (moved - RAMP_S - steady_s).clamp(0.0, RAMP_S)
    seconds = (up * up / (2.0 * RAMP_S)) + steady + down - (down * down / (2.0 * RAMP_S))
    share = down.positive? ? 1.0 - (down / RAMP_S) : up / RAMP_S
    [pace_kt * share, pace_kt * seconds * WrittenFlight::FT_S]
  end

  # @param way_deg [Float] from the nose; the block adds to the state at [t_s, feet gone]
  def flight(way_deg, pace_kt: 5.0, steady_s: 16.0, height_ft: 4.0)
    track = (NOSE_DEG + way_deg) % 360.0
    WrittenFlight.new((2 * STOOD_S) + (2 * RAMP_S) + steady_s) do |t|
      kt, ft = motion(t, pace_kt, steady_s)
      { 'agl_ft' => height_ft, 'gs_kt' => kt, 'track_deg' => track, 'hdg_deg' => NOSE_DEG,
        'north_ft' => ft * Math.cos(track * DEG), 'east_ft' => ft * Math.sin(track * DEG) }
        .merge(block_given? ? yield(t, ft) : {})
    end
  end

  def gone_ft(pace_kt: 5.0, steady_s: 16.0) = pace_kt * (steady_s + RAMP_S) * WrittenFlight::FT_S

  # What is covered before the taxi is one: the ramp up to 3 kt.
  def before_ft = 0.5 * 1.2 * 3.0 * WrittenFlight::FT_S

  def found(flight, manoeuvre = self.class::MANOEUVRE, **context)
    day = conditions
    signals = signals_of(flight.csv, day, wind: Fujin::Wind.calm)
    context = Fujin::Lessons.context(conditions: day, wind: Fujin::Wind.calm, **context)
    Fujin::Grading::Grader.new(signals, context).proposals.select { |one| one.attempt.manoeuvre == manoeuvre }
  end

  def value(proposal, id) = proposal.measures.fetch(id).value
end
