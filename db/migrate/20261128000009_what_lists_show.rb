# frozen_string_literal: true

# What lists and records ask of an attempt's proposal stands in columns of its own, kept by the database itself, so that
# nobody reads the whole proposal to show a row.
class WhatListsShow < ActiveRecord::Migration[7.2]
  MEASURES = %w[throttle_reduction_s collective_delay_s].freeze
  RULES = {
    'result' => ['text', "proposal->>'result'"],
    'critical' => ['boolean', "(proposal->>'critical')::boolean"],
    'phases' => ['jsonb', "proposal->'phases'"],
    **MEASURES.to_h { |id| [id, ['double precision', "(proposal #>> '{measures,#{id},value}')::double precision"]] }
  }.freeze

  def up
    RULES.each do |name, (type, rule)|
      execute "ALTER TABLE attempts ADD COLUMN #{name} #{type} GENERATED ALWAYS AS (#{rule}) STORED"
    end
  end

  def down = RULES.each_key { |name| remove_column :attempts, name }
end
