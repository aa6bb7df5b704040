CREATE TABLE "seat_visit" (
	"hash" text PRIMARY KEY NOT NULL,
	"course_id" text NOT NULL,
	"seat_id" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "seat_visit" ADD CONSTRAINT "seat_visit_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;