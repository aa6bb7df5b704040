ALTER TABLE "course_facts" ADD COLUMN "colour_paper" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "colour_ink" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "colour_quiet" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "colour_heading" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "colour_link" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "colour_accent" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "colour_on_accent" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_colour_paper_check" CHECK ("course_facts"."colour_paper" ~ '^#[0-9a-f]{6}$');--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_colour_ink_check" CHECK ("course_facts"."colour_ink" ~ '^#[0-9a-f]{6}$');--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_colour_quiet_check" CHECK ("course_facts"."colour_quiet" ~ '^#[0-9a-f]{6}$');--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_colour_heading_check" CHECK ("course_facts"."colour_heading" ~ '^#[0-9a-f]{6}$');--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_colour_link_check" CHECK ("course_facts"."colour_link" ~ '^#[0-9a-f]{6}$');--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_colour_accent_check" CHECK ("course_facts"."colour_accent" ~ '^#[0-9a-f]{6}$');--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_colour_on_accent_check" CHECK ("course_facts"."colour_on_accent" ~ '^#[0-9a-f]{6}$');