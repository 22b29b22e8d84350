# frozen_string_literal: true

# What a school counts otherwise: counts and whether a sign-off waits, by block; and who moved the throttle, an attempt.
class CountedBlocks < ActiveRecord::Migration[7.2]
  def change
    add_column :schools, :blocks, :jsonb, null: false, default: {}
    add_column :attempts, :throttle_by, :string
    add_check_constraint :attempts, "throttle_by IN ('instructor','student')", name: 'attempts_throttle_by'
  end
end
