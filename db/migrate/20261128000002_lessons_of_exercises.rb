# frozen_string_literal: true

# A sortie is a lesson: an ordered list of exercises, each with its manoeuvre, settings, place and method. A sortie of
# before becomes a lesson of one exercise, and its attempts of that kind are attempts of that exercise.
class LessonsOfExercises < ActiveRecord::Migration[7.2]
  MOVED = %w[
    manoeuvre settings house objective spot_name spot_lat_deg spot_lon_deg course_deg height_ft
  ].freeze

  def up
    create_table :exercises, id: :uuid do |t|
      t.references :sortie, type: :uuid, null: false, foreign_key: true
      t.integer :position, null: false
      t.string :manoeuvre, null: false
      t.jsonb :settings, null: false, default: {}
      t.jsonb :house, null: false, default: {}
      t.string :objective
      t.string :spot_name, null: false
      t.float :spot_lat_deg, null: false
      t.float :spot_lon_deg, null: false
      t.float :course_deg
      t.float :height_ft
      t.integer :planned_count
      t.timestamps
      t.index %i[sortie_id position]
    end
    execute <<~SQL
      INSERT INTO exercises (id, sortie_id, position, #{MOVED.join(', ')}, created_at, updated_at)
      SELECT gen_random_uuid(), id, 1, #{MOVED.join(', ')}, created_at, updated_at FROM sorties
    SQL
    add_reference :attempts, :exercise, type: :uuid, foreign_key: true
    execute <<~SQL
      UPDATE attempts SET exercise_id = exercises.id FROM exercises
      WHERE exercises.sortie_id = attempts.sortie_id AND exercises.manoeuvre = attempts.manoeuvre
    SQL
    add_reference :dispersions, :exercise, type: :uuid, foreign_key: true
    execute <<~SQL
      UPDATE dispersions SET exercise_id = exercises.id FROM exercises WHERE exercises.sortie_id = dispersions.sortie_id
    SQL
    remove_index :dispersions, column: %i[sortie_id question]
    add_index :dispersions, %i[exercise_id question], unique: true
    MOVED.each { |name| remove_column :sorties, name }
  end

  # Only the first exercise of a lesson has a place in what was before.
  def down
    change_table :sorties do |t|
      t.string :manoeuvre
      t.jsonb :settings, null: false, default: {}
      t.jsonb :house, null: false, default: {}
      t.string :objective
      t.string :spot_name
      t.float :spot_lat_deg
      t.float :spot_lon_deg
      t.float :course_deg
      t.float :height_ft
    end
    execute <<~SQL
      UPDATE sorties SET #{MOVED.map { |name| "#{name} = first.#{name}" }.join(', ')}
      FROM (SELECT DISTINCT ON (sortie_id) * FROM exercises ORDER BY sortie_id, position) AS first
      WHERE first.sortie_id = sorties.id
    SQL
    %i[manoeuvre spot_name spot_lat_deg spot_lon_deg].each { |name| change_column_null :sorties, name, false }
    remove_index :dispersions, column: %i[exercise_id question]
    execute 'DELETE FROM dispersions a USING dispersions b WHERE a.ctid < b.ctid AND a.sortie_id = b.sortie_id ' \
      'AND a.question = b.question'
    add_index :dispersions, %i[sortie_id question], unique: true
    remove_reference :dispersions, :exercise
    remove_reference :attempts, :exercise
    drop_table :exercises
  end
end
