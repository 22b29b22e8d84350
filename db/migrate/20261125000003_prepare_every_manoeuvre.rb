# frozen_string_literal: true

# What Prepare needs for the whole catalogue: an exercise's settings, each instructor's method, dispersion runs, the
# school's own aircraft types with their history, weather reports.
class PrepareEveryManoeuvre < ActiveRecord::Migration[7.2]
  def change
    add_column :sorties, :settings, :jsonb, null: false, default: {}
    change_column_null :sorties, :height_ft, true
    change_column_default :sorties, :height_ft, from: 1000.0, to: nil
    add_column :people, :house, :jsonb, null: false, default: {}

    create_table :dispersions, id: :uuid do |t|
      t.references :sortie, type: :uuid, null: false, foreign_key: true
      t.string :question, null: false
      t.jsonb :tried, null: false, default: {}
      t.string :status, null: false, default: 'waiting'
      t.integer :runs, null: false, default: 0
      t.string :error
      t.jsonb :result
      t.timestamps
      t.index %i[sortie_id question], unique: true
    end

    create_table :aircraft_type_versions do |t|
      t.string :type_id, null: false
      t.integer :number, null: false
      t.jsonb :data, null: false
      t.string :reason, null: false
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.datetime :created_at, null: false
      t.index %i[type_id number], unique: true
    end
    execute 'CREATE TRIGGER aircraft_type_versions_append_only BEFORE UPDATE OR DELETE ON aircraft_type_versions FOR ' \
      'EACH ROW EXECUTE FUNCTION refuse_change()'

    create_table :weather_reports do |t|
      t.string :station, null: false
      t.string :text, null: false
      t.jsonb :readings, null: false
      t.datetime :observed_at, null: false
      t.datetime :created_at, null: false
      t.index %i[station observed_at], unique: true
    end
  end
end
