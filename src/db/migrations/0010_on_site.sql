CREATE TABLE "photo" (
	"id" uuid NOT NULL,
	"workspace_id" uuid NOT NULL,
	"installation_id" uuid NOT NULL,
	"about" text NOT NULL,
	"caption" text DEFAULT '' NOT NULL,
	"type" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"taken_by" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photo_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
ALTER TABLE "check_result" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "check_result" ADD COLUMN "taken_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "corrects" uuid;--> statement-breakpoint
ALTER TABLE "revision" ADD COLUMN "fingerprint" text;--> statement-breakpoint
ALTER TABLE "revision" ADD COLUMN "signed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "revision" ADD COLUMN "signature" text;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photo_of" ON "photo" USING btree ("workspace_id","installation_id","taken_at");--> statement-breakpoint
-- The new table of a workspace under row security like the others.
ALTER TABLE "photo" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "photo" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY of_workspace ON "photo" USING (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid) WITH CHECK (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid);
