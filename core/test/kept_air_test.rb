# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'

# Forecasts, the sun, winds and air drawn by lot, as they were read and worked out.
class KeptAirTest < Minitest::Test
  def test_forecasts_by_lot_are_as_they_were
    @random = Random.new(17)
    found = Array.new(200) { |i| [i.to_s, Kept.sum(read)] }.to_h

    assert_operator found.count { |_, sums| sums['n'] > 10 }, :>, 150
    assert_empty Kept.differences('forecasts', found)
  end

  def test_suns_and_nights_by_lot_are_as_they_were
    @random = Random.new(18)
    found = Array.new(200) { |i| [i.to_s, Kept.sum(sun)] }.to_h

    assert_empty Kept.differences('suns', found)
  end

  def test_winds_and_air_by_lot_are_as_they_were
    @random = Random.new(19)
    found = Array.new(200) { |i| [i.to_s, Kept.sum(air)] }.to_h

    assert_empty Kept.differences('winds', found)
  end

  private

  def any(range) = @random.rand(range)
  def one_of(*all) = all.sample(random: @random)

  # A text that is a forecast nearly always, and what it says of stretches of the day.
  def read
    now = Time.utc(2026, any(1..12), any(1..28), any(0..23))
    taf = Fujin::Forecast.new(taf_of(now), now)
    from = now + (3600 * any(0..20))
    [taf.station, taf.from.to_i, taf.to.to_i, taf.stretches.map { |one| told(one) },
     taf.during(from, from + (60 * any(10..400))).map { |one| told(one) }]
  rescue Fujin::Forecast::Unreadable => e
    e.message
  end

  def told(one) = one.to_h.transform_values { |value| value.is_a?(Time) ? value.to_i : value }

  def taf_of(now)
    begun = now + (3600 * any(0..6))
    till = begun + (3600 * one_of(9, 12, 24, 30))
    changes = Array.new(any(0..3)) { change(begun, till) }
    ["TAF #{one_of('', 'AMD ', 'COR ')}XQLM #{now.strftime('%d%H%M')}Z #{span(begun, till)}", *weather(whole: true),
     *changes].join(' ') + one_of('', '=')
  end

  def change(begun, till)
    from = begun + (3600 * any(1..6))
    to = [from + (3600 * any(1..4)), till].min
    head = one_of(from.strftime('FM%d%H30'), "BECMG #{span(from, to)}", "TEMPO #{span(from, to)}",
                  "INTER #{span(from, to)}", "PROB30 #{span(from, to)}", "PROB40 TEMPO #{span(from, to)}",
                  *('PROB40 BKN010' if any(0..9).zero?))
    [head, *weather].join(' ')
  end

  # Midnight is the day's twenty-fourth hour sometimes.
  def span(from, to) = "#{from.strftime('%d%H')}/#{to.hour.zero? ? (to - 60).strftime('%d24') : to.strftime('%d%H')}"

  def weather(whole: false)
    speed = any(0..40)
    gust = one_of('', "G#{speed + any(5..20)}")
    from = one_of('VRB', format('%03d', any(0..36) * 10))
    wind = "#{from}#{format('%02d', speed)}#{gust}#{one_of('KT', 'MPS', 'KMH')}"
    seen = one_of('9999', 'CAVOK', '0800', '3000', '6000NDV')
    sky = one_of('NSC', 'SCT012', 'FEW010 BKN025', 'OVC004', 'VV001', 'BKN040 OVC060')
    [(wind if whole || any(0..2).positive?), (seen if whole || any(0..2).positive?), (sky if any(0..2).positive?)]
      .compact
  end

  def sun
    at = Time.utc(2026, any(1..12), any(1..28), any(0..23), any(0..59))
    place = [any(-75.0..75.0), any(-180.0..180.0)]
    seen = Fujin::Sun.new(at, *place)
    [seen.azimuth_deg, seen.elevation_deg, seen.in_the_eyes?(any(0.0..360.0)).to_s, seen.up?.to_s,
     Fujin::Sun.rise_and_set(at.to_date, *place)&.map(&:to_i),
     Fujin::Logbook::Night.minutes(at, at + (60 * any(1..90)), *place)]
  end

  def air
    air = Fujin::Atmosphere.new(elevation_m: any(-100.0..3000.0), qnh_pa: any(97_000.0..104_000.0),
                                temperature_k: one_of(nil, any(250.0..315.0)))
    [air.density_altitude_m, air.pressure_altitude_m, air.temperature_k, air.true_speed(30.0), wind(air)]
  end

  def wind(air)
    heading = any(0..359)
    drift = format('heading %<heading>03d at %<air>d, track %<track>03d at %<ground>d',
                   heading: heading, air: any(45..90), track: (heading + any(-20..20)) % 360, ground: any(30..110))
    found = Fujin::Wind.observed(one_of(drift, "#{any(0..365)}/#{any(0..110)}G#{any(0..110)}"), atmosphere: air)
    course = any(0.0..360.0)
    [found.to_a, found.to_s, found.text, found.vector, found.headwind_kt(course), found.crosswind_kt(course),
     found.drift_angle_deg(course, 40.0), found.groundspeed_kt(course, any(5.0..80.0)),
     found.with_headwind(any(-9.0..9.0), course).to_a, found.gust_spread_kt]
  rescue Fujin::InvalidInput => e
    e.message
  end
end
