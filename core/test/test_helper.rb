# frozen_string_literal: true

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
    CACHE[[id, people, wind, ending, faults, seed, noise, rate_hz, stage]] ||= KeptGrades.apart do
      day = conditions(id, people: people, wind: Fujin::Wind.parse(wind))
      house = Fujin::Planning::HouseMethod.new('ending' => ending)
      run = Fujin::Manoeuvres::Autorotation::WholeFlight.new(day, house: house, faults: faults).run
      csv =
        Fujin::Flight::Recorder.new(type: type(id), origin: SPOT, seed: seed, noise: noise, rate_hz: rate_hz).csv(run)
      grade_csv(csv, day: day, house: house, run: run, stage: stage)
    end
  end

  # A recording made ready for measuring on a day.
  def signals_of(csv, day = conditions, wind: day.wind, **more) =
    Fujin::Recordings::Signals.new(
      Fujin::Recordings.read(csv), type: day.type, atmosphere: day.atmosphere, wind: wind, **more
    )

  # Found, measured and graded. What the context is not told otherwise, a planned sortie at the spot into the wind has.
  def grade_csv(csv, day: conditions(wind: Fujin::Wind.parse('350/8')), run: nil, wind: day.wind, **context)
    signals = signals_of(csv, day, wind: wind)
    told = { stage: 'solo', spot: SPOT, course_deg: day.wind.from_deg, planned: true }.merge(context)
    about = Fujin::Lessons.context(conditions: day, wind: wind, **told)
    Flown.new(run: run, csv: csv, signals: signals, context: about,
              proposals: Fujin::Grading::Grader.new(signals, about).proposals)
  end

  # Any manoeuvre as its own pilot flies it on a day, recorded at the spot and graded; flown once for all tests.
  def flown_by_pilot(kind, id: 'tansy-2', wind: '350/8', faults: {}, settings: {}, seed: 1, **context)
    CACHE[[kind, id, wind, faults, settings, seed, context]] ||= KeptGrades.apart do
      day = conditions(id, wind: Fujin::Wind.parse(wind))
      run = Fujin::Catalogue.find(kind).pilot.call(day, course_deg: 350.0, faults: faults, settings: settings).run
      csv = Fujin::Flight::Recorder.new(type: day.type, origin: SPOT, seed: seed).csv(run)
      site = Fujin::Catalogue.find(kind).at_site ? { site: meadow_at_the_spot } : {}
      grade_csv(csv, day: day, run: run, course_deg: 350.0, exercise: kind, settings: settings, **site, **context)
    end
  end

  # A site of 80 m by 60 m about the spot, along the course of 350°, with a tree of 40 ft 120 m before it.
  def meadow_at_the_spot
    map = Fujin::LocalMap.new(*SPOT)
    at = ->(along, across) { map.lat_lon(*Fujin::LocalMap.from_along_across(along, across, 350.0)).reverse }
    ring = [[-40, -30], [40, -30], [40, 30], [-40, 30], [-40, -30]].map { |place| at.call(*place) }
    shapes = [['site', 'Polygon', [ring], { 'name' => 'Meadow', 'surface' => 'grass' }],
              ['spot', 'Point', at.call(0, 0), { 'id' => 'spot' }],
              ['obstacle', 'Point', at.call(-120, 0),
               { 'id' => 'tree', 'what' => 'tree', 'top_ft' => 40, 'pass' => 'surveyed' }]]
    features = shapes.map do |kind, type, coordinates, fields|
      { 'type' => 'Feature', 'properties' => { 'kind' => kind, **fields },
        'geometry' => { 'type' => type, 'coordinates' => coordinates } }
    end
    Fujin::Sites::SiteFile.read('type' => 'FeatureCollection', 'features' => features)
  end

  # The recording without some columns.
  def without(csv, *columns)
    rows = csv.lines.map { |line| line.chomp.split(',', -1) }
    keep = rows.first.each_index.reject { |i| columns.include?(rows.first[i]) }
    rows.map { |row| row.values_at(*keep).join(',') }.join("\n") << "\n"
  end
end

Minitest::Test.include CoreHelp

require_relative 'kept_grades'
