CREATE TABLE "report_page" (
	"slug" text PRIMARY KEY NOT NULL,
	"course_id" text NOT NULL,
	"round_id" text NOT NULL,
	"doc" jsonb,
	"published_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "report_page_once" UNIQUE("course_id","round_id")
);
--> statement-breakpoint
CREATE TABLE "review_tour" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"round_id" text NOT NULL,
	"stops" jsonb DEFAULT '[]' NOT NULL,
	"author_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "review_tour_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "review_tour_round_id_check" CHECK (char_length("review_tour"."round_id") between 1 and 40),
	CONSTRAINT "review_tour_stops_check" CHECK (jsonb_typeof("review_tour"."stops") = 'array')
);
--> statement-breakpoint
ALTER TABLE "report_page" ADD CONSTRAINT "report_page_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "review_tour" ADD CONSTRAINT "review_tour_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;