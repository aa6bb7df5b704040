CREATE TABLE "assumption" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"value" integer NOT NULL,
	CONSTRAINT "assumption_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "assumption_name_check" CHECK ("assumption"."name" in ('skim', 'read', 'study', 'memorise', 'easy', 'dense', 'page-words', 'playing', 'reflection-250', 'report-250', 'argued-250', 'first-post', 'reply', 'post-read', 'posts-read', 'quiz-item', 'quiz-attempts', 'peer-review', 'marking')),
	CONSTRAINT "assumption_value_check" CHECK ("assumption"."value" between 0 and 10000000)
);
--> statement-breakpoint
CREATE TABLE "criterion" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"rubric_id" text NOT NULL,
	"title" text NOT NULL,
	"weight" integer,
	"general" boolean DEFAULT false NOT NULL,
	"critical" boolean DEFAULT false NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "criterion_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "criterion_rubric_id_check" CHECK (char_length("criterion"."rubric_id") between 1 and 200),
	CONSTRAINT "criterion_title_check" CHECK (char_length("criterion"."title") between 1 and 300),
	CONSTRAINT "criterion_weight_check" CHECK ("criterion"."weight" between 0 and 10000000),
	CONSTRAINT "criterion_order_check" CHECK (char_length("criterion"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "criterion_objective" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"criterion_id" text NOT NULL,
	"objective_id" text NOT NULL,
	CONSTRAINT "criterion_objective_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "criterion_objective_criterion_id_check" CHECK (char_length("criterion_objective"."criterion_id") between 1 and 200),
	CONSTRAINT "criterion_objective_objective_id_check" CHECK (char_length("criterion_objective"."objective_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "descriptor" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"criterion_id" text NOT NULL,
	"level_id" text NOT NULL,
	"text" text NOT NULL,
	CONSTRAINT "descriptor_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "descriptor_criterion_id_check" CHECK (char_length("descriptor"."criterion_id") between 1 and 200),
	CONSTRAINT "descriptor_level_id_check" CHECK (char_length("descriptor"."level_id") between 1 and 200),
	CONSTRAINT "descriptor_text_check" CHECK (char_length("descriptor"."text") between 1 and 1000)
);
--> statement-breakpoint
CREATE TABLE "grade_step" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"letter" text NOT NULL,
	"minimum" integer NOT NULL,
	CONSTRAINT "grade_step_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "grade_step_letter_check" CHECK (char_length("grade_step"."letter") between 1 and 20),
	CONSTRAINT "grade_step_minimum_check" CHECK ("grade_step"."minimum" between 0 and 10000)
);
--> statement-breakpoint
CREATE TABLE "rubric" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"form" text NOT NULL,
	"scale" text NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "rubric_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "rubric_title_check" CHECK (char_length("rubric"."title") between 1 and 300),
	CONSTRAINT "rubric_form_check" CHECK ("rubric"."form" in ('analytic', 'single-point', 'checklist', 'holistic')),
	CONSTRAINT "rubric_scale_check" CHECK ("rubric"."scale" in ('points', 'percent')),
	CONSTRAINT "rubric_order_check" CHECK (char_length("rubric"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "rubric_level" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"rubric_id" text NOT NULL,
	"title" text NOT NULL,
	"value" integer NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "rubric_level_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "rubric_level_rubric_id_check" CHECK (char_length("rubric_level"."rubric_id") between 1 and 200),
	CONSTRAINT "rubric_level_title_check" CHECK (char_length("rubric_level"."title") between 1 and 100),
	CONSTRAINT "rubric_level_value_check" CHECK ("rubric_level"."value" between 0 and 10000),
	CONSTRAINT "rubric_level_order_check" CHECK (char_length("rubric_level"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "rule_setting" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"code" text NOT NULL,
	"weight" text NOT NULL,
	CONSTRAINT "rule_setting_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "rule_setting_code_check" CHECK (char_length("rule_setting"."code") between 1 and 60),
	CONSTRAINT "rule_setting_weight_check" CHECK ("rule_setting"."weight" in ('off', 'open', 'idea', 'check', 'fix'))
);
--> statement-breakpoint
CREATE TABLE "series" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"kind" text,
	"purpose" text,
	"minutes" integer,
	"due_rule" jsonb,
	"function" text,
	"points" integer,
	"category_id" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "series_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "series_title_check" CHECK (char_length("series"."title") between 1 and 300),
	CONSTRAINT "series_kind_check" CHECK ("series"."kind" in ('page', 'reading', 'video', 'audio', 'slides', 'worked example', 'discussion', 'quiz', 'assignment', 'project', 'lab', 'case', 'live session', 'group work', 'peer review', 'reflection', 'survey', 'decision scenario', 'practice', 'exam', 'announcement', 'linked tool')),
	CONSTRAINT "series_purpose_check" CHECK ("series"."purpose" in ('orient', 'study', 'practise', 'demonstrate', 'reflect')),
	CONSTRAINT "series_minutes_check" CHECK ("series"."minutes" between 0 and 100000),
	CONSTRAINT "series_function_check" CHECK ("series"."function" in ('diagnostic', 'formative', 'summative')),
	CONSTRAINT "series_points_check" CHECK ("series"."points" between 0 and 10000000),
	CONSTRAINT "series_category_id_check" CHECK (char_length("series"."category_id") between 1 and 200),
	CONSTRAINT "series_order_check" CHECK (char_length("series"."order") between 1 and 200)
);
--> statement-breakpoint
ALTER TABLE "offering" ALTER COLUMN "count_breaks" SET DEFAULT false;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "series_id" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "size" jsonb;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "pace" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "difficulty" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "counts_as" text;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "rubric_id" text;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "graded" text;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "extra_credit" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "hurdle" integer;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "marked_by" text;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "marking_minutes" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "grade_places" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "contact_hour" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "profile" text;--> statement-breakpoint
ALTER TABLE "grade_category" ADD COLUMN "drop_lowest" integer;--> statement-breakpoint
ALTER TABLE "grade_category" ADD COLUMN "hurdle" integer;--> statement-breakpoint
ALTER TABLE "offering" ADD COLUMN "enrolment" integer;--> statement-breakpoint
ALTER TABLE "offering" ADD COLUMN "return_days" integer;--> statement-breakpoint
ALTER TABLE "offering" ADD COLUMN "marking_hours" integer;--> statement-breakpoint
ALTER TABLE "criterion" ADD CONSTRAINT "criterion_rubric_id_fk" FOREIGN KEY ("course_id","rubric_id") REFERENCES "public"."rubric"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "criterion_objective" ADD CONSTRAINT "criterion_objective_criterion_id_fk" FOREIGN KEY ("course_id","criterion_id") REFERENCES "public"."criterion"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "criterion_objective" ADD CONSTRAINT "criterion_objective_objective_id_fk" FOREIGN KEY ("course_id","objective_id") REFERENCES "public"."objective"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "descriptor" ADD CONSTRAINT "descriptor_criterion_id_fk" FOREIGN KEY ("course_id","criterion_id") REFERENCES "public"."criterion"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "descriptor" ADD CONSTRAINT "descriptor_level_id_fk" FOREIGN KEY ("course_id","level_id") REFERENCES "public"."rubric_level"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "rubric_level" ADD CONSTRAINT "rubric_level_rubric_id_fk" FOREIGN KEY ("course_id","rubric_id") REFERENCES "public"."rubric"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "series" ADD CONSTRAINT "series_category_id_fk" FOREIGN KEY ("course_id","category_id") REFERENCES "public"."grade_category"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "criterion_rubric_id_idx" ON "criterion" USING btree ("course_id","rubric_id");--> statement-breakpoint
CREATE INDEX "criterion_objective_criterion_id_idx" ON "criterion_objective" USING btree ("course_id","criterion_id");--> statement-breakpoint
CREATE INDEX "criterion_objective_objective_id_idx" ON "criterion_objective" USING btree ("course_id","objective_id");--> statement-breakpoint
CREATE INDEX "descriptor_criterion_id_idx" ON "descriptor" USING btree ("course_id","criterion_id");--> statement-breakpoint
CREATE INDEX "descriptor_level_id_idx" ON "descriptor" USING btree ("course_id","level_id");--> statement-breakpoint
CREATE INDEX "rubric_level_rubric_id_idx" ON "rubric_level" USING btree ("course_id","rubric_id");--> statement-breakpoint
CREATE INDEX "series_category_id_idx" ON "series" USING btree ("course_id","category_id");--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_series_id_fk" FOREIGN KEY ("course_id","series_id") REFERENCES "public"."series"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_rubric_id_fk" FOREIGN KEY ("course_id","rubric_id") REFERENCES "public"."rubric"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "activity_series_id_idx" ON "activity" USING btree ("course_id","series_id");--> statement-breakpoint
CREATE INDEX "assessment_rubric_id_idx" ON "assessment" USING btree ("course_id","rubric_id");--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_series_id_check" CHECK (char_length("activity"."series_id") between 1 and 200);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_pace_check" CHECK ("activity"."pace" in ('skim', 'read', 'study', 'memorise'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_difficulty_check" CHECK ("activity"."difficulty" in ('easy', 'normal', 'dense'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_counts_as_check" CHECK ("activity"."counts_as" in ('instruction', 'guided', 'independent'));--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_rubric_id_check" CHECK (char_length("assessment"."rubric_id") between 1 and 200);--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_graded_check" CHECK ("assessment"."graded" in ('points', 'letter', 'satisfactory', 'no'));--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_hurdle_check" CHECK ("assessment"."hurdle" between 0 and 10000);--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_marked_by_check" CHECK ("assessment"."marked_by" in ('instructor', 'automatic', 'peer', 'self'));--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_marking_minutes_check" CHECK ("assessment"."marking_minutes" between 0 and 1000);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_grade_places_check" CHECK ("course_facts"."grade_places" between 0 and 2);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_contact_hour_check" CHECK ("course_facts"."contact_hour" between 30 and 60);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_profile_check" CHECK ("course_facts"."profile" in ('semester', 'competency', 'self-paced'));--> statement-breakpoint
ALTER TABLE "grade_category" ADD CONSTRAINT "grade_category_drop_lowest_check" CHECK ("grade_category"."drop_lowest" between 0 and 50);--> statement-breakpoint
ALTER TABLE "grade_category" ADD CONSTRAINT "grade_category_hurdle_check" CHECK ("grade_category"."hurdle" between 0 and 10000);--> statement-breakpoint
ALTER TABLE "offering" ADD CONSTRAINT "offering_enrolment_check" CHECK ("offering"."enrolment" between 0 and 100000);--> statement-breakpoint
ALTER TABLE "offering" ADD CONSTRAINT "offering_return_days_check" CHECK ("offering"."return_days" between 1 and 60);--> statement-breakpoint
ALTER TABLE "offering" ADD CONSTRAINT "offering_marking_hours_check" CHECK ("offering"."marking_hours" between 0 and 100000);