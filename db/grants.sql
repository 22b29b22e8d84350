-- What the application may do: read and write the tables, but only append to those that a trigger keeps from change,
-- and neither empty nor reshape any. Run by the tables' owner after each migration.
DO $$ DECLARE one record; BEGIN
  IF NOT EXISTS (SELECT 1 FROM pg_roles WHERE rolname = 'fujin_app') THEN RETURN; END IF;
  GRANT USAGE ON SCHEMA public TO fujin_app;
  GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO fujin_app;
  GRANT USAGE, SELECT, UPDATE ON ALL SEQUENCES IN SCHEMA public TO fujin_app;
  FOR one IN SELECT DISTINCT tgrelid::regclass AS name FROM pg_trigger WHERE tgname LIKE '%\_append\_only' LOOP
    EXECUTE format('REVOKE UPDATE, DELETE ON %s FROM fujin_app', one.name);
  END LOOP;
  REVOKE INSERT, UPDATE, DELETE ON schema_migrations, ar_internal_metadata FROM fujin_app;
  GRANT EXECUTE ON FUNCTION throw_demo_away() TO fujin_app;
END $$;
