# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# A whole lesson of mixed attempts in one recording, with the climbs between them: each is found once, with its kind,
# and nothing else of their kinds.
class WholeLessonTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_every_attempt_of_/)

  KINDS = %w[
    straight_in_autorotation normal_approach turning_autorotation steep_approach s_turn_autorotation run_on_landing
    hovering_autorotation
  ].freeze

  # @return [Array(String, Array<Array(String, Float)>)] the recording and what it holds
  def lesson(id, wind, rate_hz: 10.0, noise: 1.0)
    day = conditions(id, wind: Fujin::Wind.parse(wind))
    recorder = Fujin::Flight::Recorder.new(type: day.type, origin: SPOT, rate_hz: rate_hz, noise: noise, seed: 9)
    runs = KINDS.map { |kind| Fujin::Catalogue.find(kind).pilot.call(day, course_deg: 350.0).run }
    joined = Fujin::Flight::FlightsJoined.new(runs, recorder: recorder, rate_hz: rate_hz)
    [joined.csv, KINDS.zip(runs, joined.begin_s).map { |kind, run, start| [kind, start + begins(run)] }]
  end

  # The throttle closed, or the sink of an approach begun.
  def begins(run)
    closed = run.rows.find { |row| !row.throttle_open }
    (closed || run.rows.find { |row| -row.v_up / Q::FPM > 150.0 }).t_s
  end

  [
    ['tansy-2', '350/4', 10.0, 1.0],
    ['bracken-2', '350/3', 10.0, 2.0],
    ['yarrow-4', '350/2', 5.0, 1.0],
    ['tansy-2', '350/3', 1.0, 1.0]
  ].each do |id, wind, rate_hz, noise|
    define_method("test_every_attempt_of_a_#{id}_s_lesson_at_#{rate_hz.to_i}_hz_with_#{noise.to_i}_times_the_noise") do
      text, truth = lesson(id, wind, rate_hz: rate_hz, noise: noise)
      day = conditions(id, wind: Fujin::Wind.parse(wind))
      signals = signals_of(text, day)
      found =
        Fujin::Grading::Grader.new(
          signals,
          Fujin::Lessons.context(conditions: day, spot: SPOT, course_deg: 350.0, wind: day.wind)
        ).attempts
      own = found.select { |attempt| KINDS.include?(attempt.manoeuvre) }

      assert_equal truth.map(&:first), own.map(&:manoeuvre)
      truth
        .zip(own)
        .each { |(kind, start), attempt| assert_in_delta start, attempt.start_s, rate_hz < 2 ? 1.6 : 0.6, kind }
    end
  end
end
