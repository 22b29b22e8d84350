# frozen_string_literal: true

# What an exercise is for today: measures that are not judged, and first tries, which count towards nothing.
class WhatCountsToday < ActiveRecord::Migration[7.2]
  def change
    add_column :exercises, :not_judged, :jsonb, null: false, default: []
    add_column :exercises, :first_tries, :boolean, null: false, default: false
  end
end
