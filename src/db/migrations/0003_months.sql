-- The new tables under row security like the others.
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['import_job', 'import_piece'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY of_workspace ON %I USING (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid) WITH CHECK (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid)', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- A column of a readings file now has a name beside its quantity. Row security is lifted for the rewrite, which touches every workspace.
ALTER TABLE reading_file NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
UPDATE reading_file SET columns = (
  SELECT jsonb_agg(jsonb_build_object('name', quantity, 'quantity', quantity)) FROM jsonb_array_elements_text(columns) AS quantity
) WHERE jsonb_typeof(columns -> 0) = 'string';
--> statement-breakpoint
ALTER TABLE reading_file FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
-- Readings by month.
ALTER TABLE reading NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE reading RENAME TO reading_before;
--> statement-breakpoint
ALTER TABLE reading_before RENAME CONSTRAINT reading_file_id_column_no_at_ms_pk TO reading_before_pk;
--> statement-breakpoint
CREATE TABLE reading (
  workspace_id uuid NOT NULL,
  file_id uuid NOT NULL,
  column_no smallint NOT NULL,
  at_ms bigint NOT NULL,
  value double precision NOT NULL,
  CONSTRAINT reading_file_id_column_no_at_ms_pk PRIMARY KEY (file_id, column_no, at_ms)
) PARTITION BY RANGE (at_ms);
--> statement-breakpoint
ALTER TABLE reading ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE reading FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY of_workspace ON reading USING (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid) WITH CHECK (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid);
--> statement-breakpoint
-- Makes the part for the month of an instant. It is made apart and attached: that lets others go on reading and writing meanwhile.
CREATE FUNCTION reading_month(instant_ms bigint) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  month timestamp := date_trunc('month', to_timestamp(instant_ms / 1000.0) AT TIME ZONE 'UTC');
  part text := 'reading_' || to_char(month, 'YYYY_MM');
  from_ms bigint := extract(epoch FROM month) * 1000;
  to_ms bigint := extract(epoch FROM month + interval '1 month') * 1000;
BEGIN
  IF to_regclass(part) IS NOT NULL THEN RETURN; END IF;
  PERFORM pg_advisory_xact_lock(hashtext('reading_month'));
  IF to_regclass(part) IS NOT NULL THEN RETURN; END IF;
  EXECUTE format('CREATE TABLE %I (LIKE reading INCLUDING ALL, CHECK (at_ms >= %s AND at_ms < %s))', part, from_ms, to_ms);
  EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', part);
  EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', part);
  EXECUTE format('CREATE POLICY of_workspace ON %I USING (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid) WITH CHECK (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid)', part);
  EXECUTE format('ALTER TABLE reading ATTACH PARTITION %I FOR VALUES FROM (%s) TO (%s)', part, from_ms, to_ms);
END $$;
--> statement-breakpoint
SELECT reading_month(month) FROM (
  SELECT DISTINCT (extract(epoch FROM date_trunc('month', to_timestamp(at_ms / 1000.0) AT TIME ZONE 'UTC')) * 1000)::bigint AS month FROM reading_before
) AS months;
--> statement-breakpoint
ALTER TABLE reading NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
INSERT INTO reading SELECT workspace_id, file_id, column_no, at_ms, value FROM reading_before;
--> statement-breakpoint
ALTER TABLE reading FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
DROP TABLE reading_before;
