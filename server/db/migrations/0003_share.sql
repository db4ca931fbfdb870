CREATE TABLE "share" (
	"id" uuid PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	"job" text NOT NULL,
	"person_id" uuid,
	"made_by" text NOT NULL,
	"made_by_id" uuid NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"opened" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "share_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
ALTER TABLE "share" ADD CONSTRAINT "share_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "share_maker" ON "share" USING btree ("made_by_id");