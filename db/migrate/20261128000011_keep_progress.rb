# frozen_string_literal: true

# What a student's record, the class and today's board show is kept, so that nobody works out years of lessons to show a
# page. The database itself marks a lesson whenever anything that its progress rests on changes, in the same
# transaction: no way of writing can forget to. server/queries/kept_progress.rb works out what is marked.
class KeepProgress < ActiveRecord::Migration[7.2]
  # What of each table concerns progress, and how its rows tell their lesson.
  LESSON = 'SELECT changed.sortie_id'
  MARKED = {
    'exercises' => LESSON,
    'attempts' => LESSON,
    'fly_events' => LESSON,
    'recordings' => LESSON,
    'grades' => 'SELECT sortie_id FROM attempts WHERE id = changed.attempt_id'
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
    MARKED.each { |table, lesson| mark(table, lesson) }
    mark_sorties
  end

  def down
    [*MARKED.keys, 'sorties'].each do |table|
      execute "DROP TRIGGER #{table}_mark_progress ON #{table}"
      execute "DROP FUNCTION mark_progress_of_#{table}()"
    end
    %i[student_records lesson_records progress_marks].each { |table| drop_table table }
  end

  private

  def mark(table, lesson)
    trigger(table) { |row| <<~SQL }
      INSERT INTO progress_marks (sortie_id, student_id)
        SELECT id, student_id FROM sorties WHERE id = (#{lesson.gsub('changed', row)});
    SQL
  end

  # A lesson that is taken away, or given to another student, changes both records.
  def mark_sorties
    trigger('sorties') { |row| <<~SQL }
      INSERT INTO progress_marks (sortie_id, student_id) VALUES (#{row}.id, #{row}.student_id);
    SQL
  end

  # @yield [String] the row as it is, or as it was; gives what marks its lesson
  def trigger(table)
    execute <<~SQL
      CREATE FUNCTION mark_progress_of_#{table}() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP <> 'DELETE' THEN #{yield 'NEW'} END IF;
        IF TG_OP <> 'INSERT' THEN #{yield 'OLD'} END IF;
        RETURN NULL;
      END $$;
      CREATE TRIGGER #{table}_mark_progress AFTER INSERT OR UPDATE OR DELETE ON #{table}
        FOR EACH ROW EXECUTE FUNCTION mark_progress_of_#{table}();
    SQL
  end
end
