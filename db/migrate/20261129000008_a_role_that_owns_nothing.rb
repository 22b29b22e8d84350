# frozen_string_literal: true

# The application owns no table and cannot empty one; a demo school goes by this alone, and a school of one's own never
# becomes a demo.
class ARoleThatOwnsNothing < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE FUNCTION throw_demo_away() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
      DECLARE names text;
      BEGIN
        IF NOT EXISTS (SELECT 1 FROM schools WHERE demo) THEN RAISE EXCEPTION 'this school is no demo'; END IF;
        SELECT string_agg(quote_ident(tablename), ', ') INTO names FROM pg_tables WHERE schemaname = 'public'
          AND tablename NOT IN ('schema_migrations', 'ar_internal_metadata', 'que_values', 'que_jobs');
        EXECUTE 'TRUNCATE ' || names || ' CASCADE';
        -- What is done for whichever school is here goes on.
        DELETE FROM que_jobs WHERE job_class <> 'Fujin::CheckChain';
      END $$;
      REVOKE ALL ON FUNCTION throw_demo_away() FROM PUBLIC;
      CREATE TRIGGER schools_no_new_demo BEFORE UPDATE ON schools FOR EACH ROW
        WHEN (NEW.demo AND NOT OLD.demo) EXECUTE FUNCTION refuse_change();
    SQL
  end

  def down
    execute 'DROP TRIGGER schools_no_new_demo ON schools; DROP FUNCTION throw_demo_away();'
  end
end
