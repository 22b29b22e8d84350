# frozen_string_literal: true

# Announced, a surprise or a demonstration; and which control was the student's in a part-task.
class HowAnAttemptWasFlown < ActiveRecord::Migration[7.2]
  def change
    add_column :attempts, :manner, :string, null: false, default: 'announced'
    add_column :attempts, :task, :string, null: false, default: 'whole'
    add_check_constraint :attempts, "manner IN ('announced','surprise','demonstration')", name: 'attempts_manner'
    add_check_constraint :attempts, "task IN ('whole','cyclic','collective','pedals')", name: 'attempts_task'
  end
end
