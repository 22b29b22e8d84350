# frozen_string_literal: true

# What a device's own headings mean, told once by a person and known again by the header row.
class RememberHeadings < ActiveRecord::Migration[7.2]
  def change
    create_table :heading_mappings do |t|
      t.string :signature, null: false
      t.jsonb :columns, null: false
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.timestamps
      t.index %i[signature], unique: true
    end
  end
end
