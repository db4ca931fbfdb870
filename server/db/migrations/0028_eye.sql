CREATE TABLE "eye_consent" (
	"person_id" uuid PRIMARY KEY NOT NULL,
	"given" boolean NOT NULL,
	"date" date NOT NULL,
	"minor" boolean NOT NULL,
	"guardian" text NOT NULL,
	"recorded_by" text NOT NULL,
	"withdrawn_on" date
);
--> statement-breakpoint
CREATE TABLE "eye_trial" (
	"id" uuid PRIMARY KEY NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"said" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "measurement" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	"set_id" uuid,
	"variation" text NOT NULL,
	"recorded_by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"said" jsonb NOT NULL,
	"track" text,
	"pictures" jsonb
);
--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "range_band_deg" double precision;--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "measured_by" text;--> statement-breakpoint
ALTER TABLE "eye_consent" ADD CONSTRAINT "eye_consent_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "eye_trial" ADD CONSTRAINT "eye_trial_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "eye_trial_staff" ON "eye_trial" USING btree ("staff_id","at");--> statement-breakpoint
CREATE INDEX "measurement_person" ON "measurement" USING btree ("person_id","date");