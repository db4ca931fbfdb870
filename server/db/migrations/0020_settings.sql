ALTER TABLE "check_in" ADD COLUMN "sore" jsonb;--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "work_s" double precision;--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "breaths" integer;--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "settings" jsonb;--> statement-breakpoint
ALTER TABLE "move" ADD COLUMN "form" text;--> statement-breakpoint
CREATE INDEX "set_summary_settings" ON "set_summary" USING btree ("person_id","variation","date" DESC NULLS LAST) WHERE "set_summary"."sets" @? '$[*].settings';