CREATE TABLE "kit" (
	"equipment" text PRIMARY KEY NOT NULL,
	"count" integer NOT NULL,
	"place" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
ALTER TABLE "hall" ADD COLUMN "kit_number" integer DEFAULT 0 NOT NULL;