-- Row security: a query sees and writes only the rows of the workspace named for its transaction
-- (set_config('gale.workspace', id, true)). FORCE, so that the owner of the tables is under it too.
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['site', 'installation', 'working_copy', 'revision', 'check_result', 'log_entry', 'controller_model', 'reading_file', 'reading'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY of_workspace ON %I USING (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid) WITH CHECK (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid)', name);
  END LOOP;
END $$;
--> statement-breakpoint
ALTER TABLE workspace ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE workspace FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own ON workspace USING (id = nullif(current_setting('gale.workspace', true), '')::uuid) WITH CHECK (id = nullif(current_setting('gale.workspace', true), '')::uuid);
--> statement-breakpoint
-- Sealed revisions and the log are for good.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is for good: it can be added to, not changed', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
--> statement-breakpoint
CREATE TRIGGER for_good BEFORE UPDATE OR DELETE ON revision FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER for_good_whole BEFORE TRUNCATE ON revision FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER for_good BEFORE UPDATE OR DELETE ON log_entry FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER for_good_whole BEFORE TRUNCATE ON log_entry FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
