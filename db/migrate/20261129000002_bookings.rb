# frozen_string_literal: true

# Who flies what when, agreed beforehand. The database itself refuses that anybody, or an aircraft, is booked twice at
# one time. What an aircraft needs before it flies, and when people are away, stand beside it.
class Bookings < ActiveRecord::Migration[7.2]
  def change
    enable_extension 'btree_gist'
    fleet
    bookings
    create_table :absences, id: :uuid do |t|
      t.references :person, type: :uuid, null: false, foreign_key: true
      t.datetime :from_at, null: false
      t.datetime :to_at, null: false
      t.string :words, null: false
      t.string :source, null: false, default: 'own'
      t.timestamps
    end
    create_table :waits, id: :uuid do |t|
      t.references :student, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :instructor, type: :uuid, foreign_key: { to_table: :people }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.date :from_on, null: false
      t.date :until_on, null: false
      t.string :note
      t.datetime :done_at
      t.datetime :created_at, null: false
    end
    create_table :weather_forecasts do |t|
      t.string :station, null: false
      t.text :text, null: false
      t.datetime :created_at, null: false
      t.index %i[station created_at]
    end
    add_column :people, :calendar_digest, :string
    add_index :people, :calendar_digest, unique: true
  end

  private

  def fleet
    change_table :aircraft do |t|
      t.float :hours_before, null: false, default: 0.0
      t.date :hours_since
      t.boolean :dual_controls, null: false, default: true
      t.string :recorder
      t.string :grounded_why
      t.datetime :grounded_at
      t.datetime :retired_at
    end
    create_table :maintenance_items, id: :uuid do |t|
      t.references :aircraft, type: :uuid, null: false, foreign_key: { to_table: :aircraft }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :title, null: false
      t.float :at_hours
      t.date :on_day
      t.datetime :done_at
      t.string :done_note
      t.datetime :created_at, null: false
    end
    create_table :defects, id: :uuid do |t|
      t.references :aircraft, type: :uuid, null: false, foreign_key: { to_table: :aircraft }
      t.references :sortie, type: :uuid, foreign_key: true
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :text, null: false
      t.boolean :grounds, null: false, default: false
      t.datetime :created_at, null: false
      t.datetime :cleared_at
      t.string :cleared_note
      t.references :cleared_by, type: :uuid, foreign_key: { to_table: :people }
    end
  end

  def bookings
    create_table :bookings, id: :uuid do |t|
      t.string :kind, null: false
      t.references :student, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :instructor, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :examiner, type: :uuid, foreign_key: { to_table: :people }
      t.references :aircraft, type: :uuid, null: false, foreign_key: { to_table: :aircraft }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :sortie, type: :uuid, foreign_key: true
      t.uuid :series_id, index: true
      t.datetime :from_at, null: false, index: true
      t.datetime :to_at, null: false
      t.string :note
      t.string :despite
      t.string :state, null: false, default: 'booked'
      t.string :cancelled_why
      t.datetime :cancelled_at
      t.integer :lock_version, null: false, default: 0
      t.timestamps
    end
    create_table :booking_seats do |t|
      t.references :booking, type: :uuid, null: false, foreign_key: { on_delete: :cascade }
      t.references :person, type: :uuid, null: false, foreign_key: true
      t.datetime :from_at, null: false
      t.datetime :to_at, null: false
    end
    add_check_constraint :bookings, "kind IN ('dual','solo','check')", name: 'bookings_kind'
    add_check_constraint :bookings, "state IN ('booked','cancelled')", name: 'bookings_state'
    add_check_constraint :bookings, 'from_at < to_at', name: 'bookings_forwards'
    reversible { |way| way.up { never_twice } }
  end

  def never_twice
    execute <<~SQL
      ALTER TABLE bookings ADD CONSTRAINT aircraft_never_twice
        EXCLUDE USING gist (aircraft_id WITH =, tsrange(from_at, to_at) WITH &&) WHERE (state = 'booked');
      ALTER TABLE booking_seats ADD CONSTRAINT people_never_twice
        EXCLUDE USING gist (person_id WITH =, tsrange(from_at, to_at) WITH &&);
    SQL
  end
end
