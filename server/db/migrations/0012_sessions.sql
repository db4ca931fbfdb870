ALTER TABLE "sign_in" ADD COLUMN "id" uuid DEFAULT gen_random_uuid() NOT NULL;--> statement-breakpoint
ALTER TABLE "sign_in" ADD COLUMN "started_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "sign_in" ADD COLUMN "seen_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "sign_in" ADD COLUMN "device" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sign_in" ADD COLUMN "sure_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "sign_in" ADD COLUMN "floor_only" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "pin_hash" text;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "pin_tries" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "totp_secret" text;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "totp_pending" text;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "totp_step" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "recovery" jsonb DEFAULT '[]'::jsonb NOT NULL;