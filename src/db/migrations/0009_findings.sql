ALTER TABLE "check_result" ALTER COLUMN "sentence" TYPE jsonb USING jsonb_build_object('code', 'as-written', 'text', "sentence");--> statement-breakpoint
ALTER TABLE "check_result" RENAME COLUMN "sentence" TO "finding";
