-- Both only repeat what others say; they are made anew when the database is opened.
DELETE FROM "set_summary";--> statement-breakpoint
DELETE FROM "standing";--> statement-breakpoint
ALTER TABLE "check_in" ADD COLUMN "pain_region" text;--> statement-breakpoint
ALTER TABLE "check_in" ADD COLUMN "pain_side" text;--> statement-breakpoint
ALTER TABLE "move" ADD COLUMN "cause" text;--> statement-breakpoint
ALTER TABLE "move" ADD COLUMN "pain_regions" jsonb;--> statement-breakpoint
ALTER TABLE "move" ADD COLUMN "mass_kg" double precision;--> statement-breakpoint
ALTER TABLE "set_summary" ADD COLUMN "watched" boolean NOT NULL;--> statement-breakpoint
ALTER TABLE "standing" ADD COLUMN "moves" jsonb NOT NULL;