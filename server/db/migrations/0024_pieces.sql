CREATE TABLE "piece" (
	"id" uuid PRIMARY KEY NOT NULL,
	"equipment" text NOT NULL,
	"form" text NOT NULL,
	"name" text DEFAULT '' NOT NULL,
	"count" integer NOT NULL,
	"place" text DEFAULT '' NOT NULL,
	"most" integer,
	"condition" text DEFAULT 'good' NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"out_since" date,
	"inspected_on" date,
	"next_inspection" date,
	"unit" text DEFAULT 'kg' NOT NULL,
	"sizes" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"colour" text,
	"readings" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"read_on" date,
	"retire_on" date,
	"edit" integer DEFAULT 1 NOT NULL,
	"gone_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "piece_edit" (
	"piece_id" uuid NOT NULL,
	"edit" integer NOT NULL,
	"body" jsonb NOT NULL,
	"gone" boolean DEFAULT false NOT NULL,
	"by" text NOT NULL,
	"by_id" uuid,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "piece_edit_piece_id_edit_pk" PRIMARY KEY("piece_id","edit")
);
--> statement-breakpoint
ALTER TABLE "piece_edit" ADD CONSTRAINT "piece_edit_piece_id_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."piece"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "piece_equipment" ON "piece" USING btree ("equipment");--> statement-breakpoint
INSERT INTO "piece" ("id", "equipment", "form", "count", "place")
	SELECT gen_random_uuid(), "equipment", 'thing', "count", "place" FROM "kit";--> statement-breakpoint
DROP TABLE "kit" CASCADE;--> statement-breakpoint
ALTER TABLE "hall" ADD COLUMN "sole_m" double precision DEFAULT 0.025 NOT NULL;