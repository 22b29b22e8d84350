# frozen_string_literal: true

require_relative 'test_helper'

# What stands against a booking: each rule alone, on either side of its number, and the day's sun by a second way.
class BookingsTest < Minitest::Test
  Bookings = Fujin::Bookings
  UTC = lambda(&:utc)
  STATION = [47.2, -14.3].freeze
  DAY = Date.new(2026, 6, 22)
  FORECAST = 'TAF XQLM 220500Z 2206/2306 35010KT 9999 BKN040='

  def at(hour, minute = 0, day: 22) = Time.utc(2026, 6, day, hour, minute)
  def slot(from, to) = Bookings::Slot.new(from: from, to: to)

  def document(kind, till: nil, from: nil, type: nil)
    Bookings::Document.new(kind: Bookings::DocumentKind.find(kind), valid_from: from, valid_until: till, type_id: type)
  end

  def party(id, **more) = Bookings::Party.new(id: id, name: id.capitalize, documents: [document('medical')], **more)

  def craft(**more)
    Bookings::Craft.new(id: 'tana', mark: 'Q-TANA', type_id: 'tansy-2', type_name: 'Tansy 2', grounded: nil,
                        hours: 100.0,
                        maintenance: [], dual_controls: true, **more)
  end

  def request(**more)
    Bookings::Request.new(id: 'new', kind: 'dual', slot: slot(at(10), at(11)), student: party('oda', stage: 'solo'),
                          instructor: party('corwin'), aircraft: craft, **more)
  end

  def booked(from, to, people: %w[basil petra], aircraft: 'brac', instructs: %w[petra], **more)
    Bookings::Booked.new(id: from.to_s, slot: slot(from, to), words: 'dual with Basil', people: people,
                         instructs: instructs, aircraft_id: aircraft, **more)
  end

  def clashes(asked = request, booked: [], rules: {}, forecast: FORECAST, authorities: [], zone: UTC)
    read = forecast && Fujin::Forecast.new(forecast, at(6))
    Bookings::Clashes.new(asked, booked: booked, rules: Bookings::Rules.new(rules), station: STATION, zone: zone,
                                 forecast: read, authorities: authorities).to_a
  end

  def ids(...) = clashes(...).map { |one| [one.id, one.level] }

  def test_nothing_stands_against_an_ordinary_lesson
    assert_empty ids
  end

  def test_nobody_and_nothing_is_in_two_places_at_once
    [[at(9), at(10, 1), true], [at(9), at(10), false], [at(10, 59), at(12), true], [at(11), at(12), false],
     [at(9), at(12), true], [at(10, 15), at(10, 30), true]].each do |from, to, clash|
      expected = ->(id) { clash ? [[id, 'cannot']] : [] }

      assert_equal expected.call('person'), ids(booked: [booked(from, to, people: %w[oda petra])]), [from, to]
      assert_equal expected.call('aircraft'), ids(booked: [booked(from, to, aircraft: 'tana')]), [from, to]
    end
    assert_equal 'Corwin is booked from 10:30 to 11:30: dual with Basil.',
                 clashes(booked: [booked(at(10, 30), at(11, 30), people: %w[basil corwin])]).first.text
    assert_empty ids(booked: [booked(at(10), at(11), people: %w[oda corwin], aircraft: 'tana').with(id: 'new')]),
                 'itself is no clash'
  end

  def test_what_follows_too_closely_is_a_limit
    close = [booked(at(11, 10), at(12), aircraft: 'tana')]

    assert_empty ids(booked: close)
    assert_equal [%w[turnaround limit]], ids(booked: close, rules: { 'turnaround_min' => 11 })
    assert_empty ids(booked: close, rules: { 'turnaround_min' => 10 })
  end

  def test_an_aircraft_that_does_not_fly
    assert_equal 'Q-TANA does not fly: a chip light.',
                 clashes(request(aircraft: craft(grounded: 'a chip light.')))[0].text
  end

  # 100 h now, an hour booked before, an hour of this: 102 h.
  def test_maintenance_by_the_hours_at_the_end_of_the_flight
    [[101.9, 'cannot'], [102.0, 'note'], [106.9, 'note'], [107.0, nil]].each do |at_hours, level|
      one = craft(maintenance: [Bookings::Due.new(title: '50 hour check', at_hours: at_hours)])
      found = ids(request(aircraft: one), booked: [booked(at(8), at(9), aircraft: 'tana')])

      assert_equal [level && ['maintenance', level]].compact, found, at_hours
    end
    [[DAY - 1, 'cannot'], [DAY, 'note'], [DAY + 13, 'note'], [DAY + 14, nil]].each do |on_day, level|
      one = craft(maintenance: [Bookings::Due.new(title: 'annual', on_day: on_day)])

      assert_equal [level && ['maintenance', level]].compact, ids(request(aircraft: one)), on_day
    end
    flown = [booked(at(8), at(9), aircraft: 'tana', flown: true)]
    one = craft(maintenance: [Bookings::Due.new(title: 'check', at_hours: 101.0)])

    assert_equal [%w[maintenance note]], ids(request(aircraft: one), booked: flown), 'what was flown is in its hours'
  end

  def test_documents_by_who_needs_them
    over = document('medical', till: DAY - 1)
    none = ->(id, **more) { party(id, **more).with(documents: []) }

    assert_empty ids(request(student: none.call('oda', stage: 'solo'))), 'a student beside an instructor needs none'
    assert_equal [%w[document limit]], ids(request(instructor: none.call('corwin')))
    assert_empty ids(request(instructor: none.call('corwin')), rules: { 'required' => [] })
    assert_equal [%w[document limit]],
                 ids(request(instructor: party('corwin').with(documents: [over])), rules: { 'required' => [] })
    [[DAY, 'note'], [DAY + 45, 'note'], [DAY + 46, nil]].each do |till, level|
      held = party('corwin').with(documents: [over, document('medical', till: till)])

      assert_equal [level && ['document', level]].compact, ids(request(instructor: held)), till
    end
    examiner = party('ismay').with(documents: [document('medical'), document('examiner_authority', till: DAY - 1)])

    assert_includes clashes(request(kind: 'check', examiner: examiner))[0].text,
                    'Examiner authority ran out on 21 June 2026'
    other = party('corwin').with(documents: [document('medical'),
                                             document('type_rating', till: DAY - 1, type: 'yarrow-4')])

    assert_empty ids(request(instructor: other)), 'a rating for another type says nothing of this one'
  end

  # Sunrise and sunset by the hour-angle formula of Meeus, Astronomical Algorithms (1998), with the declination of the
  # solstice and the equation of time read from a table (−1.9 min): an independent way.
  def test_daylight
    latitude, declination = [47.2, 23.436].map { |deg| deg * Math::PI / 180 }
    angle = Math.acos((Math.sin(-0.833 * Math::PI / 180) - (Math.sin(latitude) * Math.sin(declination))) /
                      (Math.cos(latitude) * Math.cos(declination))) * 180 / Math::PI
    noon = at(12) + ((14.3 / 15.0 * 3600) + (1.9 * 60))
    set = noon + (angle / 15.0 * 3600)
    late = ->(before) { request(slot: slot(set - before - 3600, set - before)) }

    assert_equal([%w[daylight limit]], by_sun(late.call(-180)))
    assert_equal([%w[daylight note]], by_sun(late.call(180)))
    assert_empty(by_sun(late.call(33 * 60)))
    early = noon - (angle / 15.0 * 3600)

    assert_equal [%w[daylight limit]], by_sun(request(slot: slot(early - 180, early + 3600)))
  end

  def by_sun(asked)
    clashes(asked, forecast: nil).select { |one| one.id == 'daylight' }.map { |one| [one.id, one.level] }
  end

  def test_duty_instructing_and_rest
    mine = ->(from, to) { booked(from, to, people: %w[basil corwin], instructs: %w[corwin]) }

    assert_empty ids(booked: [mine.call(at(16), at(17)), mine.call(at(7), at(8))]), '7 to 17 is ten hours'
    assert_equal [%w[duty limit]], ids(booked: [mine.call(at(16), at(17, 1)), mine.call(at(7), at(8))])
    assert_empty ids(booked: [mine.call(at(11), at(14)), mine.call(at(8), at(10))]), 'six hours of instructing'
    assert_equal [%w[instructing limit]], ids(booked: [mine.call(at(11), at(14, 1)), mine.call(at(8), at(10))])
    night = [mine.call(at(21, day: 21), at(23, day: 21))]

    assert_empty ids(booked: night), '23 to 10 is eleven hours'
    assert_equal [%w[rest limit]], ids(request(slot: slot(at(9, 59), at(11))), booked: night)
    assert_equal 'Corwin would have 8 h of rest between two days; the least is 11 h.',
                 clashes(request(slot: slot(at(22), at(23))), forecast: nil,
                                                              booked: [mine.call(at(7, day: 23), at(8, day: 23))])
                   .find { |one| one.id == 'rest' }.text
  end

  # A day is the school's: 23:30 UTC is the next day where the clock is an hour ahead.
  def test_a_day_is_the_school_s
    ahead = ->(time) { time + 3600 }
    day = Bookings::Duty.new([booked(at(23, 30), at(23, 45))], slot(at(5, day: 23), at(6, day: 23)), ahead)

    assert_in_delta 390, day.minutes
  end

  def test_weather_by_stage_and_how_sure_it_is
    taf = ->(text) { "TAF XQLM 220500Z 2206/2306 #{text}=" }
    {
      '35010KT 8000 BKN015' => [],
      '35010KT 7900 BKN015' => [%w[weather limit]],
      '35010KT 8000 BKN014' => [%w[weather limit]],
      '35020KT 9999 BKN040' => [],
      '35021KT 9999 BKN040' => [%w[weather limit]],
      '35010G20KT 9999 BKN040' => [],
      '35009G20KT 9999 BKN040' => [%w[weather limit]],
      '35010KT 9999 BKN040 TEMPO 2209/2212 3000' => [%w[weather note]],
      '35010KT 9999 BKN040 TEMPO 2211/2214 3000' => [],
      '35010KT 9999 BKN040 FM221030 35010KT 3000 OVC003' => [%w[weather limit], %w[weather limit]],
      '35010KT CAVOK PROB30 2208/2212 0800 FG' => [%w[weather note]]
    }.each { |text, expected| assert_equal expected, ids(forecast: taf.call(text)), text }
    assert_equal 'Forecast at times: visibility 3 km, the solo minimum is 8 km.',
                 clashes(forecast: taf.call('35010KT 9999 TEMPO 2209/2212 3000'))[0].text
    assert_equal [%w[forecast note]], ids(forecast: nil)
    late = request(slot: slot(at(10, day: 23), at(11, day: 23)))

    assert_equal [%w[forecast note]], ids(late), 'the forecast ends before'
  end

  def test_a_check_an_away_student_and_lengths
    assert_equal [%w[length cannot]], ids(request(slot: slot(at(10), at(10, 19))))
    assert_empty ids(request(slot: slot(at(10), at(10, 20))))
    assert_equal [%w[length cannot]], ids(request(slot: slot(at(10), at(14, 1))))
    assert_equal 'Oda is suspended.',
                 clashes(request(student: party('oda', stage: 'solo', away: 'is suspended')))[0].text
  end

  def test_rules_are_numbers_in_their_ranges
    assert_raises(Fujin::InvalidInput) { Bookings::Rules.new('duty_max_h' => 17) }
    assert_raises(Fujin::InvalidInput) { Bookings::Rules.new('nap_min' => 10) }
    assert_raises(Fujin::InvalidInput) { Bookings::Rules.new('required' => ['passport']) }
    low = { 'minima' => { 'solo' => { 'visibility_m' => 500 } } }
    error = assert_raises(Fujin::InvalidInput) { Bookings::Rules.new(low) }

    assert_equal 'minima.solo.visibility_m', error.problems[0][:path]
  end

  # One beside another: what else is strange is not left out.
  def test_every_strange_rule_is_named
    set = { 'nap_min' => 10, 'minima' => { 'tea' => {} }, 'required' => ['passport'] }
    error = assert_raises(Fujin::InvalidInput) { Bookings::Rules.new(set) }

    assert_equal(%w[nap_min minima.tea required.passport], error.problems.map { |problem| problem[:path] })
  end

  # Every number and every least visibility and cloud base may be what its range ends at, and nothing beyond it.
  def test_the_ends_of_each_range
    minima = { 'visibility_m' => [800, 20_000], 'cloud_base_ft' => [300, 5000] }
      .map { |name, ends| [ends, ->(value) { { 'minima' => { 'solo' => { name => value } } } }] }
    numbers = Bookings::Rules::NUMBERS.map { |name, (_, *ends)| [ends, ->(value) { { name => value } }] }

    [*minima, *numbers].each do |(low, high), set|
      [low, high].each { |value| assert_kind_of Bookings::Rules, Bookings::Rules.new(set.call(value)) }
      [low - 1, high + 1].each do |value|
        assert_raises(Fujin::InvalidInput, set.call(value).inspect) { Bookings::Rules.new(set.call(value)) }
      end
    end
  end

  def test_a_booking_in_a_sentence
    read = ->(text) do
      people = { 'Oda Fenwright' => 'oda', 'Corwin Ashdale' => 'corwin', 'Odo Marsh' => 'odo' }
      Bookings::Sentence.new(text, people: people, instructors: ['corwin'], today: DAY,
                                   aircraft: { 'Q-TANA' => 'tana', 'Q-TANB' => 'tanb' })
    end
    said = read.call('book Oda with corwin in q-tana tomorrow 14:00 for 1h30')

    assert_equal({ kind: 'dual', day: DAY + 1, minutes: 90, student: 'oda', instructor: 'corwin', aircraft: 'tana',
                   hour: 14, minute: 0 }, said.found)
    assert_empty said.left
    assert_equal [DAY + 4, 9, 30, 45],
                 read.call('oda friday 9:30 45 min').found.values_at(:day, :hour, :minute, :minutes)
    assert_equal DAY + 7, read.call('monday').found[:day], 'the next one, not today'
    assert_equal([%w[od zebra], nil], read.call('od zebra').then { |one| [one.left, one.found[:student]] })
    assert_equal ['solo', 15], read.call('solo fenwright 3pm tanb').found.values_at(:kind, :hour)
  end
end
