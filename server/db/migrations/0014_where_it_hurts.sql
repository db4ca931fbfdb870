ALTER TABLE "logged_set" ADD COLUMN "lighter" boolean;--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "pain_region" text;--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "pain_side" text;