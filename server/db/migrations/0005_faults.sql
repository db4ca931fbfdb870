CREATE TABLE "chain_try" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"fault" text NOT NULL,
	"side" text,
	"step" text NOT NULL,
	"date" date NOT NULL,
	"passed" boolean NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "fault_case" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	"edit" integer NOT NULL,
	"variation" text NOT NULL,
	"variation_revision" integer NOT NULL,
	"signs" jsonb NOT NULL,
	"felt" jsonb NOT NULL,
	"checks" jsonb NOT NULL,
	"tried" jsonb NOT NULL,
	"end" text,
	"easier" text,
	"pain" double precision,
	"note" text DEFAULT '' NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "set_rating" (
	"set_id" uuid NOT NULL,
	"by" text NOT NULL,
	"faults" jsonb NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "set_rating_set_id_by_pk" PRIMARY KEY("set_id","by")
);
--> statement-breakpoint
ALTER TABLE "chain_try" ADD CONSTRAINT "chain_try_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "fault_case" ADD CONSTRAINT "fault_case_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_rating" ADD CONSTRAINT "set_rating_set_id_logged_set_id_fk" FOREIGN KEY ("set_id") REFERENCES "public"."logged_set"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "chain_try_person" ON "chain_try" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "fault_case_person" ON "fault_case" USING btree ("person_id","date");--> statement-breakpoint
CREATE INDEX "fault_case_date" ON "fault_case" USING btree ("date");