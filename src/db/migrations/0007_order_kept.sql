ALTER TABLE "check_result" ADD COLUMN "seq" bigserial NOT NULL;--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "seq" bigserial NOT NULL;