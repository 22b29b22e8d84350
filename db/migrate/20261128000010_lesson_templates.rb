# frozen_string_literal: true

# Lessons that a school keeps to take them again, beside the usual ones.
class LessonTemplates < ActiveRecord::Migration[7.2]
  def change
    create_table :lesson_templates, id: :uuid do |t|
      t.string :title, null: false
      t.string :reason
      t.jsonb :exercises, null: false
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.datetime :created_at, null: false
      t.index 'lower(title)', unique: true
    end
  end
end
