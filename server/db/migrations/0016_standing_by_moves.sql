ALTER TABLE "standing" DROP COLUMN "level";--> statement-breakpoint
ALTER TABLE "standing" DROP COLUMN "since";--> statement-breakpoint
ALTER TABLE "standing" DROP COLUMN "taken";--> statement-breakpoint
ALTER TABLE "standing" DROP COLUMN "role";--> statement-breakpoint
ALTER TABLE "standing" DROP COLUMN "stage";