# frozen_string_literal: true

require_relative 'test_helper'

# A whole lesson of mixed attempts in one recording, with the climbs between them: each is found once, with its kind, and
# nothing else of their kinds.
class WholeLessonTest < Minitest::Test
  KINDS = %w[straight_in_autorotation normal_approach turning_autorotation steep_approach s_turn_autorotation run_on_landing hovering_autorotation].freeze

  # @return [Array(String, Array<Array(String, Float)>)] the recording and what it holds
  def lesson(id, wind, rate_hz: 10.0, noise: 1.0)
    day = conditions(id, wind: Fujin::Wind.parse(wind))
    recorder = Fujin::Flight::Recorder.new(type: day.type, origin: SPOT, rate_hz: rate_hz, noise: noise, seed: 9)
    truth = []
    all = KINDS.each_with_object([]) do |kind, rows|
      run = Fujin::Manoeuvres.find(kind).pilot.call(day, course_deg: 350.0).run
      flown = recorder.rows(run).map { |row| recorder.columns.zip(row).to_h }
      rows.concat(climb(rows.last, flown.first, rate_hz)) if rows.any?
      offset = rows.any? ? rows.last['t_s'] + (1.0 / rate_hz) : 0.0
      truth << [kind, offset + begins(run)]
      rows.concat(flown.map { |sample| sample.merge('t_s' => (sample['t_s'] + offset).round(3)) })
    end
    ["#{all.first.keys.join(',')}\n#{all.map { |row| row.values.join(',') }.join("\n")}\n", truth]
  end

  # The throttle closed, or the sink of an approach begun.
  def begins(run)
    closed = run.rows.find { |row| !row[15] }
    (closed || run.rows.find { |row| -row[6] / Q::FPM > 150.0 })[0]
  end

  # Back up to where the next one begins, as a straight line of every channel, after a while in the hover.
  def climb(from, to, rate_hz)
    waits = (8 * rate_hz).round
    steps = (90 * rate_hz).round
    (1..(waits + steps)).map do |i|
      share = ((i - waits) / steps.to_f).clamp(0.0, 1.0)
      driven = [i / (6.0 * rate_hz), 1.0].min
      from.to_h do |name, value|
        part = %w[nr_pct ne_pct throttle_pct map_inhg tq_pct].include?(name) ? driven : share
        [name, Fujin::Recordings::Channels::ANGLES.include?(name) ? value : value + ((to[name] - value) * part)]
      end.merge('t_s' => (from['t_s'] + (i / rate_hz)).round(3))
    end
  end

  [['tansy-2', '350/4', 10.0, 1.0], ['bracken-2', '350/3', 10.0, 2.0], ['yarrow-4', '350/2', 5.0, 1.0], ['tansy-2', '350/3', 1.0, 1.0]].each do |id, wind, rate_hz, noise|
    define_method("test_every_attempt_of_a_#{id}_s_lesson_at_#{rate_hz.to_i}_hz_with_#{noise.to_i}_times_the_noise") do
      text, truth = lesson(id, wind, rate_hz: rate_hz, noise: noise)
      day = conditions(id, wind: Fujin::Wind.parse(wind))
      signals = Fujin::Recordings::Signals.new(Fujin::Recordings.read(text), type: day.type, atmosphere: day.atmosphere, wind: day.wind)
      found = Fujin::Grading::Grader.new(signals, Fujin::Grading::Context.new(conditions: day, spot: SPOT, course_deg: 350.0, wind: day.wind)).attempts
      own = found.select { |attempt| KINDS.include?(attempt.manoeuvre) }

      assert_equal truth.map(&:first), own.map(&:manoeuvre)
      truth.zip(own).each { |(kind, start), attempt| assert_in_delta start, attempt.start_s, rate_hz < 2 ? 1.6 : 0.6, kind }
    end
  end
end
