# frozen_string_literal: true

# Which version of its exercise an attempt was measured by: what was measured by an older one is measured again.
class WhichPlanMeasuredIt < ActiveRecord::Migration[7.2]
  def change
    add_column :exercises, :plan_version, :integer, null: false, default: 0
    add_column :attempts, :plan_version, :integer, null: false, default: 0
  end
end
