CREATE TABLE "cover" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	"by" text NOT NULL,
	"date" date NOT NULL,
	"reason" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"ended_by" text
);
--> statement-breakpoint
CREATE TABLE "person_coach" (
	"person_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	CONSTRAINT "person_coach_person_id_staff_id_pk" PRIMARY KEY("person_id","staff_id")
);
--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "emergency" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "first_aid" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "cover" ADD CONSTRAINT "cover_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cover" ADD CONSTRAINT "cover_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person_coach" ADD CONSTRAINT "person_coach_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person_coach" ADD CONSTRAINT "person_coach_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "cover_day" ON "cover" USING btree ("date","staff_id");--> statement-breakpoint
CREATE INDEX "person_coach_staff" ON "person_coach" USING btree ("staff_id");