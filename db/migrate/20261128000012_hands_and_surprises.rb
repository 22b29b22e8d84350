# frozen_string_literal: true

# An exercise may be a part of the whole (the student has one control), or a failure that the student does not expect.
class HandsAndSurprises < ActiveRecord::Migration[7.2]
  def change
    add_column :exercises, :task, :string, null: false, default: 'whole'
    add_check_constraint :exercises, "task IN ('whole','cyclic','collective','pedals')", name: 'exercises_task'
    add_column :exercises, :surprise, :string
  end
end
