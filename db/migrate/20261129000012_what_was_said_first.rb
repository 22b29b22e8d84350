# frozen_string_literal: true

# A candidate's record shows what they named the fault of: kept with the rest, so marked with the rest.
class WhatWasSaidFirst < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE FUNCTION mark_progress_of_fault_calls() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        INSERT INTO progress_marks (sortie_id, student_id) SELECT id, student_id FROM sorties
          WHERE id = (SELECT sortie_id FROM attempts WHERE id = NEW.attempt_id);
        RETURN NULL;
      END $$;
      CREATE TRIGGER fault_calls_mark_progress AFTER INSERT ON fault_calls
        FOR EACH ROW EXECUTE FUNCTION mark_progress_of_fault_calls();
    SQL
  end

  def down
    execute 'DROP TRIGGER fault_calls_mark_progress ON fault_calls; DROP FUNCTION mark_progress_of_fault_calls()'
  end
end
