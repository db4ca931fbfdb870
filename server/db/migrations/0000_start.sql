CREATE TABLE "change" (
	"id" uuid PRIMARY KEY NOT NULL,
	"author" text NOT NULL,
	"author_id" uuid,
	"reason" text NOT NULL,
	"state" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"decided_by" text,
	"decided_at" timestamp with time zone,
	"decision" text,
	"state_number" integer
);
--> statement-breakpoint
CREATE TABLE "change_item" (
	"change_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"slug" text NOT NULL,
	"base" integer NOT NULL,
	"proposed" jsonb NOT NULL,
	"accepted" jsonb,
	"editor" text,
	CONSTRAINT "change_item_change_id_kind_slug_pk" PRIMARY KEY("change_id","kind","slug")
);
--> statement-breakpoint
CREATE TABLE "draft" (
	"staff_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"slug" text NOT NULL,
	"base" integer NOT NULL,
	"body" jsonb NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "draft_staff_id_kind_slug_pk" PRIMARY KEY("staff_id","kind","slug")
);
--> statement-breakpoint
CREATE TABLE "edition" (
	"number" integer PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"date" date NOT NULL,
	"state_number" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "entry" (
	"kind" text NOT NULL,
	"slug" text NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "entry_kind_slug_pk" PRIMARY KEY("kind","slug")
);
--> statement-breakpoint
CREATE TABLE "failed_sign_in" (
	"login" text PRIMARY KEY NOT NULL,
	"failures" integer NOT NULL,
	"blocked_until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "hall" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"paper" text NOT NULL,
	"mass_unit" text NOT NULL,
	"length_unit" text NOT NULL,
	"state_number" integer DEFAULT 0 NOT NULL,
	"demo" boolean DEFAULT false NOT NULL,
	"demo_password" text
);
--> statement-breakpoint
CREATE TABLE "logged_set" (
	"id" uuid PRIMARY KEY NOT NULL,
	"session_id" uuid NOT NULL,
	"ordinal" integer NOT NULL,
	"variation" text NOT NULL,
	"variation_revision" integer NOT NULL,
	"role" text NOT NULL,
	"warm_up" boolean NOT NULL,
	"watched" boolean NOT NULL,
	"side_test" boolean NOT NULL,
	"side" text,
	"planned_reps" integer,
	"done_reps" integer,
	"hold_s" double precision,
	"rounds" integer,
	"load_kg" double precision,
	"load_kind" text NOT NULL,
	"effort" double precision,
	"tempo_kept" boolean,
	"range_reached" boolean,
	"range_deg" double precision,
	"faults" jsonb NOT NULL,
	"sensations" jsonb,
	"pain" double precision,
	"at_ease" integer,
	"aids" jsonb,
	"logged_by" text NOT NULL,
	"edit" integer NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "move" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"ladder" text NOT NULL,
	"sequence" bigint GENERATED ALWAYS AS IDENTITY (sequence name "move_sequence_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"date" date NOT NULL,
	"kind" text NOT NULL,
	"from_level" text,
	"to_level" text NOT NULL,
	"taken" jsonb,
	"proposed" text,
	"reason" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"state_number" integer NOT NULL,
	"revisions" jsonb NOT NULL,
	"evidence" jsonb,
	"set_ids" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "move_flag" (
	"move_id" uuid NOT NULL,
	"set_id" uuid NOT NULL,
	"edit" integer NOT NULL,
	"what" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "move_flag_move_id_set_id_edit_pk" PRIMARY KEY("move_id","set_id","edit")
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"squad_id" uuid,
	"stature_m" double precision,
	"mass_kg" double precision,
	"note" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "restriction" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"bars" jsonb NOT NULL,
	"from_date" date NOT NULL,
	"until_date" date,
	"said_by" text NOT NULL,
	"recorded_by" text NOT NULL,
	"lifted_on" date,
	"lifted_by" text,
	"lifted_source" text
);
--> statement-breakpoint
CREATE TABLE "revision" (
	"kind" text NOT NULL,
	"slug" text NOT NULL,
	"number" integer NOT NULL,
	"body" jsonb NOT NULL,
	"author" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"change_id" uuid NOT NULL,
	"state_number" integer NOT NULL,
	CONSTRAINT "revision_kind_slug_number_pk" PRIMARY KEY("kind","slug","number")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	CONSTRAINT "session_person_date" UNIQUE("person_id","date")
);
--> statement-breakpoint
CREATE TABLE "sign_in" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"staff_id" uuid NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "squad" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "squad_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "staff" (
	"id" uuid PRIMARY KEY NOT NULL,
	"login" text NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"password_hash" text NOT NULL,
	"active" boolean DEFAULT true NOT NULL,
	CONSTRAINT "staff_login_unique" UNIQUE("login")
);
--> statement-breakpoint
CREATE TABLE "staff_squad" (
	"staff_id" uuid NOT NULL,
	"squad_id" uuid NOT NULL,
	CONSTRAINT "staff_squad_staff_id_squad_id_pk" PRIMARY KEY("staff_id","squad_id")
);
--> statement-breakpoint
ALTER TABLE "change_item" ADD CONSTRAINT "change_item_change_id_change_id_fk" FOREIGN KEY ("change_id") REFERENCES "public"."change"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "draft" ADD CONSTRAINT "draft_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "logged_set" ADD CONSTRAINT "logged_set_session_id_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."session"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "move" ADD CONSTRAINT "move_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "move_flag" ADD CONSTRAINT "move_flag_move_id_move_id_fk" FOREIGN KEY ("move_id") REFERENCES "public"."move"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_squad_id_squad_id_fk" FOREIGN KEY ("squad_id") REFERENCES "public"."squad"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "restriction" ADD CONSTRAINT "restriction_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_change_id_change_id_fk" FOREIGN KEY ("change_id") REFERENCES "public"."change"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_kind_slug_entry_kind_slug_fk" FOREIGN KEY ("kind","slug") REFERENCES "public"."entry"("kind","slug") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_in" ADD CONSTRAINT "sign_in_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "staff_squad" ADD CONSTRAINT "staff_squad_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "staff_squad" ADD CONSTRAINT "staff_squad_squad_id_squad_id_fk" FOREIGN KEY ("squad_id") REFERENCES "public"."squad"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "change_state" ON "change" USING btree ("state");--> statement-breakpoint
CREATE INDEX "logged_set_session" ON "logged_set" USING btree ("session_id");--> statement-breakpoint
CREATE INDEX "move_person_ladder" ON "move" USING btree ("person_id","ladder");--> statement-breakpoint
CREATE INDEX "restriction_person" ON "restriction" USING btree ("person_id");