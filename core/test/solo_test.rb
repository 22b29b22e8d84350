# frozen_string_literal: true

require_relative 'test_helper'

# Flying alone: what is missing, and what an authority allows, each limit on either side.
class SoloTest < Minitest::Test
  Solo = Fujin::Solo
  DAY = Date.new(2026, 6, 22)
  ALLOWED = { exercises: %w[hover circuit], places: ['Strip'], aircraft_ids: ['tana'], wind_kt: 12, gust_kt: 18,
              crosswind_kt: 6, visibility_m: 8000, cloud_base_ft: 1500, daylight_only: true, from: DAY,
              until: DAY + 30 }.freeze
  LESSON = { exercises: ['hover'], places: ['Strip'], aircraft_id: 'tana', day: DAY, daylight: true, wind_kt: 12,
             gust_kt: 18, crosswind_kt: 6, visibility_m: 8000, cloud_base_ft: 1500 }.freeze

  def against(**more) = Solo::Authority.build(**ALLOWED).against(Solo::Lesson.new(**LESSON, **more))

  def test_what_is_within_it_is_within_it
    assert_empty against
    assert_empty against(day: DAY + 30, visibility_m: nil, cloud_base_ft: nil)
  end

  def test_everything_outside_is_named
    {
      { exercises: %w[hover straight_in_autorotation] } => 'straight-in autorotation is not in it',
      { places: ['Heath'] } => 'Heath is not in it', { aircraft_id: 'tanb' } => 'this aircraft is not in it',
      { wind_kt: 12.6 } => 'wind 13 kt, it allows up to 12 kt',
      { gust_kt: 19 } => 'gusts to 19 kt, it allows up to 18 kt',
      { crosswind_kt: 6.5 } => 'crosswind 7 kt, it allows up to 6 kt',
      { visibility_m: 7999 } => 'visibility 7999 m, it asks for 8000 m',
      { cloud_base_ft: 1400 } => 'cloud base 1400 ft, it asks for 1500 ft',
      { daylight: false } => 'it is for daylight only, and the sun is not up for all of it',
      { day: DAY - 1 } => 'it holds from 22 June 2026 to 22 July 2026',
      { day: DAY + 31 } => 'it holds from 22 June 2026 to 22 July 2026',
      { wind_kt: nil } => 'no wind is given, and it allows up to 12 kt'
    }.each { |fields, said| assert_equal [said], against(**fields), fields }
  end

  # Least and most that may be written into one.
  { wind_kt: [0, 30], gust_kt: [0, 40], crosswind_kt: [0, 20], visibility_m: [1500, 20_000],
    cloud_base_ft: [500, 5000] }.each do |name, (low, high)|
    define_method("test_#{name}_that_may_be_written_into_one") do
      [low, high].each { |value| assert Solo::Authority.build(**ALLOWED, name => value) }
      [low - 1, high + 1].each do |value|
        assert_raises(Fujin::InvalidInput, value.to_s) { Solo::Authority.build(**ALLOWED, name => value) }
      end
    end
  end

  def test_an_authority_is_written_within_ranges
    { wind_kt: 31, until: DAY + 91, exercises: [], visibility_m: 1000 }.each do |name, value|
      error = assert_raises(Fujin::InvalidInput) { Solo::Authority.build(**ALLOWED, name => value) }

      assert_equal name.to_s, error.problems[0][:path]
    end
    assert Solo::Authority.build(**ALLOWED, until: DAY + 90)
  end

  def readiness(met: all, rides: { 'Corwin' => DAY - 2, 'Petra' => DAY - 90 }, documents: [medical(DAY)], blocks: [])
    Solo::Readiness.new(needed: Solo::Needed.of('helicopter'), met: met, blocks: blocks, rides: rides, usual: 'Corwin',
                        documents: documents, required: ['medical'], today: DAY)
  end

  def all = Solo::Needed.of('helicopter').to_h.values.flatten

  def medical(till)
    Fujin::Bookings::Document.new(kind: Fujin::Bookings::DocumentKind.find('medical'), valid_until: till)
  end

  def test_ready_when_everything_is_there
    assert_predicate readiness, :ready?
  end

  def test_what_is_missing_is_told
    {
      readiness(met: all - ['hovering_autorotation']) => [['emergency',
                                                           'Hovering autorotation: not shown to standard yet']],
      readiness(rides: { 'Corwin' => DAY }) => [['ride', 'No ride with a second instructor in the last 90 days']],
      readiness(rides: { 'Petra' => DAY - 91 }) => [['ride', 'No ride with a second instructor in the last 90 days']],
      readiness(documents: []) => [['document', 'Medical certificate: none on file']],
      readiness(documents: [medical(DAY - 1)]) => [['document', 'Medical certificate ran out on 21 June 2026']]
    }.each { |one, missing| assert_equal(missing, one.missing.map { |condition| [condition.id, condition.text] }) }
  end

  def test_lists_name_manoeuvres_that_there_are
    Solo::Needed.usual.each_key { |kind| assert Solo::Needed.of(kind) }
    Solo::Needed.usual.each do |kind, lists|
      wrong = lists.values.flatten.reject { |id| Fujin::Catalogue.find(id).kinds.include?(kind) }

      assert_empty wrong, kind
    end
    assert_raises(Fujin::InvalidInput) { Solo::Needed.of('helicopter', 'manoeuvres' => ['loop']) }
  end
end
