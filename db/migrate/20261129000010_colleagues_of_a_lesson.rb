# frozen_string_literal: true

# Instructors who teach a lesson beside the one whose it is.
class ColleaguesOfALesson < ActiveRecord::Migration[7.2]
  def change
    create_table :colleagues do |t|
      t.references :sortie, type: :uuid, null: false, foreign_key: true
      t.references :person, type: :uuid, null: false, foreign_key: true
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.datetime :created_at, null: false
      t.index %i[sortie_id person_id], unique: true
    end
  end
end
