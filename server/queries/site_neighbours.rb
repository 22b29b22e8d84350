# frozen_string_literal: true

module Fujin
  # What the school's sites near by suggest for one of them, each with what would be taken into its survey: open, until
  # somebody has looked.
  class SiteNeighbours
    # Rough, before anything is read, degrees of latitude.
    NEAR_DEG = 0.2

    # @param row [SiteRow]
    def initialize(row)
      @row = row
    end

    # @return [Array<Hash>] the API's SiteSuggestion
    def suggestions
      Sites::Neighbours.new(@row.site, rows.keys).suggestions.map do |one|
        { 'site' => one.site, 'kind' => one.kind, 'about' => one.about, 'id' => one.id, 'text' => one.text,
          'feature' => one.kind == 'noted' ? point(one) : obstacle(one) }
      end
    end

    private

    # Sites near by with their rows.
    def rows
      @rows ||= SiteRow.where.not(id: @row.id).select { |row| near?(row) }.to_h { |row| [row.site, row] }
    end

    def near?(row)
      (lon, lat), (my_lon, my_lat) = [row, @row].map { |one| position(one) }
      (lat - my_lat).abs < NEAR_DEG && (lon - my_lon).abs * Math.cos(my_lat * Quantities::DEG) < NEAR_DEG
    end

    def position(row)
      row.document['features'].find { |one| one['properties']['kind'] == 'site' }['geometry']['coordinates'][0][0]
    end

    # As it is drawn there, its heights over this site's ground.
    def obstacle(one)
      site, row = rows.find { |other, _| other.name == one.site }
      drawn = row.document['features'].find { |each| each['properties']['id'] == one.id }
      higher = site.elevation_ft - @row.site.elevation_ft
      heights = drawn['properties'].slice('top_ft', 'base_ft').compact.transform_values do |feet|
        (feet + higher).round(1)
      end
      drawn.merge('properties' => drawn['properties'].merge(
        heights, 'id' => id_here(one), 'status' => 'open', 'pass' => 'high', 'note' => Text.of('seen at %{site}',
                                                                                               site: one.site)
      ).except('by', 'at', 'changes'))
    end

    def point(one)
      group = Sites::Survey::REQUIRED.find { |_, abouts| abouts.include?(one.about) }[0]
      { 'type' => 'Feature', 'geometry' => { 'type' => 'Point', 'coordinates' => position(@row) },
        'properties' => { 'kind' => 'survey_point', 'id' => id_here(one), 'group' => group, 'about' => one.about,
                          'status' => 'open', 'pass' => 'high', 'note' => "#{one.site}: #{one.note}"[0, 300] } }
    end

    # One that nothing in the drawing has yet.
    def id_here(one)
      id = "#{one.site.downcase.gsub(/[^a-z0-9]+/, '-')}-#{one.id}"[0, 60]
      taken = @row.document['features'].filter_map { |each| each['properties']['id'] }
      taken.include?(id) ? "#{id}-#{taken.size}" : id
    end
  end
end
