ALTER TABLE "activity" DROP CONSTRAINT "activity_pace_check";--> statement-breakpoint
ALTER TABLE "activity" DROP CONSTRAINT "activity_difficulty_check";--> statement-breakpoint
ALTER TABLE "assumption" DROP CONSTRAINT "assumption_name_check";--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "page_words" integer;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "page_set" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "writing" text;--> statement-breakpoint
UPDATE "activity" SET "pace" = 'learn' WHERE "pace" = 'study';--> statement-breakpoint
UPDATE "activity" SET "difficulty" = CASE "difficulty" WHEN 'normal' THEN 'ordinary' ELSE 'hard' END WHERE "difficulty" IN ('normal', 'dense');--> statement-breakpoint
UPDATE "assumption" SET "name" = n.new, "id" = n.new || '--assumption', "value" = CASE WHEN n.an_hour THEN least(10000000, coalesce(round(150000000.0 / nullif("value", 0)), 10000000)) ELSE "value" END
FROM (VALUES ('study', 'learn', false), ('dense', 'hard', false), ('page-words', 'textbook', false), ('reflection-250', 'reflection-words', true), ('report-250', 'report-words', true), ('argued-250', 'argued-words', true)) AS n(old, new, an_hour) WHERE "name" = n.old;--> statement-breakpoint
-- What waits to be checked at the end is checked now: a table with checks outstanding cannot be altered.
SET CONSTRAINTS ALL IMMEDIATE;--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_page_words_check" CHECK ("activity"."page_words" between 1 and 5000);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_page_set_check" CHECK ("activity"."page_set" in ('paperback', 'textbook', 'close-set'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_writing_check" CHECK ("activity"."writing" in ('reflection', 'report', 'argued'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_pace_check" CHECK ("activity"."pace" in ('scan', 'skim', 'read', 'learn', 'memorise'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_difficulty_check" CHECK ("activity"."difficulty" in ('easy', 'ordinary', 'hard'));--> statement-breakpoint
ALTER TABLE "assumption" ADD CONSTRAINT "assumption_name_check" CHECK ("assumption"."name" in ('scan', 'skim', 'read', 'learn', 'memorise', 'easy', 'hard', 'paperback', 'textbook', 'close-set', 'playing', 'reflection-words', 'report-words', 'argued-words', 'first-post', 'reply', 'post-read', 'posts-read', 'quiz-item', 'quiz-attempts', 'peer-review', 'marking'));