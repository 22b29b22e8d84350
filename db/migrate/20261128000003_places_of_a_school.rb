# frozen_string_literal: true

# The places that a school teaches at: by name, where they are, how high, and the courses that are flown there.
class PlacesOfASchool < ActiveRecord::Migration[7.2]
  def change
    create_table :places, id: :uuid do |t|
      t.string :name, null: false
      t.string :kind, null: false
      t.float :lat_deg, null: false
      t.float :lon_deg, null: false
      t.float :elevation_ft, null: false
      t.jsonb :courses, null: false, default: []
      t.integer :lock_version, null: false, default: 0
      t.timestamps
      t.index 'lower(name)', unique: true
    end
    add_check_constraint :places, "kind IN ('aerodrome','runway','strip','pad','area','spot','figure')",
                         name: 'places_kind'
    reversible do |way|
      # What lessons were flown at so far, each name once.
      way.up do
        execute <<~SQL
          INSERT INTO places (id, name, kind, lat_deg, lon_deg, elevation_ft, courses, created_at, updated_at)
          SELECT DISTINCT ON (lower(exercises.spot_name)) gen_random_uuid(), exercises.spot_name, 'spot',
                 exercises.spot_lat_deg, exercises.spot_lon_deg, sorties.elevation_ft, '[]', now(), now()
          FROM exercises JOIN sorties ON sorties.id = exercises.sortie_id
          ORDER BY lower(exercises.spot_name), exercises.created_at
        SQL
      end
    end
  end
end
