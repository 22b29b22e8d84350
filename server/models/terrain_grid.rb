# frozen_string_literal: true

require 'zlib'
require_relative 'record'

module Fujin
  # Heights of the ground that the school has: an ASCII grid, as it was given, packed.
  class TerrainGrid < Record
    # A site asks for the ground this far around it, degrees of latitude: some 3 km.
    AROUND_DEG = 0.03
    MOST_BYTES = 40 * 1024 * 1024
    WINDOWS = Kept.new(24)
    private_constant :WINDOWS

    belongs_to :added_by, class_name: 'Fujin::Person', optional: true
    scope :in_order, -> { order(Arel.sql('lower(name)')) }
    scope :covering, ->(lat, lon) {
      where('south_deg < :lat AND north_deg > :lat AND west_deg < :lon AND east_deg > :lon', lat: lat, lon: lon)
    }

    # @param text [String] the file
    # @raise [InvalidInput] naming the line
    def text=(text)
      grid = Sites::TerrainFile.read(text)
      assign_attributes(packed: Zlib.gzip(text), cell_deg: grid.cell_deg, west_deg: grid.west_deg,
                        east_deg: grid.east_deg, south_deg: grid.south_deg, north_deg: grid.north_deg)
    end

    # The ground about a place, by the finest grid that has it.
    # @return [Sites::Terrain, nil]
    def self.about(lat, lon)
      covering(lat, lon).order(:cell_deg, :created_at).select(:id, :updated_at).lazy
        .filter_map { |row| window(row, lat, lon) }.first
    end

    def self.window(row, lat, lon)
      WINDOWS.fetch([row.id, row.updated_at, lat, lon]) do
        found = Sites::TerrainFile.read(Zlib.gunzip(find(row.id).packed)).near(lat, lon, AROUND_DEG)
        found if found&.height_m(lat, lon)
      end
    end
    private_class_method :window
  end
end
