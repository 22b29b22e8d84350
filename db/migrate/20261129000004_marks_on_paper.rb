# frozen_string_literal: true

# The school's own mark and words on what is printed, and how long what may go is kept of those who left.
class MarksOnPaper < ActiveRecord::Migration[7.2]
  def change
    change_table :schools do |t|
      t.binary :logo
      t.string :print_words
      t.integer :keep_left_days, null: false, default: 730
    end
    add_column :people, :forgotten_on, :date
  end
end
