CREATE TABLE "share_link" (
	"id" uuid NOT NULL,
	"workspace_id" uuid NOT NULL,
	"installation_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"for_whom" text NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"ended_by" text,
	"opened_at" timestamp with time zone,
	"opened_count" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "share_link_workspace_id_id_pk" PRIMARY KEY("workspace_id","id"),
	CONSTRAINT "share_link_token" UNIQUE("workspace_id","token_hash")
);
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "detail" jsonb;--> statement-breakpoint
ALTER TABLE "revision" ADD COLUMN "local_rules" jsonb;--> statement-breakpoint
ALTER TABLE "workspace" ADD COLUMN "local_rules" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "share_link" ADD CONSTRAINT "share_link_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "share_link" ADD CONSTRAINT "share_link_workspace_id_installation_id_installation_workspace_id_id_fk" FOREIGN KEY ("workspace_id","installation_id") REFERENCES "public"."installation"("workspace_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "share_link_of" ON "share_link" USING btree ("workspace_id","installation_id","made_at");--> statement-breakpoint
-- The new table of a workspace under row security like the others.
ALTER TABLE "share_link" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "share_link" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY of_workspace ON "share_link" USING (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid) WITH CHECK (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid);
