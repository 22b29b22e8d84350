# frozen_string_literal: true

require_relative '../../test/lines_run'
require 'date'
require 'minitest/autorun'
require_relative '../lib/fujin'

# What the tests share: types, days, flights that are flown once and kept.
module CoreHelp
  Q = Fujin::Quantities
  SPOT = [47.2104, -14.3320].freeze
  HOT =
    Fujin::Atmosphere.new(
      elevation_m: 5000 * Q::FT,
      temperature_k: Fujin::Atmosphere.standard_temperature_k(5000 * Q::FT) + 20
    ).freeze

  def type(id = 'tansy-2') = Fujin::Aircraft::Library.find(id)

  def trim(id, people = 'dual', air = Fujin::Atmosphere.new)
    found = type(id)
    Fujin::Flight::SteadyTrim.new(found, found.mass_kg(people), air)
  end

  def conditions(id = 'tansy-2', **options) = Fujin::Planning::Conditions.build(type: type(id), **options)

  def assert_within(expected, actual, percent, message = nil)
    assert_in_delta expected, actual, expected.abs * percent / 100.0, message
  end

  # A planned flight at the spot, recorded: its run, recording bytes and proposals.
  Flown = Struct.new(:run, :csv, :signals, :proposals, :context, keyword_init: true) do
    def proposal = proposals.first
    def measure(id) = proposal.measures.fetch(id).value
    def fault_ids = proposal.faults.map(&:id)
  end

  CACHE = {} # rubocop:disable Style/MutableConstant

  def fly(
    id: 'tansy-2',
    people: 'dual',
    wind: '350/8',
    ending: 'power_recovery',
    faults: {},
    seed: 1,
    noise: 1.0,
    rate_hz: 10.0,
    stage: 'solo'
  )
    CACHE[[id, people, wind, ending, faults, seed, noise, rate_hz, stage]] ||= begin
      day = conditions(id, people: people, wind: Fujin::Wind.parse(wind))
      house = Fujin::Planning::HouseMethod.new('ending' => ending)
      run = Fujin::Manoeuvres::Autorotation::WholeFlight.new(day, house: house, faults: faults).run
      csv =
        Fujin::Flight::Recorder.new(type: type(id), origin: SPOT, seed: seed, noise: noise, rate_hz: rate_hz).csv(run)
      grade_csv(csv, day: day, house: house, run: run, stage: stage)
    end
  end

  def grade_csv(
    csv,
    day: conditions(wind: Fujin::Wind.parse('350/8')),
    house: Fujin::Planning::HouseMethod.new,
    run: nil,
    stage: 'solo',
    planned: true,
    wind: day.wind
  )
    recording = Fujin::Recordings.read(csv)
    signals = Fujin::Recordings::Signals.new(recording, type: day.type, atmosphere: day.atmosphere, wind: wind)
    context =
      Fujin::Lessons.context(
        conditions: day,
        house: house,
        stage: stage,
        spot: SPOT,
        course_deg: day.wind.from_deg,
        wind: wind,
        planned: planned
      )
    Flown.new(
      run: run,
      csv: csv,
      signals: signals,
      proposals: Fujin::Grading::Grader.new(signals, context).proposals,
      context: context
    )
  end

  # The recording without some columns.
  def without(csv, *columns)
    rows = csv.lines.map { |line| line.chomp.split(',', -1) }
    keep = rows.first.each_index.reject { |i| columns.include?(rows.first[i]) }
    rows.map { |row| row.values_at(*keep).join(',') }.join("\n") << "\n"
  end
end

Minitest::Test.include CoreHelp
