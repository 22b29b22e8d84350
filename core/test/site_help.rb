# frozen_string_literal: true

# Sites drawn in metres north and east of a made-up place, written as the GeoJSON that is read.
module SiteHelp
  MAP = Fujin::LocalMap.new(56.0, -4.0)
  ANSWERED = Fujin::Sites::Survey::REQUIRED.flat_map { |group, abouts| abouts.map { |about| [group, about] } }.freeze

  def place(north, east) = MAP.lat_lon(north.to_f, east.to_f).reverse

  def feature(kind, type, coordinates, **fields)
    { 'type' => 'Feature', 'properties' => { 'kind' => kind, **fields.transform_keys(&:to_s) },
      'geometry' => { 'type' => type, 'coordinates' => coordinates } }
  end

  def line(*places) = places.map { |north, east| place(north, east) }
  def ring(*places) = [line(*places, places.first)]

  # A meadow of 80 m by 60 m with a spot in its middle, one line in and one out along a course.
  def ground(**fields)
    feature('site', 'Polygon', ring([-40, -30], [40, -30], [40, 30], [-40, 30]),
            name: 'Meadow', elevation_ft: 300, surface: 'grass', slope_deg: 0, falls_toward_deg: 0, **fields)
  end

  def spot(north = 0, east = 0, **fields) =
    feature('spot', 'Point', place(north, east), id: 'spot', termination: 'hover', **fields)

  def approach(*places, **fields) =
    feature('approach', 'LineString', line(*(places.empty? ? [[-600, 0], [0, 0]] : places)),
            id: 'in', spot: 'spot', **fields)

  def departure(*places, **fields) =
    feature('departure', 'LineString', line(*(places.empty? ? [[0, 0], [600, 0]] : places)),
            id: 'out', spot: 'spot', **fields)

  def tree(north, east, top_ft, id: 'tree', **fields) =
    feature('obstacle', 'Point', place(north, east), id: id, what: 'tree', top_ft: top_ft, pass: 'surveyed', **fields)

  def wire(from, to, top_ft, id: 'wire', **fields) =
    feature('obstacle', 'LineString', line(from, to),
            id: id, what: 'wire', top_ft: top_ft, pass: 'surveyed', ends: %w[seen seen], **fields)

  def wood(south, north, west, east, top_ft, id: 'wood', **fields) =
    feature('obstacle', 'Polygon', ring([south, west], [north, west], [north, east], [south, east]),
            id: id, what: 'trees', top_ft: top_ft, pass: 'surveyed', **fields)

  # Every required point, answered by a low pass.
  def answers(*left_out, **changed)
    ANSWERED.reject { |_, about| left_out.include?(about) }.map do |group, about|
      feature('survey_point', 'Point', place(0, 0), id: "#{group}-#{about}", group: group, about: about, pass: 'low',
                                                    status: changed.fetch(about.to_sym, 'seen'))
    end
  end

  def document(*features) = { 'type' => 'FeatureCollection', 'features' => features.flatten }
  def site(*features) = Fujin::Sites::SiteFile.read(document(*features))

  def day(site, wind = '360/10', type: 'tansy-2', house: {}, **rest)
    Fujin::Manoeuvres::Confined::Day.of(site, Fujin::Aircraft::Library.find(type), Fujin::Planning::HouseMethod.new(house),
                                        wind: wind && Fujin::Wind.parse(wind), **rest)
  end

  def report(site, ...) = Fujin::Manoeuvres::Confined::Report.new(day(site, ...))
end
