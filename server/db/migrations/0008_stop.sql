CREATE TABLE "clearance" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"reaches" jsonb NOT NULL,
	"date" date NOT NULL,
	"until_date" date,
	"said_by" text NOT NULL,
	"what" text NOT NULL,
	"set_ids" jsonb NOT NULL,
	"by" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "report" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"source" text NOT NULL,
	"date" date NOT NULL,
	"told" text NOT NULL,
	"pain" double precision,
	"felt" jsonb NOT NULL,
	"variation" text,
	"words" text DEFAULT '' NOT NULL,
	"reach" text,
	"by" text NOT NULL,
	"by_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"clearance_id" uuid,
	CONSTRAINT "report_source_unique" UNIQUE("source")
);
--> statement-breakpoint
CREATE TABLE "report_read" (
	"report_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "report_read_report_id_staff_id_pk" PRIMARY KEY("report_id","staff_id")
);
--> statement-breakpoint
ALTER TABLE "clearance" ADD CONSTRAINT "clearance_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report" ADD CONSTRAINT "report_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report" ADD CONSTRAINT "report_clearance_id_clearance_id_fk" FOREIGN KEY ("clearance_id") REFERENCES "public"."clearance"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report_read" ADD CONSTRAINT "report_read_report_id_report_id_fk" FOREIGN KEY ("report_id") REFERENCES "public"."report"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report_read" ADD CONSTRAINT "report_read_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "clearance_person" ON "clearance" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "report_person" ON "report" USING btree ("person_id","date");--> statement-breakpoint
CREATE INDEX "report_date" ON "report" USING btree ("date");