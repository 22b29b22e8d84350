# frozen_string_literal: true

# People, aircraft, sorties and everything that is recorded of them.
class CreateTheSchool < ActiveRecord::Migration[7.2]
  def change
    create_table :schools do |t|
      t.string :name, null: false
      t.string :station, null: false
      t.jsonb :house, null: false, default: {}
      t.jsonb :readiness, null: false, default: {}
      t.text :public_key, null: false
      t.text :sealed_private_key, null: false
      t.integer :lock_version, null: false, default: 0
      t.timestamps
    end

    create_table :people, id: :uuid do |t|
      t.string :name, null: false
      t.string :sign_in, null: false, index: { unique: true }
      t.string :role, null: false
      t.string :stage
      t.float :mass_kg, null: false
      t.string :password_digest, null: false
      t.integer :lock_version, null: false, default: 0
      t.timestamps
    end
    add_check_constraint :people, "role IN ('chief_instructor','instructor','student')", name: 'people_role'

    create_table :aircraft, id: :uuid do |t|
      t.string :mark, null: false, index: { unique: true }
      t.string :type_id, null: false
      t.boolean :look_at_it, null: false, default: false
      t.string :look_at_it_reason
      t.integer :lock_version, null: false, default: 0
      t.timestamps
    end

    create_table :sorties, id: :uuid do |t|
      t.references :student, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :instructor, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :aircraft, type: :uuid, null: false, foreign_key: { to_table: :aircraft }
      t.datetime :starts_at, null: false, index: true
      t.string :manoeuvre, null: false
      t.string :stage, null: false
      t.string :people_aboard, null: false, default: 'dual'
      t.float :fuel_kg, null: false
      t.float :wind_from_deg
      t.float :wind_kt
      t.float :gust_kt
      t.float :oat_c, null: false, default: 15.0
      t.float :dew_point_c
      t.float :qnh_hpa, null: false, default: 1013.25
      t.float :elevation_ft, null: false, default: 0.0
      t.string :spot_name, null: false
      t.float :spot_lat_deg, null: false
      t.float :spot_lon_deg, null: false
      t.float :course_deg
      t.float :height_ft, null: false, default: 1000.0
      t.jsonb :house, null: false, default: {}
      t.string :objective
      t.string :go_decision
      t.string :go_reason
      t.datetime :off_at
      t.datetime :on_at
      t.string :next_focus
      t.integer :lock_version, null: false, default: 0
      t.timestamps
    end

    create_table :fly_events, id: :uuid do |t|
      t.references :sortie, type: :uuid, null: false, foreign_key: true
      t.bigint :position, null: false
      t.string :kind, null: false
      t.integer :attempt_no
      t.string :phase
      t.datetime :at, null: false
      t.jsonb :payload, null: false, default: {}
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.datetime :created_at, null: false
    end
    execute 'CREATE SEQUENCE fly_events_position_seq OWNED BY fly_events.position'
    execute "ALTER TABLE fly_events ALTER COLUMN position SET DEFAULT nextval('fly_events_position_seq')"

    create_table :recordings, id: :uuid do |t|
      t.references :sortie, type: :uuid, null: false, foreign_key: true
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :name, null: false
      t.string :source, null: false, default: 'file'
      t.string :sha256
      t.binary :bytes
      t.string :status, null: false, default: 'waiting'
      t.string :step, null: false, default: 'waiting for a worker'
      t.float :progress, null: false, default: 0.0
      t.string :error
      t.jsonb :summary
      t.timestamps
      t.index %i[sortie_id sha256], unique: true
    end
    add_check_constraint :recordings, "status IN ('waiting','working','ready','failed')", name: 'recordings_status'

    create_table :recording_channels do |t|
      t.references :recording, type: :uuid, null: false, foreign_key: { on_delete: :cascade }
      t.string :name, null: false
      t.string :precision, null: false
      t.binary :samples, null: false
      t.index %i[recording_id name], unique: true
    end

    create_table :attempts, id: :uuid do |t|
      t.references :sortie, type: :uuid, null: false, foreign_key: true
      t.references :recording, type: :uuid, null: false, foreign_key: true
      t.integer :position, null: false
      t.string :manoeuvre, null: false
      t.float :start_s, null: false
      t.float :end_s, null: false
      t.boolean :counts, null: false, default: true
      t.string :void_reason
      t.jsonb :proposal, null: false
      t.jsonb :path, null: false, default: []
      t.integer :lock_version, null: false, default: 0
      t.timestamps
      t.index %i[recording_id position], unique: true
    end

    create_table :grades, id: :uuid do |t|
      t.references :attempt, type: :uuid, null: false, foreign_key: true
      t.string :phase, null: false
      t.string :kind, null: false
      t.integer :grade, null: false
      t.integer :proposed
      t.string :reason
      t.string :standard_version, null: false
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.bigint :position, null: false
      t.datetime :created_at, null: false
    end
    execute 'CREATE SEQUENCE grades_position_seq OWNED BY grades.position'
    execute "ALTER TABLE grades ALTER COLUMN position SET DEFAULT nextval('grades_position_seq')"
    add_check_constraint :grades, 'grade BETWEEN 0 AND 4', name: 'grades_five_steps'
    add_check_constraint :grades, "kind IN ('self','instructor')", name: 'grades_kind'

    create_table :sign_offs, id: :uuid do |t|
      t.references :student, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :manoeuvre, null: false
      t.integer :chain_position, null: false, index: { unique: true }
      t.string :document_hash, null: false
      t.text :document, null: false
      t.datetime :created_at, null: false
    end

    create_table :sign_off_withdrawals, id: :uuid do |t|
      t.references :sign_off, type: :uuid, null: false, foreign_key: true, index: { unique: true }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :reason, null: false
      t.datetime :created_at, null: false
    end

    append_only :fly_events, :grades, :sign_offs, :sign_off_withdrawals
  end

  private

  # The database itself refuses to change or drop these rows.
  def append_only(*tables)
    execute <<~SQL
      CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN RAISE EXCEPTION '% is append-only', TG_TABLE_NAME; END $$;
    SQL
    tables.each do |table|
      execute "CREATE TRIGGER #{table}_append_only BEFORE UPDATE OR DELETE ON #{table} FOR EACH ROW EXECUTE FUNCTION " \
        'refuse_change()'
    end
  end
end
