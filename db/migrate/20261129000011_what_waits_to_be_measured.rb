# frozen_string_literal: true

# How many attempts were measured before a change is asked on each look at the standards: from an index alone.
class WhatWaitsToBeMeasured < ActiveRecord::Migration[7.2]
  def change
    add_index :attempts, %i[exercise_id plan_version], include: :manoeuvre, name: 'attempts_measured_by'
  end
end
