# frozen_string_literal: true

module Fujin
  # The school's places, by coordinates or from GeoJSON, and back.
  class PlacesArea < Area
    FIELDS = %w[name kind lat_deg lon_deg elevation_ft courses width_ft height_ft].freeze

    get_route('/api/places') { json(places) }

    post_route '/api/places' do
      named_once('place', body_json['name']) do
        Place.create!(body_json.slice('id', *FIELDS).merge(line)) unless Place.exists?(id: body_json['id'])
      end
      json(places, status: 201)
    end

    delete_route '/api/places/:id' do
      Place.find(params['id']).destroy!
      json(places)
    end

    get_route '/api/places/geojson' do
      content_type 'application/geo+json'
      headers 'Content-Disposition' => 'attachment; filename="places.geojson"'
      features = Place.in_order.map { |place| PlaceFeature.write(place) }
      JSON.pretty_generate('type' => 'FeatureCollection', 'features' => features)
    end

    # A place of a name that there is takes on what the file says; nothing is removed.
    post_route '/api/places/geojson' do
      features = body_json['features']
      fields = features.each_with_index.map { |feature, i| PlaceFeature.read(feature, i, kinds: Place::KINDS) }
      Place.transaction do
        fields.each { |one| (Place.find_by('lower(name) = lower(?)', one[:name]) || Place.new).update!(one) }
      end
      json(places, status: 201)
    end

    helpers do
      # The line to the far end, with the courses along it where none were given.
      def line
        far = body_json['far_end'] or return {}
        points = [body_json.values_at('lon_deg', 'lat_deg'), far.values_at('lon_deg', 'lat_deg')]
        { 'shape' => { 'type' => 'LineString', 'coordinates' => points },
          'courses' => body_json['courses'].presence || PlaceFeature.both_ways(points) }
      end

      def places = Place.in_order.map { |place| Serialisers.place(place) }
    end
  end
end
