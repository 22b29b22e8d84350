# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_files'

# Logs of fixes by the gliders' standard: places, days, columns of their own, what is none.
class IgcTest < Minitest::Test
  include WrittenFiles

  def test_an_igc_log_has_positions_speeds_and_its_own_heights
    found = read(igc)

    assert_in_delta rows[40]['lat_deg'], found['lat_deg'][20], 2e-5
    assert_in_delta rows[40]['ias_kt'], found['ias_kt'][20], 0.4
    assert_in_delta start.to_f + rows[40]['t_s'], found.times[20], 0.11
    assert found.own_datum
    signals = R::Signals.new(found, type: type, atmosphere: Fujin::Atmosphere.new, elevation_ft: 900.0)

    assert_in_delta rows[40]['agl_ft'], signals[:agl][signals.index(found.times[20])], 12.0
  end

  def test_an_igc_log_over_midnight_goes_on
    found = read(igc(from: Time.utc(2026, 11, 25, 23, 59, 40)))

    assert_operator found.duration_s, :<, 300
    assert_in_delta rows.to_a.last[0].to_f, found.duration_s, 1.0
  end

  # South of the equator and east of Greenwich: 12° 34.567' and 123° 45.678'.
  def test_an_igc_log_of_the_other_half_of_the_world
    found = read("HFDTE010226\r\nB1000001234567S12345678EA0010000150\r\nB1000591234567S12345678EA0010000150\r\n")

    assert_in_delta(-12.0 - (34.567 / 60.0), found['lat_deg'].first, 1e-9)
    assert_in_delta 123.0 + (45.678 / 60.0), found['lon_deg'].first, 1e-9
    assert_equal [Time.utc(2026, 2, 1, 10).to_f, Time.utc(2026, 2, 1, 10, 0, 59).to_f], found.times
  end

  # By the standard three digits stand before the decimals, of which there may be none: 052°, 101.5 km/h, 352°.
  def test_columns_that_an_igc_log_adds
    fixes = %w[00 10].map { |second| "B1000#{second}4712345N01423456WA00100001500521015352" }
    found = read(['HFDTE010226', 'I033638TRT3942GSP4345HDT', *fixes, ''].join("\r\n"))

    assert_in_delta 52.0, found['track_deg'].first
    assert_in_delta 101.5 / 1.852, found['gs_kt'].first, 1e-6
    assert_in_delta 352.0, found['hdg_deg'].first
  end

  # How far it has come, for who waits.
  def test_a_long_log_says_how_far_it_is
    lines = Array.new(10_200) { |i| Time.at(i).utc.strftime('B%H%M%S4712345N01423456WA0010000150') }
    told = []
    R.read(['HFDTE010226', *lines, ''].join("\r\n")) { |lines_read| told << lines_read }

    assert_equal [5000, 10_000], told.select(&:positive?)
  end

  def test_igc_fixes_that_are_none_are_left_out_with_the_line_of_the_first
    fixes = %w[100000 240000 106000 100060 235959].map { |clock| "B#{clock}4712345N01423456WA0010000150" }
    found = read(['HFDTE010226', *fixes, ''].join("\r\n"))

    assert_equal 2, found.size
    assert_includes found.notes.join, '3 fixes could not be read and were left out (first at line 3)'
  end

  def test_an_igc_log_without_a_date_says_so
    assert_match(/no date/, read(igc.sub(/HFDTE.*\r\n/, '')).notes.join)
  end
end
