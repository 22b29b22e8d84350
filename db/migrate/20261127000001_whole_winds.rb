# frozen_string_literal: true

# A wind has a direction and a speed or is none. Half a wind was never planned with (it counted as no wind): it becomes
# none, and the database keeps it so.
class WholeWinds < ActiveRecord::Migration[7.2]
  HALF = '(wind_from_deg IS NULL) <> (wind_kt IS NULL)'

  def up
    execute "UPDATE sorties SET wind_from_deg = NULL, wind_kt = NULL, gust_kt = NULL WHERE #{HALF}"
    add_check_constraint :sorties, "NOT (#{HALF})", name: 'sorties_whole_wind'
  end

  def down = remove_check_constraint(:sorties, name: 'sorties_whole_wind')
end
