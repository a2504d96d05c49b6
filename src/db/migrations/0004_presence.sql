CREATE TABLE "presence" (
	"page_id" uuid PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"installation_id" uuid NOT NULL,
	"person_name" text NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "presence" ADD CONSTRAINT "presence_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "presence" ADD CONSTRAINT "presence_installation_id_installation_id_fk" FOREIGN KEY ("installation_id") REFERENCES "public"."installation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "presence_of" ON "presence" USING btree ("installation_id","seen_at");
--> statement-breakpoint
ALTER TABLE presence ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE presence FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY of_workspace ON presence USING (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid) WITH CHECK (workspace_id = nullif(current_setting('gale.workspace', true), '')::uuid);
