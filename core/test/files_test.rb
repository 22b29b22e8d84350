# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'own_words'
require_relative 'written_files'

# Recordings in the formats of the world: GPX, IGC, NMEA, packed, in other words and other units.
class FilesTest < Minitest::Test
  include WrittenFiles

  def graded(recording, elevation_ft: nil)
    day = conditions(wind: Fujin::Wind.parse('350/8'))
    signals =
      R::Signals.new(recording, type: type, atmosphere: day.atmosphere, elevation_ft: elevation_ft, wind: day.wind)
    context =
      Fujin::Lessons.context(
        conditions: day,
        house: Fujin::Planning::HouseMethod.new('ending' => 'touchdown'),
        spot: SPOT,
        course_deg: 350.0,
        wind: day.wind,
        planned: true
      )
    Fujin::Grading::Grader.new(signals, context).proposals
  end

  def test_a_gpx_track_with_extensions_is_graded_like_the_csv
    found = read(gpx)

    assert_equal rows.size, found.size
    assert_in_delta start.to_f + rows[0]['t_s'], found.times[0], 0.01
    assert_in_delta rows[40]['nr_pct'], found['nr_pct'][40], 1e-6
    attempt = graded(found).first

    assert attempt, 'the autorotation is found'
    assert_in_delta landing.measure('glide_ias_mean_kt'), attempt.measures['glide_ias_mean_kt'].value, 0.5
    # Satellite heights tremble too much for a sink at contact: that is said, not guessed.
    assert_nil attempt.measures['contact_sink_fpm'].value
    assert_match(/tremble/, attempt.measures['contact_sink_fpm'].reason)
  end

  # A hundred metres are 328.084 ft, ten metres a second 19.438 kt.
  def test_a_gpx_track_counts_in_metres
    points = (0..3).map do |second|
      "<trkpt lat=\"47.2\" lon=\"-14.3\"><ele>100</ele><time>2026-06-22T10:00:0#{second}Z</time>" \
        '<speed>10</speed><course>123.5</course></trkpt>'
    end
    found = read("<?xml version=\"1.0\"?><gpx version=\"1.1\"><trk><trkseg>#{points.join}</trkseg></trk></gpx>")

    { 'alt_msl_ft' => 328.084, 'gs_kt' => 19.438, 'track_deg' => 123.5 }.each do |channel, value|
      assert_in_delta value, found[channel][2], 0.001, channel
    end
  end

  def test_a_bare_gpx_track_estimates_airspeed_from_the_wind
    attempt = graded(read(gpx(extensions: false)), elevation_ft: 0.0).first
    skip_or = attempt&.measures&.fetch('glide_ias_mean_kt', nil)

    assert attempt.nil? || skip_or.estimated || skip_or.value.nil?
  end

  def test_a_gpx_file_that_breaks_off_keeps_what_it_has
    whole = gpx
    found = read(whole[0, whole.size / 2])

    assert_operator found.size, :>, rows.size / 3
    assert_match(/breaks off/, found.notes.join)
  end

  def test_gpx_refusals_name_what_is_wrong
    assert_match(
      /no GPX track points with a time/,
      assert_raises(Fujin::UnreadableRecording) { read(gpx.gsub(%r{<time>.*?</time>}, '')) }.message
    )
    assert_match(
      /entities/,
      assert_raises(Fujin::UnreadableRecording) do
        read('<?xml version="1.0"?><!DOCTYPE g [<!ENTITY a "b">]><gpx/>')
      end.message
    )
    assert_raises(Fujin::UnreadableRecording) { read('<gpx><trk></gpx>') }
  end

  def test_a_packed_file_is_unpacked_and_a_damaged_one_said
    packed = Zlib.gzip(landing.csv)

    assert_equal read(landing.csv).times, read(packed).times
    assert_match(
      /cut short or damaged/,
      assert_raises(Fujin::UnreadableRecording) { read(packed[0, packed.size / 2]) }.message
    )
  end

  def test_semicolons_with_decimal_commas_tabs_and_two_byte_text
    plain = read("t_s,ias_kt,nr_pct\n0,60.5,100\n1,61,99.5\n")
    others = [
      "t_s;ias_kt;nr_pct\n0;60,5;100\n1;61;99,5\n",
      "t_s\tias_kt\tnr_pct\n0\t60.5\t100\n1\t61\t99.5\n",
      "\xFF\xFE".b + "t_s,ias_kt,nr_pct\n0,60.5,100\n1,61,99.5\n".encode('UTF-16LE').b
    ]
    others.each { |text| assert_equal plain.channels, read(text).channels }
  end

  def test_nothing_is_left_out_of_good_flights_in_strong_wind
    %w[350/35 170/20 080/25].each do |wind|
      day = conditions(wind: Fujin::Wind.parse(wind))
      run = Fujin::Manoeuvres::Autorotation::WholeFlight.new(day, course_deg: 350.0).run
      found = read(Fujin::Flight::Recorder.new(type: type, origin: SPOT, seed: 1).csv(run))

      assert_empty found.notes.grep(/left out/), wind
    end
  end

  # By hand: 304.8 m are 1,000 ft; 47°12.624' are 47.2104°; 15 minutes past ten.
  def test_a_sentence_says_what_it_says
    body = ->(words) { R::Nmea.sentence(words.split(',', -1)) }
    lines = [1, 2].flat_map do |second|
      [body.call("GPRMC,10150#{second}.00,A,4712.624,N,01419.920,W,63.5,350.2,251126,,,A"),
       body.call("GPGGA,10150#{second}.00,4712.624,N,01419.920,W,1,10,0.8,304.80,M,0.0,M,,"),
       body.call('ERRPM,S,1,520.0,,A'), body.call('YXXDR,G,61.5,,IAS,G,-3.0,,ROLL')]
    end
    found = read(lines.join("\r\n"))

    assert_in_delta Time.utc(2026, 11, 25, 10, 15, 1).to_f, found.times.first, 1e-6
    { 'lat_deg' => 47.2104, 'lon_deg' => -14.332, 'alt_msl_ft' => 1000.0, 'gs_kt' => 63.5, 'track_deg' => 350.2,
      'rotor_rpm' => 520.0, 'ias_kt' => 61.5, 'roll_deg' => -3.0 }
      .each { |channel, value| assert_in_delta value, found[channel].first, 1e-4, channel }
  end

  # South of the equator and east of Greenwich.
  def test_a_sentence_of_the_other_half_of_the_world
    lines = [1, 2].map do |second|
      R::Nmea.sentence("GPRMC,10150#{second}.00,A,1234.567,S,12345.678,E,63.5,350.2,251126,,,A".split(',', -1))
    end
    found = read(lines.join("\r\n"))

    assert_in_delta(-12.0 - (34.567 / 60.0), found['lat_deg'].first, 1e-9)
    assert_in_delta 123.0 + (45.678 / 60.0), found['lon_deg'].first, 1e-9
  end

  # A clock that was set back by an hour after ten seconds; one that stumbles by one second.
  def test_a_recorder_started_again_goes_on_after_what_came_before
    lines = ->(*seconds) do
      seconds.map do |s|
        R::Nmea.sentence(['GPRMC', (start + s).strftime('%H%M%S.%L'), 'A', '4712.624', 'N', '01419.920',
                          'W', 60.0, 350.0, (start + s).strftime('%d%m%y'), '', '', 'A'])
      end.join("\r\n")
    end
    again = read(lines.call(*0..10, *(-3600..-3590)))

    assert_equal 22, again.size
    assert_in_delta 5.0, again.times[11] - again.times[10], 1e-6
    assert_match(/set back by 3610 s/, again.notes.join)
    assert_equal 11, read(lines.call(*0..5, 4, *6..10)).size
    assert_equal 11, read(lines.call(*0..5, 3.1, *6..10)).size
    assert_equal 12, read(lines.call(*0..5, 2.9, *4..8)).size
  end

  # On either side of what tells another unit: an airspeed that is a share of the ground speed all through.
  {
    'm/s' => [[0.5144, 100.0], [0.38, 100.0], [0.64, 100.0], [0.5144, 115.0]],
    'km/h' => [[1.852, 70.0], [1.5, 75.0], [2.5, 70.0], [1.852, 50.0]]
  }.each do |unit, (told, *untold)|
    define_method("test_an_airspeed_in_#{unit.tr('/', '_')}_is_left_out") do
      notes = ->(share, ground) do
        rows = (0..60).map { |t| "#{t},#{ground + (0.2 * (t % 3))},#{((ground + (0.2 * (t % 3))) * share).round(3)}" }
        read("t_s,gs_kt,ias_kt\n#{rows.join("\n")}\n").notes.join
      end

      assert_match(/ias_kt was left out.*looks like #{unit}/, notes.call(*told))
      untold.each { |share, ground| assert_empty notes.call(share, ground), "#{share} of #{ground} kt" }
    end
  end

  # Bytes changed, dropped, doubled, cut: each file is read or refused in words, and what is read is in range.
  def test_five_thousand_mutated_files
    random = Random.new(20_261_125)
    sources = [
      landing.csv.lines.first(40).join,
      gpx.lines.first(30).join,
      igc.lines.first(40).join,
      nmea,
      Zlib.gzip(landing.csv.lines.first(40).join),
      OWN_WORDS
    ].map(&:b)
    5000.times do |n|
      bytes = mutated(sources[n % sources.size], random)
      begin
        found = read(bytes)
        assert_operator found.size, :>=, 2
        assert found.times.each_cons(2).all? { |a, b| b > a }, "run #{n}: times rise"
        found.channels.each do |name, values|
          assert values.all? { |v| v.nan? || v.between?(*R::Channels::RANGES[name]) }, "run #{n}: #{name} in range"
        end
      rescue Fujin::UnreadableRecording => e
        assert_match(/Nothing was changed|Split|again/, e.message, "run #{n}")
      end
    end
  end

  def mutated(bytes, random)
    out = bytes.dup
    random
      .rand(1..6)
      .times do
        at = random.rand(out.bytesize)
        case random.rand(6)
        when 0
          out.setbyte(at, random.rand(256))
        when 1
          out = out.byteslice(0, at) + (out.byteslice((at + random.rand(1..30))..) || '')
        when 2
          out = out.byteslice(0, at) + out.byteslice(at, random.rand(1..60)).to_s + out.byteslice(at..)
        when 3
          out = out.byteslice(0, [at, 40].max)
        when 4
          out.setbyte(at, "0123456789,;\n<>.-".bytes.sample(random: random))
        else
          out =
            out.byteslice(0, at) + ['1e999', '-', "\0", ',,', "\n\n", 'NaN', '9' * 40].sample(random: random) +
            out.byteslice(at..)
        end
      end
    out
  end
end
