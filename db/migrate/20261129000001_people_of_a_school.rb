# frozen_string_literal: true

# A school that is set up by hand: people who are invited, who leave, who have documents with dates; where they are
# signed in; and what was changed by whom, with why.
class PeopleOfASchool < ActiveRecord::Migration[7.2]
  def change
    change_table :schools do |t|
      t.string :time_zone, null: false, default: 'Etc/UTC'
      t.boolean :demo, null: false, default: false
      t.jsonb :bookings, null: false, default: {}
      t.jsonb :solo, null: false, default: {}
      t.float :lat_deg
      t.float :lon_deg
    end
    change_table :people do |t|
      t.string :email
      t.datetime :suspended_at
      t.date :left_on
      t.jsonb :units, null: false, default: {}
      t.text :second_factor
      t.datetime :second_factor_since
      t.jsonb :recovery_codes, null: false, default: []
    end
    change_column_null :people, :password_digest, true
    sign_ins
    papers
    history
  end

  private

  def sign_ins
    create_table :person_sessions, id: :uuid do |t|
      t.references :person, type: :uuid, null: false, foreign_key: true
      t.string :address
      t.string :device
      t.datetime :created_at, null: false
      t.datetime :seen_at, null: false
      t.datetime :ended_at
    end
    create_table :invitations, id: :uuid do |t|
      t.references :person, type: :uuid, null: false, foreign_key: true
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :token_digest, null: false, index: { unique: true }
      t.datetime :expires_at, null: false
      t.datetime :used_at
      t.datetime :created_at, null: false
    end
  end

  def papers
    create_table :person_documents, id: :uuid do |t|
      t.references :person, type: :uuid, null: false, foreign_key: true
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :kind, null: false
      t.string :type_id
      t.string :reference
      t.date :valid_from
      t.date :valid_until
      t.datetime :created_at, null: false
      t.datetime :withdrawn_at
    end
  end

  def history
    create_table :audit_entries do |t|
      t.datetime :at, null: false, index: true
      t.references :by, type: :uuid, foreign_key: { to_table: :people }
      t.string :what, null: false
      t.string :subject_kind, null: false
      t.string :subject_id, null: false
      t.string :subject, null: false
      t.jsonb :was, null: false, default: {}
      t.jsonb :became, null: false, default: {}
      t.string :why
      t.index %i[subject_kind subject_id]
    end
    create_table :record_views do |t|
      t.references :person, type: :uuid, null: false, foreign_key: true
      t.references :viewer, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.date :on_day, null: false
      t.integer :times, null: false, default: 1
      t.datetime :last_at, null: false
      t.index %i[person_id viewer_id on_day], unique: true
    end
    reversible do |way|
      way.up do
        execute 'CREATE TRIGGER audit_entries_append_only BEFORE UPDATE OR DELETE ON audit_entries ' \
          'FOR EACH ROW EXECUTE FUNCTION refuse_change()'
      end
    end
  end
end
