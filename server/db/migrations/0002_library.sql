CREATE TABLE "person_answer" (
	"person_id" uuid NOT NULL,
	"question" text NOT NULL,
	"answer" text NOT NULL,
	"why" text NOT NULL,
	"recorded_by" text NOT NULL,
	"date" date NOT NULL,
	CONSTRAINT "person_answer_person_id_question_pk" PRIMARY KEY("person_id","question")
);
--> statement-breakpoint
ALTER TABLE "draft" ADD COLUMN "also" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "person_answer" ADD CONSTRAINT "person_answer_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;