# frozen_string_literal: true

# Sites that the school has surveyed, each as the GeoJSON it was drawn in, and what students found there by themselves.
class Sites < ActiveRecord::Migration[7.2]
  def change
    create_table :sites, id: :uuid do |t|
      t.string :name, null: false
      t.jsonb :document, null: false
      t.references :changed_by, type: :uuid, foreign_key: { to_table: :people }
      t.integer :lock_version, null: false, default: 0
      t.timestamps
      t.index 'lower(name)', unique: true
    end
    create_table :site_surveys, id: :uuid do |t|
      t.references :site, type: :uuid, null: false, foreign_key: true
      t.references :student, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :asked_by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.jsonb :features, null: false, default: []
      t.datetime :handed_in_at
      t.integer :level
      t.string :note
      t.references :graded_by, type: :uuid, foreign_key: { to_table: :people }
      t.integer :lock_version, null: false, default: 0
      t.timestamps
      t.index %i[site_id student_id], unique: true
    end
    add_check_constraint :site_surveys, 'level IS NULL OR level BETWEEN 1 AND 4', name: 'site_surveys_level'
    add_check_constraint :site_surveys, 'level IS NULL OR handed_in_at IS NOT NULL', name: 'site_surveys_graded'
  end
end
