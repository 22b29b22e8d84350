# frozen_string_literal: true

# One landing as recorders of the world write it.
module WrittenFiles
  R = Fujin::Recordings

  def landing = fly(ending: 'touchdown')
  def rows = @rows ||= CSV.parse(landing.csv, headers: true, converters: :float)
  def read(text, **options) = R.read(text, name: 'flight', **options)
  def start = Time.utc(2026, 11, 25, 10)

  def gpx(extensions: true, from: start)
    points =
      rows.map do |row|
        more =
          if extensions
            "<extensions><ias_kt>#{row['ias_kt']}</ias_kt><x:nr_pct>#{row['nr_pct']}</x:nr_pct><x:collective_pct>" \
              "#{row['collective_pct']}</x:collective_pct></extensions>"
          else
            ''
          end
        %(<trkpt lat="#{row['lat_deg']}" lon="#{row['lon_deg']}"><ele>#{row['alt_msl_ft'] * 0.3048}</ele>) +
          "<time>#{(from + row['t_s']).iso8601(2)}</time>#{more}</trkpt>"
      end
    spaces = 'xmlns="http://www.topografix.com/GPX/1/1" xmlns:x="urn:x"'
    %(<?xml version="1.0"?>\n<gpx version="1.1" #{spaces}><trk><trkseg>\n#{points.join("\n")}\n</trkseg></trk></gpx>\n)
  end

  def igc(from: start)
    lines =
      rows
        .each_slice(2)
        .map(&:first)
        .map do |row|
          time = from + row['t_s']
          format(
            'B%<clock>s%<lat>s%<lon>sA%<pressure>05d%<height>05d%<ias>03d%<tenths>d',
            clock: time.strftime('%H%M%S'),
            lat: angle(row['lat_deg'], 2, %w[N S]),
            lon: angle(row['lon_deg'], 3, %w[E W]),
            pressure: 100,
            height: (row['alt_msl_ft'] * 0.3048).round + 47,
            ias: (row['ias_kt'] * 1.852).round,
            tenths: (row['t_s'] * 10).to_i % 10
          )
        end
    "AFJN001\r\nHFDTE#{from.strftime('%d%m%y')}\r\nI023638IAS3939TDS\r\n#{lines.join("\r\n")}\r\n"
  end

  def angle(value, width, sides)
    thousandths = (value.abs * 60_000).round
    format("%0#{width}d%05d%s", thousandths / 60_000, thousandths % 60_000, sides[value.negative? ? 1 : 0])
  end

  def nmea
    rows
      .first(20)
      .flat_map do |row|
        R::Nmea.sentences(
          row.to_h.slice('lat_deg', 'lon_deg', 'gs_kt', 'track_deg', 'alt_msl_ft', 'hdg_deg', 'ias_kt'),
          start + row['t_s']
        )
      end
      .join("\r\n")
  end
end
