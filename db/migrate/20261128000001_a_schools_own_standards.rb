# frozen_string_literal: true

# Rows of standards as the school sets them: what was and what is, from when, who said so and why. None is ever changed.
class ASchoolsOwnStandards < ActiveRecord::Migration[7.2]
  def change
    create_table :standard_changes, id: :uuid do |t|
      t.string :manoeuvre, null: false
      t.string :measure, null: false
      t.jsonb :was, null: false
      t.jsonb :values, null: false
      t.string :reason, null: false
      t.date :effective_from, null: false
      t.bigserial :position, null: false
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.datetime :created_at, null: false
      t.index %i[manoeuvre measure]
    end
    reversible do |way|
      way.up do
        execute 'CREATE TRIGGER standard_changes_append_only BEFORE UPDATE OR DELETE ON standard_changes ' \
          'FOR EACH ROW EXECUTE FUNCTION refuse_change()'
      end
    end
  end
end
