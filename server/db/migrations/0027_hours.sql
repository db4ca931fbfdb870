CREATE TABLE "hour_person" (
	"hour_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	CONSTRAINT "hour_person_hour_id_person_id_pk" PRIMARY KEY("hour_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "hour_plan" (
	"id" uuid PRIMARY KEY NOT NULL,
	"date" date NOT NULL,
	"name" text NOT NULL,
	"by" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"started_at" timestamp with time zone,
	"ended_at" timestamp with time zone,
	"edit" integer DEFAULT 1 NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "hour_person" ADD CONSTRAINT "hour_person_hour_id_hour_plan_id_fk" FOREIGN KEY ("hour_id") REFERENCES "public"."hour_plan"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hour_person" ADD CONSTRAINT "hour_person_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "hour_person_person" ON "hour_person" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "hour_plan_date" ON "hour_plan" USING btree ("date");