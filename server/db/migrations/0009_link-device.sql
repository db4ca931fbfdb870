CREATE TABLE "link_device" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"own_link_id" uuid,
	"share_id" uuid,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "link_device" ADD CONSTRAINT "link_device_own_link_id_own_link_id_fk" FOREIGN KEY ("own_link_id") REFERENCES "public"."own_link"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "link_device" ADD CONSTRAINT "link_device_share_id_share_id_fk" FOREIGN KEY ("share_id") REFERENCES "public"."share"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "link_device_own" ON "link_device" USING btree ("own_link_id");--> statement-breakpoint
CREATE INDEX "link_device_share" ON "link_device" USING btree ("share_id");