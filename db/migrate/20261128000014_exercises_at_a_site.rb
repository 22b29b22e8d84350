# frozen_string_literal: true

# An exercise may lead to a surveyed site, along one of its lines.
class ExercisesAtASite < ActiveRecord::Migration[7.2]
  def change
    add_reference :exercises, :site, type: :uuid, foreign_key: { on_delete: :nullify }
    add_column :exercises, :site_line, :string
  end
end
