# frozen_string_literal: true

# Places have a shape on the ground; an exercise has its place's elevation; an attempt may have a spot of its own.
class DrawnPlaces < ActiveRecord::Migration[7.2]
  BEFORE = "kind IN ('aerodrome','runway','strip','pad','area','spot','figure')"
  AFTER = "kind IN ('aerodrome','runway','strip','pad','area','spot','figure','line','obstacle')"

  def change
    add_column :places, :shape, :jsonb
    add_column :places, :width_ft, :float
    add_column :places, :height_ft, :float
    change_table :attempts, bulk: true do |t|
      t.string :spot_name
      t.float :spot_lat_deg
      t.float :spot_lon_deg
    end
    add_column :exercises, :elevation_ft, :float
    reversible do |way|
      way.up do
        kinds(AFTER)
        execute 'UPDATE exercises SET elevation_ft = s.elevation_ft FROM sorties s WHERE s.id = exercises.sortie_id'
        change_column_null :exercises, :elevation_ft, false
        remove_column :sorties, :elevation_ft
      end
      way.down do
        execute "DELETE FROM places WHERE kind IN ('line','obstacle')"
        kinds(BEFORE)
        add_column :sorties, :elevation_ft, :float, default: 0.0
        execute <<~SQL
          UPDATE sorties SET elevation_ft = (SELECT e.elevation_ft FROM exercises e WHERE e.sortie_id = sorties.id
                                             ORDER BY e.position LIMIT 1)
        SQL
        change_column_null :sorties, :elevation_ft, false
      end
    end
  end

  private

  def kinds(allowed)
    remove_check_constraint :places, name: 'places_kind'
    add_check_constraint :places, allowed, name: 'places_kind'
  end
end
