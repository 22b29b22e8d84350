# frozen_string_literal: true

require_relative 'test_helper'

# Files as they come: what is read, what is dropped and said, what is refused with its place.
class RecordingTest < Minitest::Test
  GOOD = "t_s,ias_kt,nr_pct,colour\n0,60,100,red\n0.1,61,99.5,red\n0.2,62,99,blue\n"

  def read(text) = Fujin::Recordings.read(text, name: 'flight.csv')
  def refusal(text) = assert_raises(Fujin::UnreadableRecording) { read(text) }

  def test_a_good_file
    found = read(GOOD)

    assert_equal [0.0, 0.1, 0.2], found.times
    assert_equal [60.0, 61.0, 62.0], found['ias_kt']
    assert_equal ['colour'], found.ignored_columns
    assert_empty found.notes
  end

  def test_byte_order_mark_and_other_line_ends
    assert_equal 3, read("\xEF\xBB\xBF#{GOOD.gsub("\n", "\r\n")}").size
    assert_equal 3, read(GOOD.tr("\n", "\r")).size
  end

  def test_quoted_cells
    assert_equal [60.0, 61.0], read(%("t_s","ias_kt"\n"0","60"\n"1","61"\n))['ias_kt']
  end

  def test_no_time_column_is_refused_with_line_and_what_was_expected
    error = refusal("ias_kt,nr_pct\n60,100\n61,99\n")

    assert_equal 1, error.line
    assert_includes error.message, 't_s'
    assert_includes error.message, 'Nothing was changed'
  end

  {
    'empty' => '',
    'blank' => "\n\n",
    'no known column' => "a,b\n1,2\n3,4\n",
    'a picture' => "\x89PNG\r\n\x1A\n\x00\x00\x00",
    'one row' => "t_s,ias_kt\n0,60\n",
    'a column twice' => "t_s,ias_kt,ias_kt\n0,1,2\n1,2,3\n",
    'Latin-1' => "t_s,ias_kt\n0,60\n1,\xE9\n",
    'words' => "Dear diary\nToday I flew\n"
  }.each do |what, bytes|
    define_method("test_#{what.tr(' -', '_')}_is_refused") { assert_includes refusal(bytes.b).message, 'flight.csv' }
  end

  def test_half_a_last_line_is_dropped_and_said
    found = read("#{GOOD}0.3,63")

    assert_equal 3, found.size
    assert_includes found.notes.join, 'last line (5) is cut short'
  end

  def test_a_whole_last_line_without_a_line_end_is_kept
    assert_equal 3, read(GOOD.chomp).size
  end

  def test_time_that_does_not_move_on_is_left_out_and_said
    found = read("t_s,ias_kt\n0,60\n1,61\n1,61\n0.5,61\n2,62\n")

    assert_equal [0.0, 1.0, 2.0], found.times
    assert_includes found.notes.join, '2 rows'
  end

  def test_cells_that_are_no_numbers_become_gaps_with_their_place
    found = read("t_s,ias_kt\n0,60\n0.1,fast\n0.2,62\n")

    assert_includes found.notes.first, 'line 3, column ias_kt: "fast"'
    assert_in_delta 61.0, found['ias_kt'][1] # bridged
  end

  def test_impossible_values_are_gaps_too
    found = read("t_s,nr_pct\n0,100\n5,99999\n10,100\n")

    assert_predicate found['nr_pct'][1], :nan?
  end

  def test_gaps_up_to_half_a_second_are_bridged_up_to_two_marked_longer_kept
    rows = (0..100).map { |i| [i * 0.1, i] }
    blank = ->(from, to) do
      ['t_s,ias_kt', *rows.map { |t, v| "#{t.round(1)},#{v unless t > from && t < to}" }, ''].join("\n")
    end
    short = read(blank.call(2.0, 2.4))
    middle = read(blank.call(2.0, 3.5))
    long = read(blank.call(2.0, 5.0))

    assert_empty short.bridged
    assert_in_delta 22.0, short['ias_kt'][22]
    assert_equal([[2.0, 3.5]], middle.bridged.map { |a, b| [a.round(1), b.round(1)] })
    assert_predicate long['ias_kt'][30], :nan?
  end

  # Ten seconds at 10 Hz, without the rows strictly between two times.
  def silent(from, to)
    rows = (0..100).map { |i| (i * 0.1).round(1) }.reject { |t| t > from && t < to }
    read(['t_s,ias_kt', *rows.map { |t| "#{t},#{t * 10.0}" }, ''].join("\n"))
  end

  # Of 0.7 s between two samples at 10 Hz, 0.6 s are blank.
  def test_gaps_on_either_side_of_half_a_second_and_two
    rows = (0..100).map { |i| (i * 0.1).round(1) }
    blank = ->(from, to) do
      read(['t_s,ias_kt', *rows.map { |t| "#{t},#{t unless t > from && t < to}" }, ''].join("\n"))
    end

    { 2.5 => [0, false], 2.7 => [1, false], 4.0 => [1, false], 4.2 => [0, true] }.each do |to, (marked, kept)|
      found = blank.call(2.0, to)

      assert_equal [marked, kept], [found.bridged.size, found['ias_kt'][25].nan?], "until #{to} s"
    end
  end

  def test_rows_that_are_missing_on_either_side_of_half_a_second_and_two
    { 2.5 => [0, nil], 2.6 => [1, 0.6], 3.9 => [1, 1.9], 4.2 => [0, 2.2] }.each do |to, (marked, longest)|
      found = silent(2.0, to)

      assert_equal marked, found.bridged.size, "until #{to} s"
      assert_equal [longest && "1 gaps in time, the longest #{longest} s"].compact, found.notes, "until #{to} s"
    end
  end

  # What nobody saw for longer than two seconds is not made up between its ends.
  def test_a_hole_without_rows_is_bridged_to_two_seconds_and_no_further
    { 3.9 => false, 4.2 => true }.each do |to, hole|
      rows = (0..100).map { |i| (i * 0.1).round(1) }.reject { |t| t > 2.0 && t < to }
      signals = signals_of(['t_s,collective_pct,ias_kt', *rows.map { |t| "#{t},#{t * 5.0},60" }, ''].join("\n"))
      there = [2.0, 3.0, to + 0.1].map { |t| signals[:collective][signals.index(t)] }

      assert_equal [false, hole, false], there.map(&:nan?), "until #{to} s"
      assert_in_delta 15.0, there[1], 1e-6 unless hole
    end
  end

  # At one a second, three of its own samples are no gap yet.
  def test_a_slow_recorder_s_own_spacing_is_no_gap
    slow = ->(without) do
      times = (0..60).to_a - without
      read(['t_s,ias_kt', *times.map { |t| "#{t},#{t}" }, ''].join("\n"))
    end

    assert_empty slow.call([10, 11]).notes
    assert_equal ['1 gaps in time, the longest 4.0 s'], slow.call([10, 11, 12]).notes
  end

  # What is blank from the beginning, or to the end, stands between nothing.
  def test_what_is_blank_at_either_end_stays_so
    found = read("t_s,ias_kt\n0,\n0.1,61\n0.2,62\n0.3,\n")

    assert_equal [true, false, false, true], found['ias_kt'].map(&:nan?)
  end

  def test_headings_are_bridged_the_short_way_round
    found = read("t_s,hdg_deg\n0,350\n0.1,\n0.2,10\n")

    assert_in_delta 0.0, Q.wrap_deg(found['hdg_deg'][1]), 1e-6
  end

  def test_utc_stands_in_for_t_s
    found = read("utc,ias_kt\n2026-11-25T10:00:00Z,60\n2026-11-25T10:00:01.5Z,61\n")

    assert_in_delta 1.5, found.duration_s, 1e-6
  end

  def test_too_many_rows_are_refused_before_they_are_read
    error = refusal("t_s,ias_kt\n#{"1,2\n" * 600_001}")

    assert_includes error.message, '600000'
  end

  def test_nmea_gives_the_same_flight_as_csv
    csv = fly.csv
    samples =
      csv.lines.drop(1).map { |line| csv.lines.first.chomp.split(',').zip(line.chomp.split(',').map(&:to_f)).to_h }
    normal = type.fetch('rotor.normal_speed_rad_s') * 60 / (2 * Math::PI)
    log =
      samples.flat_map do |s|
        Fujin::Recordings::Nmea.sentences(
          s.merge('rotor_rpm' => s['nr_pct'] * normal / 100),
          Time.at(1_795_600_000) + s['t_s']
        )
      end
    graded = grade_csv(log.join("\r\n"))

    assert_equal 1, graded.proposals.size
    assert_in_delta fly.measure('glide_rotor_rpm_mean_pct'), graded.measure('glide_rotor_rpm_mean_pct'), 0.05
    assert_in_delta fly.measure('miss_along_ft'), graded.measure('miss_along_ft'), 1.0
  end

  def test_a_broken_checksum_is_left_out_and_said
    good =
      Fujin::Recordings::Nmea.sentences(
        {
          'lat_deg' => 47.0,
          'lon_deg' => -151.0,
          'gs_kt' => 60.0,
          'track_deg' => 0.0,
          'alt_msl_ft' => 500.0,
          'hdg_deg' => 1.0,
          'ias_kt' => 61.0
        },
        Time.utc(2026, 11, 25, 23, 59, 59)
      )
    later =
      Fujin::Recordings::Nmea.sentences(
        {
          'lat_deg' => 47.0,
          'lon_deg' => -151.0,
          'gs_kt' => 60.0,
          'track_deg' => 0.0,
          'alt_msl_ft' => 500.0,
          'hdg_deg' => 1.0,
          'ias_kt' => 62.0
        },
        Time.utc(2026, 11, 26, 0, 0, 1)
      )
    found = read((good + ['$GPRMC,rubbish*00'] + later).join("\n"))

    assert_equal 2, found.size
    assert_in_delta 2.0, found.duration_s, 1e-6 # over midnight
    assert_includes found.notes.join, '1 sentences were broken'
  end

  # Whatever is done to a file, it is read or refused: no other error, no hang.
  def test_mutated_files_are_read_or_refused
    random = Random.new(20_261_125)
    base = fly(rate_hz: 2.0).csv
    300.times do |n|
      bytes = mutate(base, random)
      begin
        found = Fujin::Recordings.read(bytes, name: "mutant #{n}")

        assert_operator found.size, :>=, 2
        assert(found.times.each_cons(2).all? { |a, b| b > a })
      rescue Fujin::UnreadableRecording => e
        refute_empty e.message
      end
    end
  end

  def mutate(text, random)
    bytes = text.b
    (1 + random.rand(4)).times do
      at = random.rand(bytes.size)
      case random.rand(6)
      when 0 then bytes.setbyte(at, random.rand(256))
      when 1 then bytes.slice!(at, random.rand(400))
      when 2 then bytes.insert(at, ["\n", ',', '"', "\0", '-', 'nan', '1e999'].sample(random: random))
      when 3 then bytes = bytes[0, at + 1]
      when 4 then bytes << bytes[at, 300].to_s
      else bytes.sub!(/\A[^\n]*/) { |header| header.sub(',', random.rand < 0.5 ? ',,' : ';') }
      end
    end
    bytes
  end
end
