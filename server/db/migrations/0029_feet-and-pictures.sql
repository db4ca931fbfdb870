CREATE TABLE "foot_load" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	"front" text,
	"left_kg" double precision NOT NULL,
	"right_kg" double precision NOT NULL,
	"shift_cm" double precision,
	"recorded_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "eye_consent" ADD COLUMN "pictures" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "foot_load" ADD CONSTRAINT "foot_load_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "foot_load_person" ON "foot_load" USING btree ("person_id","date");