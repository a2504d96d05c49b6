CREATE TABLE "import_job" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"installation_id" uuid NOT NULL,
	"name" text NOT NULL,
	"layout" jsonb NOT NULL,
	"state" text NOT NULL,
	"cancel_asked" boolean DEFAULT false NOT NULL,
	"bytes_total" bigint NOT NULL,
	"bytes_done" bigint DEFAULT 0 NOT NULL,
	"line_count" integer DEFAULT 0 NOT NULL,
	"problems" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"asked_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "import_piece" (
	"workspace_id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"no" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "import_piece_job_id_no_pk" PRIMARY KEY("job_id","no")
);
--> statement-breakpoint
CREATE TABLE "import_queue" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"queued_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "reading" DROP CONSTRAINT "reading_file_id_reading_file_id_fk";
--> statement-breakpoint
ALTER TABLE "controller_model" ADD COLUMN "made_by" text;--> statement-breakpoint
ALTER TABLE "reading_file" ADD COLUMN "zone" text DEFAULT 'as-written' NOT NULL;--> statement-breakpoint
ALTER TABLE "import_job" ADD CONSTRAINT "import_job_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "import_job" ADD CONSTRAINT "import_job_installation_id_installation_id_fk" FOREIGN KEY ("installation_id") REFERENCES "public"."installation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "import_piece" ADD CONSTRAINT "import_piece_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "import_piece" ADD CONSTRAINT "import_piece_job_id_import_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."import_job"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "import_job_of" ON "import_job" USING btree ("installation_id","asked_at");