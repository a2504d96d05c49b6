ALTER TABLE "controller_model" ADD COLUMN "set_aside_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "import_job" ADD COLUMN "feeds" jsonb;--> statement-breakpoint
ALTER TABLE "installation" ADD COLUMN "set_aside_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "installation" ADD COLUMN "set_aside_by" text;--> statement-breakpoint
ALTER TABLE "reading_file" ADD COLUMN "feeds" jsonb;