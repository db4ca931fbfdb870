CREATE TABLE "person_build" (
	"person_id" uuid PRIMARY KEY NOT NULL,
	"mass_set" text NOT NULL,
	"measured" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "range_test" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	"method" text NOT NULL,
	"side" text NOT NULL,
	"value" double precision NOT NULL,
	"recorded_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "person_build" ADD CONSTRAINT "person_build_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "range_test" ADD CONSTRAINT "range_test_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "range_test_person" ON "range_test" USING btree ("person_id");