# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'scripted_flight'
require_relative 'kept'
require_relative '../../test/by_lot'

# What is simulated: flights of which all is known, drawn by lot and recorded badly, figures flown along a line, flights
# joined into a lesson. What is measured of the tool with them hangs on their being the same the next time.
class KeptSimulationsTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_known_flights_/)

  Truth = Fujin::Truth
  EACH = 5

  Fujin::Catalogue.all.select { |one| one.pilot && !one.at_site }.each do |manoeuvre|
    define_method("test_known_flights_of_#{manoeuvre.id}_are_as_they_were") do
      found = Array.new(EACH) { |i| ["flight #{i}", known(manoeuvre, i)] }.to_h

      assert_empty Kept.differences("known_#{manoeuvre.id}", found)
    end
  end

  def test_figures_by_lot_are_as_they_were
    found = Array.new(20) { |i| ["line #{i}", Kept.sum(figure(Random.new(i)))] }.to_h

    assert_empty Kept.differences('figures', found)
  end

  def test_a_lesson_of_joined_flights_is_as_it_was
    flights = Array.new(2) { |i| flown_by_pilot('hovering_autorotation', seed: i + 1).run }
    recorder = Fujin::Flight::Recorder.new(type: type, origin: SPOT, seed: 3)
    joined = Fujin::Flight::FlightsJoined.new(flights, recorder: recorder, rate_hz: 10.0)
    found = joined.samples.each_slice(50).with_index.to_h { |some, i| ["part #{i}", Kept.sum(some)] }

    assert_empty Kept.differences('joined', { 'begun' => Kept.sum(joined.begin_s), **found })
  end

  private

  # The fault that was flown, and what one of the recorders has of it; what is graded of that is kept with all grades.
  def known(manoeuvre, place)
    flight = Truth::KnownFlight.new(manoeuvre, Random.new((manoeuvre.id.sum * 100) + place), faulty: place.positive?)
    recorder = Truth::PoorRecorder.new(Truth::PoorRecorder::ALL.keys[(place + manoeuvre.id.sum) % 8])
    signals, context = flight.seen(recorder)
    Fujin::Grading::Grader.new(signals, context, ranges: place.odd?).proposals
    recording = signals.recording
    { 'faults' => flight.faults.map { |name, size| "#{name} #{size}" }.join(' '), 'wind' => context.wind.to_s,
      **Kept.sum([recording.times.size, recording.channels.sort.map { |name, values| [name, *told(values)] }]) }
  end

  def told(values)
    seen = values.reject(&:nan?)
    [seen.size, seen.minmax, seen.sum]
  end

  def figure(random)
    line = Array.new(random.rand(3..7)) { [random.rand(-3000.0..3000.0), random.rand(-3000.0..3000.0)] }
    flight = Fujin::Flight::FigureFlight.new(
      line, origin: SPOT, course_deg: random.rand(0.0..360.0), seed: random.rand(100), air_kt: random.rand(50.0..90.0),
            agl_ft: random.rand(300.0..1500.0), wind: Fujin::Wind.parse("#{random.rand(360)}/#{random.rand(20)}")
    )
    [flight.samples.size, *flight.samples.each_slice(40).map(&:last)]
  end
end
