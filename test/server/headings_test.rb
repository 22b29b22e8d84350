# frozen_string_literal: true

require_relative '../server_helper'

# Files of a device with its own headings: asked once, known from then on; packed files; the same file twice.
class HeadingsTest < Minitest::Test
  include ServerHelp

  NAMES = {
    't_s' => 'Elapsed [ms]',
    'ias_kt' => 'Airspeed (km/h)',
    'nr_pct' => 'Rotor %',
    'agl_ft' => 'Height AGL [m]',
    'collective_pct' => 'Coll',
    'throttle_pct' => 'Throttle pos',
    'pitch_deg' => 'Pitch',
    'lat_deg' => 'Lat',
    'lon_deg' => 'Lon',
    'hdg_deg' => 'Heading',
    'gs_kt' => 'Ground speed kt',
    'track_deg' => 'Track'
  }.freeze
  SCALE = { 't_s' => 1000.0, 'ias_kt' => 1.852, 'agl_ft' => 0.3048 }.freeze

  # The lesson as a device of its own words would write it.
  def own_words(csv)
    titles = csv.lines.first.chomp.split(',')
    rows = csv.lines.drop(1).map { |line| titles.zip(line.chomp.split(',')).to_h }
    body =
      rows.map do |row|
        NAMES.keys.map { |name| SCALE[name] ? (row[name].to_f * SCALE[name]).round(4) : row[name] }.join(',')
      end
    [NAMES.values.join(','), *body].join("\n") << "\n"
  end

  def send_file(bytes, to: @sortie)
    as(@instructor)
    upload(to, bytes)
    work_off
    Fujin::RecordingRow.order(:created_at).last
  end

  def tell(row, columns)
    put_json("/api/recordings/#{row.id}/headings", { columns: columns })
    work_off
    row.reload
  end

  def test_own_headings_are_asked_for_told_once_and_known_from_then_on
    row = send_file(own_words(recording(@sortie, faults: [{}, {}])))

    assert_equal 'failed', row.status
    assert_includes row.error, 'Say what its headings mean'
    get "/api/recordings/#{row.id}"
    asked = answer['summary']['headings']

    assert_equal(%w[t_s ms], asked.first.values_at('channel', 'unit'))
    row = tell(row, asked.map { |heading| heading.slice('heading', 'channel', 'unit') })

    assert_equal 202, status
    assert_equal 'ready', row.status
    assert_equal 2, @sortie.attempts.where(manoeuvre: 'straight_in_autorotation').count

    other = send_file(own_words(recording(@sortie, faults: [{}], seed: 2)), to: sortie)

    assert_equal 'ready', other.status
  end

  def test_meanings_that_cannot_be_are_refused_by_heading_and_nothing_is_kept
    row = send_file(own_words(recording(@sortie, faults: [{}, {}])))
    put_json(
      "/api/recordings/#{row.id}/headings",
      { columns: [{ heading: 'Elapsed [ms]', channel: 't_s', unit: 'kt' }] }
    )

    assert_equal 422, status
    assert_equal 'Elapsed [ms]', answer['errors'].first['path']
    assert_equal 0, Fujin::HeadingMapping.count
  end

  def test_a_recording_that_was_read_needs_no_telling
    row = send_file(recording(@sortie))
    put_json("/api/recordings/#{row.id}/headings", { columns: [{ heading: 't_s', channel: 't_s', unit: 's' }] })

    assert_equal 409, status
  end

  def test_a_packed_file_is_the_same_flight
    row = send_file(Zlib.gzip(recording(@sortie)))

    assert_equal 'ready', row.status
    assert_equal 1, @sortie.attempts.count
    again = send_file(recording(@sortie))

    assert_equal row.id, again.id
    assert_equal 1, @sortie.reload.attempts.count
  end

  def test_a_students_device_is_the_instructors_to_explain
    row = send_file(own_words(recording(@sortie, faults: [{}, {}])))
    as(@student)
    put_json("/api/recordings/#{row.id}/headings", { columns: [] })

    assert_equal 403, status
  end
end
