# frozen_string_literal: true

require_relative 'test_helper'
require 'stringio'
require 'zlib'

# When a recording was made: what each format says of the day and the time, so that a tap in the cockpit finds its
# moment; what says nothing is not made up.
class RecordingClockTest < Minitest::Test
  MOMENT = Time.utc(2026, 6, 3, 14, 5, 30)

  def read(text) = Fujin::Recordings.read(text, name: 'flight')

  def signals(text)
    Fujin::Recordings::Signals.new(read(text), type: type, atmosphere: Fujin::Atmosphere.new, wind: Fujin::Wind.calm)
  end

  # The moment of the third sample in recording time, told by the clock.
  def assert_clocked(found, at: MOMENT + 2, after_s: 2.0)
    assert_predicate found, :clocked?
    assert_in_delta after_s, found.at_clock(at.to_f) - found.start_s, 0.01
  end

  def csv(rows) = "utc,ias_kt,lat_deg,lon_deg\n#{rows.map { |utc| "#{utc},60,47.2104,-14.332" }.join("\n")}\n"

  # The same three seconds, as the clock of anywhere says them.
  {
    'utc' => %w[2026-06-03T14:05:30Z 2026-06-03T14:05:31Z 2026-06-03T14:05:32Z],
    'no_zone' => %w[2026-06-03T14:05:30 2026-06-03T14:05:31 2026-06-03T14:05:32],
    'a_space' => ['2026-06-03 14:05:30', '2026-06-03 14:05:31', '2026-06-03 14:05:32'],
    'summer_time' => %w[2026-06-03T16:05:30+02:00 2026-06-03T16:05:31+02:00 2026-06-03T16:05:32+02:00],
    'the_west' => %w[2026-06-03T07:35:30-06:30 2026-06-03T07:35:31-06:30 2026-06-03T07:35:32-06:30]
  }.each { |what, rows| define_method("test_a_csv_file_in_#{what}") { assert_clocked(signals(csv(rows))) } }

  # Both columns: `t_s` counts, `utc` says when it began.
  def test_a_csv_file_that_counts_and_says_when
    rows = (0..4).map { |i| "#{100 + i},#{(MOMENT + i).strftime('%Y-%m-%dT%H:%M:%SZ')},60" }
    found = signals("t_s,utc,ias_kt\n#{rows.join("\n")}\n")

    assert_clocked(found)
    assert_in_delta 102.0, found.at_clock((MOMENT + 2).to_f), 0.01
  end

  # The first row has no clock yet, as while a receiver looks for its satellites.
  def test_the_first_clock_counts_back_to_the_start
    rows = (0..4).map { |i| "#{i},#{(MOMENT + i).strftime('%Y-%m-%dT%H:%M:%SZ') if i > 1},60" }

    assert_clocked(signals("t_s,utc,ias_kt\n#{rows.join("\n")}\n"))
  end

  def test_a_csv_file_that_only_counts_has_no_clock
    refute_predicate signals("t_s,ias_kt\n0,60\n1,61\n2,62\n"), :clocked?
  end

  def test_words_in_the_clock_are_gaps_with_their_place
    found = read("utc,ias_kt\n2026-06-03T14:05:30Z,60\nhalf past two,61\n2026-06-03T14:05:32Z,62\n")

    assert_equal 2, found.size
    assert_match(/line 3, column utc: "half past two"/, found.notes.join)
  end

  def gpx(times)
    '<?xml version="1.0"?><gpx><trk><trkseg>' \
      "#{times.map do |t|
        "<trkpt lat=\"47.2\" lon=\"-14.3\"><ele>100</ele>#{t && "<time>#{t}</time>"}</trkpt>"
      end.join}</trkseg></trk></gpx>"
  end

  def test_a_gpx_track
    assert_clocked(signals(gpx((0..4).map { |i| (MOMENT + i).strftime('%Y-%m-%dT%H:%M:%SZ') })))
    assert_clocked(signals(gpx((0..4).map { |i| (MOMENT + i).getlocal('+02:00').strftime('%Y-%m-%dT%H:%M:%S%:z') })))
  end

  def test_gpx_points_without_a_time_are_left_out_and_said
    found = read(gpx(['2026-06-03T14:05:30Z', nil, 'noon', '2026-06-03T14:05:33Z']))

    assert_equal 2, found.size
    assert_match(/2 track points without a time/, found.notes.join)
  end

  def igc(date) =
    [
      'AFJN001',
      date,
      *(0..4).map { |i| format('B%s4712624N01419920WA0010000110', (MOMENT + i).strftime('%H%M%S')) }
    ].compact.join("\r\n")

  def test_an_igc_log_with_and_without_its_day
    assert_clocked(signals(igc('HFDTE030626')))
    assert_clocked(signals(igc('HFDTEDATE:030626,01')))
    refute_predicate signals(igc('HFPLTPILOTINCHARGE:')), :clocked?
  end

  def test_an_igc_day_that_there_is_not_is_none
    refute_predicate signals(igc('HFDTE320626')), :clocked?
  end

  def nmea(seconds)
    seconds
      .flat_map do |i|
        Fujin::Recordings::Nmea.sentences(
          {
            'lat_deg' => 47.2,
            'lon_deg' => -14.3,
            'gs_kt' => 60.0,
            'track_deg' => 10.0,
            'alt_msl_ft' => 500.0,
            'hdg_deg' => 11.0,
            'ias_kt' => 61.0
          },
          MOMENT + i
        )
      end
      .join("\r\n")
  end

  def test_nmea_sentences
    assert_clocked(signals(nmea(0..4)))
  end

  # A position that the receiver does not stand for begins no sample.
  def test_an_nmea_fix_that_is_not_valid_is_left_out
    whole = nmea(0..4).lines
    at = whole.index { |line| line.include?((MOMENT + 2).strftime('RMC,%H%M%S')) }
    body = whole[at].strip[/\A\$([^*]*)/, 1].sub(',A,', ',V,')
    whole[at] = "#{Fujin::Recordings::Nmea.sentence(body.split(',', -1))}\r\n"

    assert_equal 4, read(whole.join).size
  end

  def test_packed_it_says_the_same
    out = StringIO.new
    Zlib::GzipWriter.wrap(out) { |gz| gz.write(nmea(0..4)) }

    assert_clocked(signals(out.string))
  end

  # A tap of the cockpit's clock two seconds in: the same moment in every format.
  def test_every_format_has_a_tap_at_the_same_moment
    tap = (MOMENT + 3).to_f
    all = [
      signals(csv((0..4).map { |i| (MOMENT + i).strftime('%Y-%m-%dT%H:%M:%SZ') })),
      signals(gpx((0..4).map { |i| (MOMENT + i).strftime('%Y-%m-%dT%H:%M:%SZ') })),
      signals(igc('HFDTE030626')),
      signals(nmea(0..4))
    ]

    all.each { |found| assert_in_delta 3.0, found.at_clock(tap) - found.start_s, 0.01 }
  end
end
