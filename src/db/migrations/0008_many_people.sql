CREATE TABLE "audit" (
	"workspace_id" uuid NOT NULL,
	"seq" bigserial NOT NULL,
	"person_id" text NOT NULL,
	"person_name" text NOT NULL,
	"action" text NOT NULL,
	"what" text NOT NULL,
	"installation_id" uuid,
	"address" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "audit_workspace_id_seq_pk" PRIMARY KEY("workspace_id","seq")
);
--> statement-breakpoint
CREATE TABLE "bin" (
	"workspace_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"id" text NOT NULL,
	"gone_at" timestamp with time zone NOT NULL,
	CONSTRAINT "bin_workspace_id_kind_id_pk" PRIMARY KEY("workspace_id","kind","id")
);
--> statement-breakpoint
CREATE TABLE "installation_line" (
	"workspace_id" uuid NOT NULL,
	"installation_id" uuid NOT NULL,
	"name" text NOT NULL,
	"duty" text,
	"needs" smallint NOT NULL,
	"seal_number" integer,
	"is_as_sealed" boolean NOT NULL,
	"line" jsonb NOT NULL,
	"made_by" integer NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "installation_line_workspace_id_installation_id_pk" PRIMARY KEY("workspace_id","installation_id")
);
--> statement-breakpoint
CREATE TABLE "invite" (
	"id" uuid NOT NULL,
	"workspace_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"role" text NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_by" text,
	"used_at" timestamp with time zone,
	"withdrawn_at" timestamp with time zone,
	CONSTRAINT "invite_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "member" (
	"workspace_id" uuid NOT NULL,
	"person_id" text NOT NULL,
	"role" text NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "member_workspace_id_person_id_pk" PRIMARY KEY("workspace_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "passkey" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text,
	"public_key" text NOT NULL,
	"person_id" text NOT NULL,
	"credential_id" text NOT NULL,
	"counter" integer NOT NULL,
	"device_type" text NOT NULL,
	"backed_up" boolean NOT NULL,
	"transports" text,
	"created_at" timestamp with time zone,
	"aaguid" text
);
--> statement-breakpoint
CREATE TABLE "reading_level" (
	"workspace_id" uuid NOT NULL,
	"file_id" uuid NOT NULL,
	"column_no" smallint NOT NULL,
	"width_ms" integer NOT NULL,
	"at_ms" bigint NOT NULL,
	"low" double precision NOT NULL,
	"high" double precision NOT NULL,
	"mean" double precision NOT NULL,
	"count" integer NOT NULL,
	CONSTRAINT "reading_level_workspace_id_file_id_width_ms_column_no_at_ms_pk" PRIMARY KEY("workspace_id","file_id","width_ms","column_no","at_ms")
);
--> statement-breakpoint
CREATE TABLE "second_factor" (
	"id" text PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"backup_codes" text NOT NULL,
	"person_id" text NOT NULL,
	"verified" boolean DEFAULT true NOT NULL,
	"failed_verification_count" integer DEFAULT 0 NOT NULL,
	"locked_until" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "try_count" (
	"key" text PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
ALTER TABLE "revision" DROP CONSTRAINT "revision_number";--> statement-breakpoint
ALTER TABLE "check_result" DROP CONSTRAINT "check_result_installation_id_installation_id_fk";
--> statement-breakpoint
ALTER TABLE "import_job" DROP CONSTRAINT "import_job_installation_id_installation_id_fk";
--> statement-breakpoint
ALTER TABLE "import_piece" DROP CONSTRAINT "import_piece_job_id_import_job_id_fk";
--> statement-breakpoint
ALTER TABLE "installation" DROP CONSTRAINT "installation_site_id_site_id_fk";
--> statement-breakpoint
ALTER TABLE "log_entry" DROP CONSTRAINT "log_entry_installation_id_installation_id_fk";
--> statement-breakpoint
ALTER TABLE "presence" DROP CONSTRAINT "presence_installation_id_installation_id_fk";
--> statement-breakpoint
ALTER TABLE "reading_file" DROP CONSTRAINT "reading_file_installation_id_installation_id_fk";
--> statement-breakpoint
ALTER TABLE "revision" DROP CONSTRAINT "revision_installation_id_installation_id_fk";
--> statement-breakpoint
ALTER TABLE "working_copy" DROP CONSTRAINT "working_copy_installation_id_installation_id_fk";
--> statement-breakpoint
DROP INDEX "check_result_of";--> statement-breakpoint
DROP INDEX "import_job_of";--> statement-breakpoint
DROP INDEX "log_entry_of";--> statement-breakpoint
DROP INDEX "presence_of";--> statement-breakpoint
ALTER TABLE "import_piece" DROP CONSTRAINT "import_piece_job_id_no_pk";--> statement-breakpoint
ALTER TABLE "reading" DROP CONSTRAINT "reading_file_id_column_no_at_ms_pk";--> statement-breakpoint
ALTER TABLE "check_result" DROP CONSTRAINT "check_result_pkey";--> statement-breakpoint
ALTER TABLE "import_job" DROP CONSTRAINT "import_job_pkey";--> statement-breakpoint
ALTER TABLE "import_queue" DROP CONSTRAINT "import_queue_pkey";--> statement-breakpoint
ALTER TABLE "installation" DROP CONSTRAINT "installation_pkey";--> statement-breakpoint
ALTER TABLE "log_entry" DROP CONSTRAINT "log_entry_pkey";--> statement-breakpoint
ALTER TABLE "presence" DROP CONSTRAINT "presence_pkey";--> statement-breakpoint
ALTER TABLE "reading_file" DROP CONSTRAINT "reading_file_pkey";--> statement-breakpoint
ALTER TABLE "revision" DROP CONSTRAINT "revision_pkey";--> statement-breakpoint
ALTER TABLE "site" DROP CONSTRAINT "site_pkey";--> statement-breakpoint
ALTER TABLE "working_copy" DROP CONSTRAINT "working_copy_pkey";--> statement-breakpoint
ALTER TABLE "check_result" ADD CONSTRAINT "check_result_workspace_id_id_pk" PRIMARY KEY("workspace_id","id");--> statement-breakpoint
ALTER TABLE "import_job" ADD CONSTRAINT "import_job_workspace_id_id_pk" PRIMARY KEY("workspace_id","id");--> statement-breakpoint
ALTER TABLE "import_piece" ADD CONSTRAINT "import_piece_workspace_id_job_id_no_pk" PRIMARY KEY("workspace_id","job_id","no");--> statement-breakpoint
ALTER TABLE "import_queue" ADD CONSTRAINT "import_queue_workspace_id_job_id_pk" PRIMARY KEY("workspace_id","job_id");--> statement-breakpoint
ALTER TABLE "installation" ADD CONSTRAINT "installation_workspace_id_id_pk" PRIMARY KEY("workspace_id","id");--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_entry_workspace_id_id_pk" PRIMARY KEY("workspace_id","id");--> statement-breakpoint
ALTER TABLE "presence" ADD CONSTRAINT "presence_workspace_id_page_id_pk" PRIMARY KEY("workspace_id","page_id");--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_workspace_id_file_id_column_no_at_ms_pk" PRIMARY KEY("workspace_id","file_id","column_no","at_ms");--> statement-breakpoint
ALTER TABLE "reading_file" ADD CONSTRAINT "reading_file_workspace_id_id_pk" PRIMARY KEY("workspace_id","id");--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_workspace_id_id_pk" PRIMARY KEY("workspace_id","id");--> statement-breakpoint
ALTER TABLE "site" ADD CONSTRAINT "site_workspace_id_id_pk" PRIMARY KEY("workspace_id","id");--> statement-breakpoint
ALTER TABLE "working_copy" ADD CONSTRAINT "working_copy_workspace_id_installation_id_pk" PRIMARY KEY("workspace_id","installation_id");--> statement-breakpoint
ALTER TABLE "controller_model" ADD COLUMN "gone_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "installation" ADD COLUMN "gone_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "installation" ADD COLUMN "last_seal_number" integer;--> statement-breakpoint
ALTER TABLE "installation" ADD COLUMN "last_sealed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "two_factor_enabled" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "reading_file" ADD COLUMN "gone_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "workspace_id" uuid;--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "installation_line" ADD CONSTRAINT "installation_line_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "installation_line" ADD CONSTRAINT "installation_line_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invite" ADD CONSTRAINT "invite_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "member" ADD CONSTRAINT "member_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "member" ADD CONSTRAINT "member_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "passkey" ADD CONSTRAINT "passkey_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "second_factor" ADD CONSTRAINT "second_factor_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bin_gone" ON "bin" USING btree ("gone_at");--> statement-breakpoint
CREATE INDEX "installation_line_needs" ON "installation_line" USING btree ("workspace_id","needs");--> statement-breakpoint
CREATE INDEX "invite_token" ON "invite" USING btree ("workspace_id","token_hash");--> statement-breakpoint
CREATE INDEX "member_person" ON "member" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "passkey_person" ON "passkey" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "passkey_credential" ON "passkey" USING btree ("credential_id");--> statement-breakpoint
CREATE INDEX "second_factor_person" ON "second_factor" USING btree ("person_id");--> statement-breakpoint
ALTER TABLE "check_result" ADD CONSTRAINT "check_result_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "import_job" ADD CONSTRAINT "import_job_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "import_piece" ADD CONSTRAINT "import_piece_workspace_id_job_id_import_job_workspace_id_id_fk" FOREIGN KEY ("workspace_id","job_id") REFERENCES "public"."import_job"("workspace_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "installation" ADD CONSTRAINT "installation_workspace_id_site_id_site_workspace_id_id_fk" FOREIGN KEY ("workspace_id","site_id") REFERENCES "public"."site"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "presence" ADD CONSTRAINT "presence_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading_file" ADD CONSTRAINT "reading_file_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "working_copy" ADD CONSTRAINT "working_copy_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "import_queue_next" ON "import_queue" USING btree ("queued_at");--> statement-breakpoint
CREATE INDEX "installation_of_site" ON "installation" USING btree ("workspace_id","site_id","created_at");--> statement-breakpoint
CREATE INDEX "installation_sealed" ON "installation" USING btree ("workspace_id","last_sealed_at");--> statement-breakpoint
CREATE INDEX "log_entry_of_installation" ON "log_entry" USING btree ("workspace_id","installation_id","seq");--> statement-breakpoint
CREATE INDEX "reading_file_of" ON "reading_file" USING btree ("workspace_id","installation_id","imported_at");--> statement-breakpoint
CREATE INDEX "check_result_of" ON "check_result" USING btree ("workspace_id","installation_id","seq");--> statement-breakpoint
CREATE INDEX "import_job_of" ON "import_job" USING btree ("workspace_id","installation_id","asked_at");--> statement-breakpoint
CREATE INDEX "log_entry_of" ON "log_entry" USING btree ("workspace_id","seq");--> statement-breakpoint
CREATE INDEX "presence_of" ON "presence" USING btree ("workspace_id","installation_id","seen_at");--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_number" UNIQUE("workspace_id","installation_id","number");--> statement-breakpoint
-- The new tables of a workspace under row security like the others.
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['installation_line', 'reading_level', 'invite', 'audit'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY of_workspace ON %I USING (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid) WITH CHECK (workspace_id = nullif(current_setting(''gale.workspace'', true), '''')::uuid)', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- Who did what is for good.
CREATE TRIGGER for_good BEFORE UPDATE OR DELETE ON audit FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER for_good_whole BEFORE TRUNCATE ON audit FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
-- Until now a workspace had one person: its owner.
INSERT INTO member (workspace_id, person_id, role, since) SELECT workspace_id, id, 'owner', created_at FROM person WHERE workspace_id IS NOT NULL;
--> statement-breakpoint
UPDATE session SET workspace_id = person.workspace_id FROM person WHERE person.id = session.person_id;
--> statement-breakpoint
-- Every address so far was taken as it was given; asking for it now would shut its person out.
UPDATE person SET email_verified = true;
--> statement-breakpoint
-- What follows touches every workspace: row security is lifted for it.
ALTER TABLE installation NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE revision NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
UPDATE installation SET last_seal_number = last.number, last_sealed_at = last.sealed_at
FROM (SELECT DISTINCT ON (workspace_id, installation_id) workspace_id, installation_id, number, sealed_at FROM revision ORDER BY workspace_id, installation_id, number DESC) AS last
WHERE last.workspace_id = installation.workspace_id AND last.installation_id = installation.id;
--> statement-breakpoint
ALTER TABLE installation FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE revision FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE reading NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE reading_level NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
INSERT INTO reading_level (workspace_id, file_id, column_no, width_ms, at_ms, low, high, mean, count)
SELECT workspace_id, file_id, column_no, width_ms, min(at_ms), min(value), max(value), avg(value), count(*)
FROM reading, unnest(ARRAY[60000, 3600000, 86400000]) AS width_ms
GROUP BY workspace_id, file_id, column_no, width_ms, at_ms / width_ms;
--> statement-breakpoint
ALTER TABLE reading FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE reading_level FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE INDEX "audit_of" ON "audit" USING btree ("workspace_id","person_id","action","at");
