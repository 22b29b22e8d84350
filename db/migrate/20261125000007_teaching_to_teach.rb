# frozen_string_literal: true

# Instructor candidates: what they named against what was played and recorded, and how they taught. An attempt also
# keeps which of the cockpit's numbers it was, where the recording's clock tells.
class TeachingToTeach < ActiveRecord::Migration[7.2]
  def up
    remove_check_constraint :people, name: 'people_role'
    add_check_constraint :people,
                         "role IN ('chief_instructor','instructor','instructor_candidate','student')",
                         name: 'people_role'
    remove_check_constraint :grades, name: 'grades_kind'
    add_check_constraint :grades, "kind IN ('self','instructor','second','teaching')", name: 'grades_kind'
    add_column :attempts, :tap_no, :integer
    create_table :fault_calls, id: :uuid do |t|
      t.references :attempt, type: :uuid, null: false, foreign_key: true
      t.string :kind, null: false
      t.string :fault
      t.string :cue
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.datetime :created_at, null: false
    end
    add_check_constraint :fault_calls, "kind IN ('played','named')", name: 'fault_calls_kind'
    execute 'CREATE TRIGGER fault_calls_append_only BEFORE UPDATE OR DELETE ON fault_calls FOR EACH ROW EXECUTE ' \
      'FUNCTION refuse_change()'
  end
end
