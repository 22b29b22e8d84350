# frozen_string_literal: true

require_relative '../web_helper'
require 'time'
require 'tzinfo'

# Moments in and out of fields by the clock that their reader chose, against the time zone database read by Ruby; units
# there and back.
class TimesTest < Minitest::Test
  include WebModule

  def in_zone(zone, *cases) = ask('design/times.ts', ['setZone', zone], *cases).drop(1)

  def test_what_a_field_shows_is_what_the_zone_s_clock_shows
    moments = [Time.utc(2026, 1, 15, 23, 30), Time.utc(2026, 3, 29, 0, 59), Time.utc(2026, 3, 29, 1, 0),
               Time.utc(2026, 10, 25, 0, 30), Time.utc(2026, 10, 25, 1, 30), Time.utc(2026, 7, 1, 12)]
    %w[Europe/Lisbon America/St_Johns Pacific/Auckland Etc/UTC].each do |name|
      zone = TZInfo::Timezone.get(name)
      answers = in_zone(name, *moments.map { |time| ['fieldOf', time.iso8601] })

      assert_equal moments.map { |time| zone.utc_to_local(time).strftime('%Y-%m-%dT%H:%M') }, answers, name
    end
  end

  def test_a_field_means_the_moment_it_shows
    moments = [Time.utc(2026, 1, 15, 23, 30), Time.utc(2026, 3, 29, 1, 0), Time.utc(2026, 7, 1, 12),
               Time.utc(2026, 10, 25, 0, 30)]
    fields = in_zone('Europe/Lisbon', *moments.map { |time| ['fieldOf', time.iso8601] })
    back = in_zone('Europe/Lisbon', *fields.map { |field| ['momentOf', field] })

    assert_equal(moments, back.map { |text| Time.iso8601(text) })
    skipped, twice = in_zone('Europe/Lisbon', ['momentOf', '2026-03-29T01:30'], ['momentOf', '2026-10-25T01:30'])

    assert_equal ['', '', '0002-11-30T10:00'],
                 in_zone('Etc/UTC', ['momentOf', 'T10:00'], ['momentOf', ''], ['fieldOf', '0002-11-30T10:00:00Z']),
                 'half a field, and a year while it is typed'
    assert_equal Time.utc(2026, 3, 29, 1, 30), Time.iso8601(skipped), 'an hour that the clock skips is the one after it'
    assert_equal Time.utc(2026, 10, 25, 0, 30), Time.iso8601(twice), 'one that comes twice is its first'
  end

  def test_days_and_minutes_of_the_board
    assert_equal ['2026-07-02', 30, 'local'],
                 in_zone('Europe/Lisbon', ['dateIn', '2026-07-01T23:30:00Z'], ['minuteIn', '2026-07-01T23:30:00Z'],
                         ['zoneWord'])
    assert_equal %w[2027-01-01 2026-12-29 UTC],
                 in_zone('Etc/UTC', ['dayAfter', '2026-12-31', 1], ['dayAfter', '2027-01-01', -3], ['zoneWord'])
  end

  # 15 °C are 59 °F, 1013.25 hPa 29.92 inHg, 100 kg 220 lb; and back.
  def test_units_there_and_back
    chosen = { temperature: 'f', pressure: 'inhg', mass: 'lb', time: 'local' }
    _, warm, cold, qnh, mass, word, back, kt = ask(
      'design/units.ts', ['setUnits', chosen], ['toReader', 15, '°C'], ['toReader', -40, '°C'],
      ['toReader', 1013.25, 'hPa'], ['toReader', 100, 'kg'], %w[wordFor kg], ['fromReader', 59, '°C'],
      ['toReader', 60, 'kt']
    )

    assert_in_delta 59, warm
    assert_in_delta(-40, cold)
    assert_in_delta 29.92, qnh, 0.005
    assert_in_delta 220.46, mass, 0.01
    assert_equal ['lb', 60], [word, kt]
    assert_in_delta 15, back
    assert_in_delta 15, ask('design/units.ts', ['setUnits', {}], ['toReader', 15, '°C'])[1]
  end
end
