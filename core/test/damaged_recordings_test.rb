# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# Recordings with columns missing, cells blank or mad, and pieces gone, through everything from the reader to the
# faults: what cannot be had is said, nothing falls over, no number is no number.
class DamagedRecordingsTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_damage_to_/)

  FLIGHTS = [
    ['normal_approach', {}],
    ['steep_approach', { 'late_decision' => 7.0 }],
    ['run_on_landing', {}],
    ['turning_autorotation', {}],
    ['hovering_autorotation', {}],
    ['straight_in_autorotation', { 'late_collective' => 1.0 }]
  ].freeze
  TYPES = %w[tansy-2 bracken-2 yarrow-4 sorrel-g].freeze
  EACH = 60

  def rows_of(index)
    @rows_of ||= {}
    @rows_of[index] ||= begin
      kind, faults = FLIGHTS[index]
      day = conditions(wind: Fujin::Wind.parse('350/3'))
      run = Fujin::Catalogue.find(kind).pilot.call(day, course_deg: 350.0, faults: faults).run
      Fujin::Flight::Recorder
        .new(type: day.type, origin: SPOT, seed: 1)
        .csv(run)
        .lines
        .map { |line| line.chomp.split(',', -1) }
    end
  end

  # Columns left out, stretches of cells blank or out of all reason, a piece cut out.
  def damaged(rows, random)
    rows = rows.map(&:dup)
    width = rows.first.size
    random
      .rand(0..6)
      .times do
        column = random.rand(1...width)
        from = random.rand(1...rows.size)
        (from...[from + random.rand(400), rows.size].min).each do |i|
          rows[i][column] = random.rand < 0.5 ? '' : ((random.rand * 200.0) - 50.0).round(2).to_s
        end
      end
    rows.slice!(random.rand(1...rows.size), random.rand(300)) if random.rand < 0.3
    kept = (0...width).to_a - (1...width).to_a.sample(random.rand(0..8), random: random)
    "#{rows.map { |row| row.values_at(*kept).join(',') }.join("\n")}\n"
  end

  def grade(text, random)
    day = conditions(TYPES.sample(random: random), wind: Fujin::Wind.parse('350/3'))
    signals = signals_of(text, day, wind: random.rand < 0.7 ? day.wind : nil,
                                    elevation_ft: random.rand < 0.5 ? 0.0 : nil)
    context =
      Fujin::Lessons.context(
        conditions: day,
        spot: random.rand < 0.7 ? SPOT : nil,
        course_deg: random.rand < 0.5 ? 350.0 : nil,
        exercise: [nil, *Fujin::Catalogue.all.map(&:id)].sample(random: random),
        planned: random.rand < 0.5
      )
    Fujin::Grading::Grader.new(signals, context).proposals
  rescue Fujin::UnreadableRecording, Fujin::OutsideModel, Fujin::InvalidInput
    []
  end

  FLIGHTS.each_index do |index|
    define_method("test_damage_to_a_#{FLIGHTS[index].first}") do
      random = Random.new(40 + index)
      EACH.times do |n|
        proposals = grade(damaged(rows_of(index), random), random)

        assert_empty(proposals.flat_map { |p| p.measures.values.select { |m| m.value&.nan? }.map(&:id) }, "file #{n}")
        proposals.each { |p| assert_operator p.attempt.start_s, :<, p.attempt.end_s, "file #{n}" }
      end
    end
  end
end
