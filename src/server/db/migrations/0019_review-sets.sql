CREATE TABLE "review_set" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"key" text,
	"version" text,
	"language" text,
	"note" text,
	"must_needs" text,
	"should_needs" text,
	"score_from" integer,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "review_set_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "review_set_title_check" CHECK (char_length("review_set"."title") between 1 and 200),
	CONSTRAINT "review_set_key_check" CHECK (char_length("review_set"."key") between 1 and 200),
	CONSTRAINT "review_set_version_check" CHECK (char_length("review_set"."version") between 1 and 200),
	CONSTRAINT "review_set_language_check" CHECK (char_length("review_set"."language") between 1 and 200),
	CONSTRAINT "review_set_note_check" CHECK (char_length("review_set"."note") between 1 and 4000),
	CONSTRAINT "review_set_must_needs_check" CHECK ("review_set"."must_needs" in ('in place', 'partly')),
	CONSTRAINT "review_set_should_needs_check" CHECK ("review_set"."should_needs" in ('in place', 'dated action', 'nothing')),
	CONSTRAINT "review_set_score_from_check" CHECK ("review_set"."score_from" between 0 and 10000),
	CONSTRAINT "review_set_order_check" CHECK (char_length("review_set"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "review_area" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"set_id" text NOT NULL,
	"title" text NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "review_area_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "review_area_set_id_check" CHECK (char_length("review_area"."set_id") between 1 and 200),
	CONSTRAINT "review_area_title_check" CHECK (char_length("review_area"."title") between 1 and 200),
	CONSTRAINT "review_area_order_check" CHECK (char_length("review_area"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "review_point" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"area_id" text NOT NULL,
	"code" text NOT NULL,
	"statement" text NOT NULL,
	"why" text,
	"where" text,
	"basis" text,
	"as_learner" text,
	"priority" text NOT NULL,
	"weight" integer,
	"tags" text[] DEFAULT '{}' NOT NULL,
	"findings" text[] DEFAULT '{}' NOT NULL,
	"looks_at" text[] DEFAULT '{}' NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "review_point_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "review_point_area_id_check" CHECK (char_length("review_point"."area_id") between 1 and 200),
	CONSTRAINT "review_point_code_check" CHECK (char_length("review_point"."code") between 1 and 20),
	CONSTRAINT "review_point_statement_check" CHECK (char_length("review_point"."statement") between 1 and 2000),
	CONSTRAINT "review_point_why_check" CHECK (char_length("review_point"."why") between 1 and 4000),
	CONSTRAINT "review_point_where_check" CHECK (char_length("review_point"."where") between 1 and 4000),
	CONSTRAINT "review_point_basis_check" CHECK (char_length("review_point"."basis") between 1 and 4000),
	CONSTRAINT "review_point_as_learner_check" CHECK (char_length("review_point"."as_learner") between 1 and 4000),
	CONSTRAINT "review_point_priority_check" CHECK ("review_point"."priority" in ('must', 'should', 'could')),
	CONSTRAINT "review_point_weight_check" CHECK ("review_point"."weight" between 1 and 10000),
	CONSTRAINT "review_point_tags_check" CHECK ("review_point"."tags" <@ array['engagement', 'representation', 'action']::text[]),
	CONSTRAINT "review_point_findings_check" CHECK (cardinality("review_point"."findings") <= 60 and array_position("review_point"."findings", null) is null and char_length(array_to_string("review_point"."findings", '')) <= 3600),
	CONSTRAINT "review_point_looks_at_check" CHECK (cardinality("review_point"."looks_at") <= 60 and array_position("review_point"."looks_at", null) is null and char_length(array_to_string("review_point"."looks_at", '')) <= 3600),
	CONSTRAINT "review_point_order_check" CHECK (char_length("review_point"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "point_match" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"from_id" text NOT NULL,
	"to_id" text NOT NULL,
	CONSTRAINT "point_match_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "point_match_from_id_check" CHECK (char_length("point_match"."from_id") between 1 and 200),
	CONSTRAINT "point_match_to_id_check" CHECK (char_length("point_match"."to_id") between 1 and 200)
);
--> statement-breakpoint
ALTER TABLE "review_area" ADD CONSTRAINT "review_area_set_id_fk" FOREIGN KEY ("course_id","set_id") REFERENCES "public"."review_set"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "review_point" ADD CONSTRAINT "review_point_area_id_fk" FOREIGN KEY ("course_id","area_id") REFERENCES "public"."review_area"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "point_match" ADD CONSTRAINT "point_match_from_id_fk" FOREIGN KEY ("course_id","from_id") REFERENCES "public"."review_point"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "point_match" ADD CONSTRAINT "point_match_to_id_fk" FOREIGN KEY ("course_id","to_id") REFERENCES "public"."review_point"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "review_area_set_id_idx" ON "review_area" USING btree ("course_id","set_id");--> statement-breakpoint
CREATE INDEX "review_point_area_id_idx" ON "review_point" USING btree ("course_id","area_id");--> statement-breakpoint
CREATE INDEX "point_match_from_id_idx" ON "point_match" USING btree ("course_id","from_id");--> statement-breakpoint
CREATE INDEX "point_match_to_id_idx" ON "point_match" USING btree ("course_id","to_id");