# frozen_string_literal: true

# Power checks flown at a site: what the gauge showed against what was predicted. They are added, never changed.
class PowerChecksAtSites < ActiveRecord::Migration[7.2]
  def change
    create_table :site_checks, id: :uuid do |t|
      t.references :site, type: :uuid, null: false, foreign_key: { on_delete: :cascade }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :type_id, null: false
      t.datetime :checked_at, null: false
      t.string :how, null: false
      t.float :height_ft
      t.float :ias_kt
      t.float :seen, null: false
      t.float :predicted, null: false
      t.string :unit, null: false
      t.float :k, null: false
      t.float :mass_kg, null: false
      t.float :density_altitude_ft, null: false
      t.timestamps
      t.index %i[site_id type_id checked_at]
    end
  end
end
