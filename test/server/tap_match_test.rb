# frozen_string_literal: true

require_relative '../server_helper'

# The cockpit's taps laid beside a recording by its clock: an attempt that nobody tapped shifts none of the others.
class TapMatchTest < Minitest::Test
  include ServerHelp

  BEGAN = Time.utc(2026, 11, 25, 10, 10, 0)

  # The lesson's recording with the time of day beside its own.
  def clocked(faults)
    rows = recording(@sortie, faults: faults).lines.map(&:chomp)
    head, *body = rows
    [
      "#{head},utc",
      *body.map { |row| "#{row},#{(BEGAN + row.split(',').first.to_f).strftime('%Y-%m-%dT%H:%M:%S.%LZ')}" }
    ].join("\n") << "\n"
  end

  def tap(kind, at_s, number, value: nil, phase: nil)
    {
      id: SecureRandom.uuid,
      kind: kind,
      at: (BEGAN + at_s).iso8601(1),
      attempt_no: number,
      phase: phase,
      payload: { value: value }.compact
    }.compact
  end

  def starts =
    @starts ||= imported(sortie, faults: [{}, {}, {}]).select do |a|
      a.manoeuvre == @sortie.exercise.manoeuvre
    end.map(&:start_s)

  def attempts_with(taps, bytes)
    as(@instructor)
    post_json "/api/sorties/#{@sortie.id}/events", { events: taps }
    upload(@sortie, bytes)
    work_off
    get "/api/sorties/#{@sortie.id}/attempts"
    answer.select { |a| a['manoeuvre'] == @sortie.exercise.manoeuvre }
  end

  # The first attempt was not tapped: number one of the cockpit is the second of the recording.
  def untapped_first
    [
      tap('attempt', starts[1] - 12, 1),
      tap('help', starts[1] + 3, 1, value: 'assisted', phase: 'entry'),
      tap('attempt', starts[2] - 15, 2),
      tap('manner', starts[2] - 10, 2, value: 'surprise')
    ]
  end

  def test_by_the_clock_each_tap_finds_its_own_attempt
    first, second, third = attempts_with(untapped_first, clocked([{}, {}, {}]))

    assert_equal(%w[alone assisted alone], [first, second, third].map { |a| a['help'] })
    assert_equal(%w[announced announced surprise], [first, second, third].map { |a| a['manner'] })
  end

  def test_without_a_clock_the_taps_are_counted
    first, second, = attempts_with(untapped_first, recording(@sortie, faults: [{}, {}, {}]))

    assert_equal(%w[assisted alone], [first, second].map { |a| a['help'] })
  end
end
