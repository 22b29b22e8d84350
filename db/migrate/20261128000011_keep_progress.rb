# frozen_string_literal: true

# What a student's record, the class and today's board show is kept, so that nobody works out years of lessons to show a
# page. The database itself marks a lesson whenever anything that its progress rests on changes, in the same
# transaction: no way of writing can forget to. server/queries/kept_progress.rb works out what is marked.
class KeepProgress < ActiveRecord::Migration[7.2]
  # What a student's progress rests on: by table the column that leads to the lesson, and lesson and student from a row.
  LESSON = ->(row) { "SELECT id, student_id FROM sorties WHERE id = #{row}.sortie_id" }
  GRADED = ->(row) do
    "SELECT id, student_id FROM sorties WHERE id = (SELECT sortie_id FROM attempts WHERE id = #{row}.attempt_id)"
  end
  MARKED = {
    'exercises' => ['sortie_id', LESSON],
    'attempts' => ['sortie_id', LESSON],
    'fly_events' => ['sortie_id', LESSON],
    'recordings' => ['sortie_id', LESSON],
    'grades' => ['attempt_id', GRADED],
    # A lesson that is taken away, or given to another student, changes both records.
    'sorties' => ['student_id', ->(row) { "SELECT #{row}.id, #{row}.student_id" }]
  }.freeze

  def up
    create_table :progress_marks do |t|
      t.uuid :student_id, null: false, index: true
      t.uuid :sortie_id, null: false
    end
    create_table :lesson_records, id: false do |t|
      t.uuid :sortie_id, null: false, primary_key: true
      t.uuid :student_id, null: false, index: true
      t.string :worked_out_by, null: false
      # json, not jsonb: the order of phases is the order in which they are flown.
      t.json :progress, null: false
      t.json :attempts, null: false
    end
    add_foreign_key :lesson_records, :sorties, column: :sortie_id, on_delete: :cascade
    create_table :student_records, id: false do |t|
      t.uuid :student_id, null: false, primary_key: true
      t.string :worked_out_by, null: false
      t.json :standings, null: false
    end
    add_foreign_key :student_records, :people, column: :student_id, on_delete: :cascade
    MARKED.each { |table, (column, lesson)| mark(table, column, lesson) }
  end

  def down
    MARKED.each_key do |table|
      execute "DROP TRIGGER #{table}_mark_progress ON #{table}"
      execute "DROP FUNCTION mark_progress_of_#{table}()"
    end
    %i[student_records lesson_records progress_marks].each { |table| drop_table table }
  end

  private

  # The row as it is, and as it was where it led elsewhere.
  def mark(table, column, lesson)
    now, before = %w[NEW OLD].map { |row| "INSERT INTO progress_marks (sortie_id, student_id) #{lesson.call(row)};" }
    execute <<~SQL
      CREATE FUNCTION mark_progress_of_#{table}() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP <> 'DELETE' THEN #{now} END IF;
        IF TG_OP = 'DELETE' OR (TG_OP = 'UPDATE' AND OLD.#{column} <> NEW.#{column}) THEN #{before} END IF;
        RETURN NULL;
      END $$;
      CREATE TRIGGER #{table}_mark_progress AFTER INSERT OR UPDATE OR DELETE ON #{table}
        FOR EACH ROW EXECUTE FUNCTION mark_progress_of_#{table}();
    SQL
  end
end
