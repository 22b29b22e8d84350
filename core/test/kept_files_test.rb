# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'scripted_flight'
require_relative 'kept'
require_relative '../../test/by_lot'

# Files drawn by lot: a flight in one of the formats, some channels of it, in units of a device's own, at its own rate,
# with holes, doubled moments and mad cells. What was read of each, derived from it, left out and said.
class KeptFilesTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_files_of_lot_/)

  R = Fujin::Recordings
  FILES = 12
  # Over midnight.
  START = Time.utc(2026, 11, 25, 23, 59, 10)
  NEVER_LEFT_OUT = %w[t_s utc].freeze

  6.times do |lot|
    define_method("test_files_of_lot_#{lot}_are_read_as_they_were") do
      random = Random.new(900 + lot)
      found = Array.new(FILES) { |i| ["file #{i}", answers(random)] }.to_h

      assert_empty Kept.differences("files_#{lot}", found)
    end
  end

  private

  def answers(random)
    text, headings = written(rows(random), random)
    recording = R.read(text, name: 'flight', headings: headings)
    { **Kept.sums(recording: [recording.times, recording.channels, recording.notes, recording.bridged,
                              recording.clock_s, recording.ignored_columns, recording.own_datum.to_s]),
      **measured(recording, random) }
  rescue Fujin::Error => e
    { 'refused' => e.message }
  end

  def measured(recording, random)
    day = conditions(%w[tansy-2 yarrow-4 sorrel-g].sample(random: random), oat_c: random.rand(-5..30))
    signals = R::Signals.new(recording, type: day.type, atmosphere: day.atmosphere,
                                        elevation_ft: [nil, 30.0].sample(random: random),
                                        wind: [nil, Fujin::Wind.parse('310/11')].sample(random: random))
    names = %i[agl alt gs track ias airspeed sink nr ne heading power pitch].select { |name| signals.signal?(name) }
    again = signals.rerecorded(signals.start_s + 2.0, signals.start_s + 12.0, Fujin::Stratified.new(4),
                               Random.new(5))
    Kept.sums(signals: names.map { |name| [name, signals[name], signals.estimated?(name).to_s] },
              wind: [signals.wind&.to_a, signals.wind_source.to_s], ground: signals.agl_zero_ft,
              noise: signals.recorded_names.map { |name| [name, signals.noise_sd(name)] },
              cards: R::PowerCard.of(signals),
              again: names.map { |name| [name, again[name]] })
  end

  # A flight with a circle, so that there is a drift to find the wind by, and a power setting held.
  def rows(random)
    flight = ScriptedFlight.new(seed: random.rand(99), wind_kt: random.rand(0.0..15.0))
      .leg(random.rand(3.0..12.0)).leg(3, agl_ft: 5.0).leg(random.rand(4.0..14.0), ne_pct: 100.0)
      .leg(15, gs_kt: 60.0, agl_ft: random.rand(150.0..500.0), collective_pct: 60.0)
      .leg(random.rand(10.0..30.0), gs_kt: random.rand(45.0..75.0))
      .leg(30, turn_deg_s: random.rand(6.0..12.0)).leg(random.rand(4.0..14.0), agl_ft: 0.0, gs_kt: 0.0).leg(8)
    every = [1, 1, 2, 5, 10].sample(random: random)
    flight.samples.each_slice(every).map { |some| believed(some.first, random) }
  end

  # As the channels of the format have it.
  def believed(sample, random)
    sample.merge('alt_msl_ft' => (sample['agl_ft'] + 30.0 + random.rand(-0.5..0.5)).round(2),
                 'rotor_rpm' => (sample['nr_pct'] * 5.3).round(1), 'oat_c' => 12.0)
  end

  def written(rows, random)
    case random.rand(6)
    when 0 then [nmea(rows, random), nil]
    when 1 then [gpx(rows, random), nil]
    when 2 then [igc(rows, random), nil]
    when 3 then told(rows, random)
    else [csv(damaged(fewer(rows, random), random)), nil]
    end
  end

  def nmea(rows, random)
    rows.flat_map { |row| R::Nmea.sentences(row, START + row['t_s']) }
      .reject { random.rand < 0.01 }.map { |line| random.rand < 0.01 ? line.sub(/\d/, '7') : line }.join("\r\n")
  end

  def gpx(rows, random)
    points = rows.map do |row|
      more = random.rand < 0.9 ? "<extensions><nr_pct>#{row['nr_pct']}</nr_pct></extensions>" : ''
      %(<trkpt lat="#{row['lat_deg']}" lon="#{row['lon_deg']}"><ele>#{row['alt_msl_ft'] * 0.3048}</ele>) +
        "<time>#{(START + row['t_s']).iso8601(2)}</time>#{more}</trkpt>"
    end
    %(<?xml version="1.0"?><gpx version="1.1"><trk><trkseg>#{points.join("\n")}</trkseg></trk></gpx>)
  end

  def igc(rows, random)
    fixes = rows.each_slice(10).map do |row,|
      format('B%<clock>s%<lat>sN%<lon>sW%<valid>s%<pressure>05d%<height>05d',
             clock: (START + row['t_s'].round).strftime('%H%M%S'), lat: thousandths(row['lat_deg'], 2),
             lon: thousandths(-row['lon_deg'], 3), valid: random.rand < 0.05 ? 'V' : 'A', pressure: 40,
             height: (row['alt_msl_ft'] * 0.3048).round + 12)
    end
    "AFJN001\r\nHFDTE251126\r\n#{fixes.join("\r\n")}\r\n"
  end

  def thousandths(degrees, width)
    minutes = (degrees * 60_000).round
    format("%0#{width}d%05d", minutes / 60_000, minutes % 60_000)
  end

  # In a device's own words and units, which a person has said.
  def told(rows, random)
    columns = rows.first.keys.map do |channel|
      [channel, channel == 't_s' ? 's' : R::Headings.units(channel).sample(random: random)]
    end
    headings = R::Headings.new(columns.map do |name, unit|
      { 'heading' => "My #{name}", 'channel' => name, 'unit' => unit }
    end)
    lines = rows.map { |row| row.values.map { |value| value.to_s.tr('.', ',') }.join(';') }
    [[columns.map { |name,| "My #{name}" }.join(';'), *lines].join("\n"), headings]
  end

  def fewer(rows, random)
    gone = (rows.first.keys - NEVER_LEFT_OUT).select { random.rand < 0.25 }
    rows.map { |row| row.except(*gone) }
  end

  # Holes of all lengths, a moment twice, a jump back, cells that are none.
  def damaged(rows, random)
    rows = rows.map(&:dup)
    random.rand(4).times do
      from = random.rand(rows.size)
      name = (rows.first.keys - NEVER_LEFT_OUT).sample(random: random)
      rows[from, random.rand(1..25)].each { |row| row[name] = ['', 'x', 1e6].sample(random: random) }
    end
    rows.slice!(random.rand(rows.size), random.rand(1..25)) if random.rand < 0.4
    rows.insert(random.rand(rows.size), rows[random.rand(rows.size)].dup) if random.rand < 0.3
    random.rand < 0.2 ? rows.map { |row| row.merge('gs_kt' => row['gs_kt'].to_f * 0.5144) } : rows
  end

  def csv(rows) = [rows.first.keys.join(','), *rows.map { |row| row.values.join(',') }].join("\n") << "\n"
end
