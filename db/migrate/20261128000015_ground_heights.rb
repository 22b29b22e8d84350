# frozen_string_literal: true

# Heights of the ground that the school has as a grid; sites ask for what is around them.
class GroundHeights < ActiveRecord::Migration[7.2]
  def change
    create_table :terrain_grids, id: :uuid do |t|
      t.string :name, null: false
      t.binary :packed, null: false
      t.float :west_deg, null: false
      t.float :east_deg, null: false
      t.float :south_deg, null: false
      t.float :north_deg, null: false
      t.float :cell_deg, null: false
      t.references :added_by, type: :uuid, foreign_key: { to_table: :people }
      t.timestamps
      t.index 'lower(name)', unique: true
    end
  end
end
