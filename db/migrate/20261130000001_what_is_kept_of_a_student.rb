# frozen_string_literal: true

# A student's page reads where they stand without an attempt: counted blocks and answers to a power loss are kept, too.
# Lessons that were never worked out are marked, like every new one, so that a read looks for marks alone.
# Second opinions are few among all grades, and looked for by themselves.
class WhatIsKeptOfAStudent < ActiveRecord::Migration[7.2]
  def up
    change_table :student_records, bulk: true do |t|
      t.json :blocks, null: false, default: {}
      t.json :reactions, null: false, default: []
      t.boolean :unanswered, null: false, default: false
    end
    add_index :lesson_records, :worked_out_by
    add_index :grades, :attempt_id, where: "kind = 'second'", name: 'grades_of_second_opinions'
    execute <<~SQL
      INSERT INTO progress_marks (sortie_id, student_id) SELECT id, student_id FROM sorties
        WHERE NOT EXISTS (SELECT 1 FROM lesson_records WHERE sortie_id = sorties.id)
    SQL
  end

  def down
    remove_index :grades, name: 'grades_of_second_opinions'
    remove_index :lesson_records, :worked_out_by
    remove_columns :student_records, :blocks, :reactions, :unanswered
  end
end
