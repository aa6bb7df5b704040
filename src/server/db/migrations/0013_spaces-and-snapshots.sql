CREATE TABLE "snapshot_content" (
	"hash" text PRIMARY KEY NOT NULL,
	"body" "bytea" NOT NULL,
	"size" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "snapshot" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"note" text,
	"content" text NOT NULL,
	"format_version" integer NOT NULL,
	"plan_revision" integer NOT NULL,
	"author_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "snapshot_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "snapshot_name_check" CHECK (char_length("snapshot"."name") between 1 and 100),
	CONSTRAINT "snapshot_note_check" CHECK (char_length("snapshot"."note") between 1 and 1000),
	CONSTRAINT "snapshot_content_check" CHECK (char_length("snapshot"."content") between 1 and 64),
	CONSTRAINT "snapshot_format_version_check" CHECK ("snapshot"."format_version" between 1 and 10000),
	CONSTRAINT "snapshot_plan_revision_check" CHECK ("snapshot"."plan_revision" between 0 and 2147483647)
);
--> statement-breakpoint
ALTER TABLE "course_head" ADD COLUMN "type" text DEFAULT 'course' NOT NULL;--> statement-breakpoint
ALTER TABLE "course_head" ADD COLUMN "state" text DEFAULT 'live' NOT NULL;--> statement-breakpoint
ALTER TABLE "course_head" ADD COLUMN "state_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "snapshot" ADD CONSTRAINT "snapshot_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;