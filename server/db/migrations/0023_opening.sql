CREATE TABLE "origin" (
	"kind" text NOT NULL,
	"slug" text NOT NULL,
	"body" jsonb NOT NULL,
	"hash" text NOT NULL,
	CONSTRAINT "origin_kind_slug_pk" PRIMARY KEY("kind","slug")
);
--> statement-breakpoint
ALTER TABLE "hall" ADD COLUMN "dates" text DEFAULT 'en-GB' NOT NULL;--> statement-breakpoint
ALTER TABLE "hall" ADD COLUMN "began_with" text;