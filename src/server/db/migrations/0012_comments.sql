CREATE TABLE "beside_removed" (
	"course_id" text NOT NULL,
	"kind" text NOT NULL,
	"id" text NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "beside_removed_course_id_kind_id_pk" PRIMARY KEY("course_id","kind","id")
);
--> statement-breakpoint
CREATE TABLE "comment" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"about_kind" text NOT NULL,
	"about_id" text NOT NULL,
	"about_name" text,
	"field" text,
	"quote" text,
	"words" text NOT NULL,
	"reply_to" text,
	"resolved_by" text,
	"author_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "comment_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "comment_about_kind_check" CHECK (char_length("comment"."about_kind") between 1 and 40),
	CONSTRAINT "comment_about_id_check" CHECK (char_length("comment"."about_id") between 1 and 140),
	CONSTRAINT "comment_about_name_check" CHECK (char_length("comment"."about_name") between 1 and 200),
	CONSTRAINT "comment_field_check" CHECK (char_length("comment"."field") between 1 and 60),
	CONSTRAINT "comment_quote_check" CHECK (char_length("comment"."quote") between 1 and 400),
	CONSTRAINT "comment_words_check" CHECK (char_length("comment"."words") between 1 and 4000),
	CONSTRAINT "comment_reply_to_check" CHECK (char_length("comment"."reply_to") between 1 and 40),
	CONSTRAINT "comment_resolved_by_check" CHECK (char_length("comment"."resolved_by") between 1 and 60)
);
--> statement-breakpoint
CREATE TABLE "mention" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"comment_id" text NOT NULL,
	"person_id" text NOT NULL,
	"author_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "mention_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "mention_comment_id_check" CHECK (char_length("mention"."comment_id") between 1 and 40),
	CONSTRAINT "mention_person_id_check" CHECK (char_length("mention"."person_id") between 1 and 60)
);
--> statement-breakpoint
CREATE TABLE "comments_seen" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"up_to" integer NOT NULL,
	"author_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "comments_seen_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "comments_seen_up_to_check" CHECK ("comments_seen"."up_to" between 0 and 2147483647)
);
--> statement-breakpoint
ALTER TABLE "beside_removed" ADD CONSTRAINT "beside_removed_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "comment" ADD CONSTRAINT "comment_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mention" ADD CONSTRAINT "mention_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "comments_seen" ADD CONSTRAINT "comments_seen_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;