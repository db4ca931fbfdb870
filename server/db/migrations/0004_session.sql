CREATE TABLE "check_in" (
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	"here" boolean,
	"pain" double precision,
	"sleep_h" double precision,
	"at_ease" double precision,
	"note" text DEFAULT '' NOT NULL,
	"recorded_by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "check_in_person_id_date_pk" PRIMARY KEY("person_id","date")
);
--> statement-breakpoint
CREATE TABLE "cue_tried" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	"variation" text NOT NULL,
	"cue" text NOT NULL,
	"outcome" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "own_link" (
	"id" uuid PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	"person_id" uuid NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"last_used_at" timestamp with time zone,
	CONSTRAINT "own_link_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "placement" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"ladder" text NOT NULL,
	"date" date NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"experience" text NOT NULL,
	"at_ease" double precision,
	"careful" boolean NOT NULL,
	"trials" jsonb NOT NULL,
	"outcome" text NOT NULL,
	"level" text,
	"state_number" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "set_summary" (
	"session_id" uuid NOT NULL,
	"variation" text NOT NULL,
	"person_id" uuid NOT NULL,
	"date" date NOT NULL,
	"working" boolean NOT NULL,
	"pain" double precision,
	"sets" jsonb NOT NULL,
	CONSTRAINT "set_summary_session_id_variation_pk" PRIMARY KEY("session_id","variation")
);
--> statement-breakpoint
CREATE TABLE "set_tombstone" (
	"id" uuid PRIMARY KEY NOT NULL,
	"edit" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "set_version" (
	"set_id" uuid NOT NULL,
	"edit" integer NOT NULL,
	"hash" text NOT NULL,
	"body" jsonb NOT NULL,
	"logged_by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "set_version_set_id_edit_hash_pk" PRIMARY KEY("set_id","edit","hash")
);
--> statement-breakpoint
CREATE TABLE "sign_off" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"ladder" text NOT NULL,
	"level" text NOT NULL,
	"role" text NOT NULL,
	"by" text NOT NULL,
	"date" date NOT NULL,
	"word" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "standing" (
	"person_id" uuid NOT NULL,
	"ladder" text NOT NULL,
	"level" text NOT NULL,
	"since" date NOT NULL,
	"taken" jsonb NOT NULL,
	"role" text,
	"stage" text,
	"last_move_id" uuid NOT NULL,
	CONSTRAINT "standing_person_id_ladder_pk" PRIMARY KEY("person_id","ladder")
);
--> statement-breakpoint
ALTER TABLE "logged_set" ADD COLUMN "own" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "move" ADD COLUMN "role" text;--> statement-breakpoint
ALTER TABLE "move" ADD COLUMN "stage" text;--> statement-breakpoint
ALTER TABLE "squad" ADD COLUMN "training_days" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "check_in" ADD CONSTRAINT "check_in_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cue_tried" ADD CONSTRAINT "cue_tried_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_link" ADD CONSTRAINT "own_link_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "placement" ADD CONSTRAINT "placement_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_summary" ADD CONSTRAINT "set_summary_session_id_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."session"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_summary" ADD CONSTRAINT "set_summary_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_version" ADD CONSTRAINT "set_version_set_id_logged_set_id_fk" FOREIGN KEY ("set_id") REFERENCES "public"."logged_set"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_off" ADD CONSTRAINT "sign_off_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "standing" ADD CONSTRAINT "standing_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "cue_tried_person" ON "cue_tried" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "own_link_person" ON "own_link" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "placement_person" ON "placement" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "set_summary_window" ON "set_summary" USING btree ("person_id","variation","date");--> statement-breakpoint
CREATE INDEX "set_summary_day" ON "set_summary" USING btree ("person_id","date");--> statement-breakpoint
CREATE INDEX "set_summary_pain" ON "set_summary" USING btree ("person_id","date") WHERE "set_summary"."pain" > 0;--> statement-breakpoint
CREATE INDEX "sign_off_person" ON "sign_off" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "move_sets" ON "move" USING gin ("set_ids");--> statement-breakpoint
insert into set_summary (session_id, variation, person_id, date, working, pain, sets)
select l.session_id, l.variation, s.person_id, s.date, bool_or(not l.warm_up), max(l.pain),
  jsonb_agg(jsonb_strip_nulls(jsonb_build_object(
    'id', l.id, 'ordinal', l.ordinal, 'rev', l.variation_revision, 'role', l.role, 'warmUp', l.warm_up,
    'watched', l.watched, 'sideTest', l.side_test, 'side', l.side, 'plannedReps', l.planned_reps,
    'doneReps', l.done_reps, 'holdS', l.hold_s, 'rounds', l.rounds, 'loadKg', l.load_kg, 'loadKind', l.load_kind,
    'effort', l.effort, 'tempoKept', l.tempo_kept, 'rangeReached', l.range_reached, 'rangeDeg', l.range_deg,
    'faults', nullif(l.faults, '[]'::jsonb), 'sensations', l.sensations, 'pain', l.pain, 'atEase', l.at_ease,
    'aids', l.aids)) order by l.ordinal, l.id)
from logged_set l join session s on s.id = l.session_id
where l.deleted_at is null
group by l.session_id, l.variation, s.person_id, s.date;
--> statement-breakpoint
insert into standing (person_id, ladder, level, since, taken, role, stage, last_move_id)
with ordered as (
  select m.*, lag(m.to_level) over of_person as before,
    last_value(m.id) over (of_person rows between unbounded preceding and unbounded following) as newest
  from move m window of_person as (partition by m.person_id, m.ladder order by m.sequence)
), arrival as (
  select distinct on (person_id, ladder) * from ordered
  where kind = 'placed' or before is null or before <> to_level
  order by person_id, ladder, sequence desc
)
select a.person_id, a.ladder, a.to_level, a.date,
  coalesce((
    select jsonb_agg(g.taken order by g.sequence) from ordered g
    where g.person_id = a.person_id and g.ladder = a.ladder and g.sequence > a.sequence
      and g.kind = 'grow' and g.taken is not null), '[]'::jsonb),
  null, null, a.newest
from arrival a;
