ALTER TABLE "activity_item" ALTER COLUMN "stages" SET DEFAULT '{}';--> statement-breakpoint
ALTER TABLE "alignment" ALTER COLUMN "stages" SET DEFAULT '{}';