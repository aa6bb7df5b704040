CREATE TABLE "module_part" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"module_id" text NOT NULL,
	"part_id" text NOT NULL,
	"left_out" boolean DEFAULT false NOT NULL,
	"reason" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "module_part_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "module_part_module_id_check" CHECK (char_length("module_part"."module_id") between 1 and 200),
	CONSTRAINT "module_part_part_id_check" CHECK (char_length("module_part"."part_id") between 1 and 200),
	CONSTRAINT "module_part_reason_check" CHECK (char_length("module_part"."reason") between 1 and 300),
	CONSTRAINT "module_part_order_check" CHECK (char_length("module_part"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "module_session" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"module_id" text NOT NULL,
	"title" text,
	"week" integer,
	"last_week" integer,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "module_session_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "module_session_module_id_check" CHECK (char_length("module_session"."module_id") between 1 and 200),
	CONSTRAINT "module_session_title_check" CHECK (char_length("module_session"."title") between 1 and 300),
	CONSTRAINT "module_session_week_check" CHECK ("module_session"."week" between 1 and 60),
	CONSTRAINT "module_session_last_week_check" CHECK ("module_session"."last_week" between 1 and 60),
	CONSTRAINT "module_session_order_check" CHECK (char_length("module_session"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "own_kind" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"like" text NOT NULL,
	CONSTRAINT "own_kind_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "own_kind_title_check" CHECK (char_length("own_kind"."title") between 1 and 60),
	CONSTRAINT "own_kind_like_check" CHECK ("own_kind"."like" in ('page', 'reading', 'video', 'audio', 'slides', 'worked example', 'discussion', 'quiz', 'assignment', 'project', 'lab', 'case', 'live session', 'group work', 'peer review', 'reflection', 'survey', 'decision scenario', 'practice', 'exam', 'announcement', 'linked tool', 'portfolio', 'shared page', 'glossary', 'poll', 'chat', 'journal', 'collection', 'graphic'))
);
--> statement-breakpoint
CREATE TABLE "kind_default" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"kind" text NOT NULL,
	"interactions" text[] DEFAULT '{}' NOT NULL,
	"timing" text,
	"setting" text,
	"grouping" text,
	CONSTRAINT "kind_default_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "kind_default_kind_check" CHECK ("kind_default"."kind" in ('page', 'reading', 'video', 'audio', 'slides', 'worked example', 'discussion', 'quiz', 'assignment', 'project', 'lab', 'case', 'live session', 'group work', 'peer review', 'reflection', 'survey', 'decision scenario', 'practice', 'exam', 'announcement', 'linked tool', 'portfolio', 'shared page', 'glossary', 'poll', 'chat', 'journal', 'collection', 'graphic')),
	CONSTRAINT "kind_default_interactions_check" CHECK ("kind_default"."interactions" <@ array['content', 'learners', 'instructor']::text[]),
	CONSTRAINT "kind_default_timing_check" CHECK ("kind_default"."timing" in ('any time', 'live')),
	CONSTRAINT "kind_default_setting_check" CHECK ("kind_default"."setting" in ('outside class', 'before class', 'in class', 'after class')),
	CONSTRAINT "kind_default_grouping_check" CHECK ("kind_default"."grouping" in ('alone', 'pair', 'team', 'class'))
);
--> statement-breakpoint
CREATE TABLE "recall_objective" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"module_id" text NOT NULL,
	"objective_id" text NOT NULL,
	CONSTRAINT "recall_objective_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "recall_objective_module_id_check" CHECK (char_length("recall_objective"."module_id") between 1 and 200),
	CONSTRAINT "recall_objective_objective_id_check" CHECK (char_length("recall_objective"."objective_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "recall_module" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"module_id" text NOT NULL,
	"recalled_id" text NOT NULL,
	CONSTRAINT "recall_module_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "recall_module_module_id_check" CHECK (char_length("recall_module"."module_id") between 1 and 200),
	CONSTRAINT "recall_module_recalled_id_check" CHECK (char_length("recall_module"."recalled_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "extra_place" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"module_id" text NOT NULL,
	CONSTRAINT "extra_place_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "extra_place_activity_id_check" CHECK (char_length("extra_place"."activity_id") between 1 and 200),
	CONSTRAINT "extra_place_module_id_check" CHECK (char_length("extra_place"."module_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "builds_on" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"earlier_id" text NOT NULL,
	"carries" text,
	CONSTRAINT "builds_on_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "builds_on_activity_id_check" CHECK (char_length("builds_on"."activity_id") between 1 and 200),
	CONSTRAINT "builds_on_earlier_id_check" CHECK (char_length("builds_on"."earlier_id") between 1 and 200),
	CONSTRAINT "builds_on_carries_check" CHECK (char_length("builds_on"."carries") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "unlock_term" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text,
	"module_id" text,
	"when" text NOT NULL,
	"earlier_id" text,
	"percent" integer,
	"day" date,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "unlock_term_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "unlock_term_activity_id_check" CHECK (char_length("unlock_term"."activity_id") between 1 and 200),
	CONSTRAINT "unlock_term_module_id_check" CHECK (char_length("unlock_term"."module_id") between 1 and 200),
	CONSTRAINT "unlock_term_when_check" CHECK ("unlock_term"."when" in ('seen', 'handed in', 'passed', 'from a day')),
	CONSTRAINT "unlock_term_earlier_id_check" CHECK (char_length("unlock_term"."earlier_id") between 1 and 200),
	CONSTRAINT "unlock_term_percent_check" CHECK ("unlock_term"."percent" between 0 and 10000),
	CONSTRAINT "unlock_term_order_check" CHECK (char_length("unlock_term"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "access_item" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"need" text NOT NULL,
	"state" text NOT NULL,
	"reason" text,
	CONSTRAINT "access_item_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "access_item_activity_id_check" CHECK (char_length("access_item"."activity_id") between 1 and 200),
	CONSTRAINT "access_item_need_check" CHECK ("access_item"."need" in ('captions', 'transcript', 'alt text', 'contrast', 'keyboard', 'alternative route')),
	CONSTRAINT "access_item_state_check" CHECK ("access_item"."state" in ('to do', 'made', 'checked', 'not needed')),
	CONSTRAINT "access_item_reason_check" CHECK (char_length("access_item"."reason") between 1 and 300)
);
--> statement-breakpoint
CREATE TABLE "material" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"use" text NOT NULL,
	"title" text NOT NULL,
	"address" text,
	"note" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "material_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "material_activity_id_check" CHECK (char_length("material"."activity_id") between 1 and 200),
	CONSTRAINT "material_use_check" CHECK ("material"."use" in ('study', 'read', 'skim', 'sample of good work', 'sample with flaws', 'starter file', 'source', 'tool', 'tutorial', 'extra help')),
	CONSTRAINT "material_title_check" CHECK (char_length("material"."title") between 1 and 300),
	CONSTRAINT "material_address_check" CHECK (char_length("material"."address") between 1 and 2000 and "material"."address" ~* '^(http|https)://'),
	CONSTRAINT "material_note_check" CHECK (char_length("material"."note") between 1 and 1000),
	CONSTRAINT "material_order_check" CHECK (char_length("material"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "remedy" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"below" integer,
	"criterion_id" text,
	"to_activity_id" text,
	"to_material_id" text,
	"note" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "remedy_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "remedy_activity_id_check" CHECK (char_length("remedy"."activity_id") between 1 and 200),
	CONSTRAINT "remedy_below_check" CHECK ("remedy"."below" between 0 and 10000),
	CONSTRAINT "remedy_criterion_id_check" CHECK (char_length("remedy"."criterion_id") between 1 and 200),
	CONSTRAINT "remedy_to_activity_id_check" CHECK (char_length("remedy"."to_activity_id") between 1 and 200),
	CONSTRAINT "remedy_to_material_id_check" CHECK (char_length("remedy"."to_material_id") between 1 and 200),
	CONSTRAINT "remedy_note_check" CHECK (char_length("remedy"."note") between 1 and 1000),
	CONSTRAINT "remedy_order_check" CHECK (char_length("remedy"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "story_row" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"scene" text,
	"words" text,
	"picture" text,
	"alt" text,
	"seconds" integer,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "story_row_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "story_row_activity_id_check" CHECK (char_length("story_row"."activity_id") between 1 and 200),
	CONSTRAINT "story_row_scene_check" CHECK (char_length("story_row"."scene") between 1 and 120),
	CONSTRAINT "story_row_words_check" CHECK (char_length("story_row"."words") between 1 and 4000),
	CONSTRAINT "story_row_picture_check" CHECK (char_length("story_row"."picture") between 1 and 600),
	CONSTRAINT "story_row_alt_check" CHECK (char_length("story_row"."alt") between 1 and 600),
	CONSTRAINT "story_row_seconds_check" CHECK ("story_row"."seconds" between 0 and 3600),
	CONSTRAINT "story_row_order_check" CHECK (char_length("story_row"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "milestone" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"title" text NOT NULL,
	"minutes" integer,
	"handed_in" text,
	"due_rule" jsonb,
	"due_time" text,
	"back_days" integer,
	"back_from" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "milestone_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "milestone_activity_id_check" CHECK (char_length("milestone"."activity_id") between 1 and 200),
	CONSTRAINT "milestone_title_check" CHECK (char_length("milestone"."title") between 1 and 300),
	CONSTRAINT "milestone_minutes_check" CHECK ("milestone"."minutes" between 0 and 100000),
	CONSTRAINT "milestone_handed_in_check" CHECK (char_length("milestone"."handed_in") between 1 and 300),
	CONSTRAINT "milestone_due_time_check" CHECK ("milestone"."due_time" ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'),
	CONSTRAINT "milestone_back_days_check" CHECK ("milestone"."back_days" between 0 and 60),
	CONSTRAINT "milestone_back_from_check" CHECK (char_length("milestone"."back_from") between 1 and 60),
	CONSTRAINT "milestone_order_check" CHECK (char_length("milestone"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "variant" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"for_whom" text NOT NULL,
	"differs" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "variant_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "variant_activity_id_check" CHECK (char_length("variant"."activity_id") between 1 and 200),
	CONSTRAINT "variant_for_whom_check" CHECK (char_length("variant"."for_whom") between 1 and 120),
	CONSTRAINT "variant_differs_check" CHECK (char_length("variant"."differs") between 1 and 1000),
	CONSTRAINT "variant_order_check" CHECK (char_length("variant"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "product" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"title" text NOT NULL,
	"note" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "product_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "product_activity_id_check" CHECK (char_length("product"."activity_id") between 1 and 200),
	CONSTRAINT "product_title_check" CHECK (char_length("product"."title") between 1 and 300),
	CONSTRAINT "product_note_check" CHECK (char_length("product"."note") between 1 and 1000),
	CONSTRAINT "product_order_check" CHECK (char_length("product"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "column_set" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "column_set_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "column_set_title_check" CHECK (char_length("column_set"."title") between 1 and 60),
	CONSTRAINT "column_set_order_check" CHECK (char_length("column_set"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "column_of_set" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"set_id" text NOT NULL,
	"column" text NOT NULL,
	"width" integer,
	"frozen" boolean DEFAULT false NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "column_of_set_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "column_of_set_set_id_check" CHECK (char_length("column_of_set"."set_id") between 1 and 200),
	CONSTRAINT "column_of_set_column_check" CHECK (char_length("column_of_set"."column") between 1 and 60),
	CONSTRAINT "column_of_set_width_check" CHECK ("column_of_set"."width" between 40 and 800),
	CONSTRAINT "column_of_set_order_check" CHECK (char_length("column_of_set"."order") between 1 and 200)
);
--> statement-breakpoint
ALTER TABLE "series" DROP CONSTRAINT "series_kind_check";--> statement-breakpoint
ALTER TABLE "activity" DROP CONSTRAINT "activity_kind_check";--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "theme" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "also_delivery" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "video_minutes" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "late_percent" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "late_grace_hours" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "late_most" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "late_cutoff_days" integer;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "late_order" text;--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "required" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "overview" jsonb;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "closing" jsonb;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "what_is_new" text;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "role" text;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "picture_shows" text;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "picture_alt" text;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "picture_address" text;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "problem_first" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "module" ADD COLUMN "unlock_join" text;--> statement-breakpoint
ALTER TABLE "series" ADD COLUMN "every_module" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "instructions" jsonb;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "interactions" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "timing" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "setting" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "grouping" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "is_optional" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "real_work" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "later_use" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "other_delivery" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "renew" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "feedback_from" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "feedback_form" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "feedback_days" integer;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "feedback_minutes" integer;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "marking_key" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "reuse_note" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "own_kind_id" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "session_id" text;--> statement-breakpoint
ALTER TABLE "activity" ADD COLUMN "unlock_join" text;--> statement-breakpoint
ALTER TABLE "alignment" ADD COLUMN "demand" text;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "late_rule" text;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "late_percent" integer;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "late_grace_hours" integer;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "late_most" integer;--> statement-breakpoint
ALTER TABLE "assessment" ADD COLUMN "late_cutoff_days" integer;--> statement-breakpoint
ALTER TABLE "module_part" ADD CONSTRAINT "module_part_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "module_part" ADD CONSTRAINT "module_part_part_id_fk" FOREIGN KEY ("course_id","part_id") REFERENCES "public"."part"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "module_session" ADD CONSTRAINT "module_session_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "recall_objective" ADD CONSTRAINT "recall_objective_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "recall_objective" ADD CONSTRAINT "recall_objective_objective_id_fk" FOREIGN KEY ("course_id","objective_id") REFERENCES "public"."objective"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "recall_module" ADD CONSTRAINT "recall_module_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "recall_module" ADD CONSTRAINT "recall_module_recalled_id_fk" FOREIGN KEY ("course_id","recalled_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "extra_place" ADD CONSTRAINT "extra_place_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "extra_place" ADD CONSTRAINT "extra_place_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "builds_on" ADD CONSTRAINT "builds_on_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "builds_on" ADD CONSTRAINT "builds_on_earlier_id_fk" FOREIGN KEY ("course_id","earlier_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "unlock_term" ADD CONSTRAINT "unlock_term_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "unlock_term" ADD CONSTRAINT "unlock_term_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "unlock_term" ADD CONSTRAINT "unlock_term_earlier_id_fk" FOREIGN KEY ("course_id","earlier_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "access_item" ADD CONSTRAINT "access_item_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "material" ADD CONSTRAINT "material_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "remedy" ADD CONSTRAINT "remedy_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "remedy" ADD CONSTRAINT "remedy_criterion_id_fk" FOREIGN KEY ("course_id","criterion_id") REFERENCES "public"."criterion"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "remedy" ADD CONSTRAINT "remedy_to_activity_id_fk" FOREIGN KEY ("course_id","to_activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "remedy" ADD CONSTRAINT "remedy_to_material_id_fk" FOREIGN KEY ("course_id","to_material_id") REFERENCES "public"."material"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "story_row" ADD CONSTRAINT "story_row_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "milestone" ADD CONSTRAINT "milestone_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "variant" ADD CONSTRAINT "variant_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "product" ADD CONSTRAINT "product_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "column_of_set" ADD CONSTRAINT "column_of_set_set_id_fk" FOREIGN KEY ("course_id","set_id") REFERENCES "public"."column_set"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "module_part_module_id_idx" ON "module_part" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "module_part_part_id_idx" ON "module_part" USING btree ("course_id","part_id");--> statement-breakpoint
CREATE INDEX "module_session_module_id_idx" ON "module_session" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "recall_objective_module_id_idx" ON "recall_objective" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "recall_objective_objective_id_idx" ON "recall_objective" USING btree ("course_id","objective_id");--> statement-breakpoint
CREATE INDEX "recall_module_module_id_idx" ON "recall_module" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "recall_module_recalled_id_idx" ON "recall_module" USING btree ("course_id","recalled_id");--> statement-breakpoint
CREATE INDEX "extra_place_activity_id_idx" ON "extra_place" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "extra_place_module_id_idx" ON "extra_place" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "builds_on_activity_id_idx" ON "builds_on" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "builds_on_earlier_id_idx" ON "builds_on" USING btree ("course_id","earlier_id");--> statement-breakpoint
CREATE INDEX "unlock_term_activity_id_idx" ON "unlock_term" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "unlock_term_module_id_idx" ON "unlock_term" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "unlock_term_earlier_id_idx" ON "unlock_term" USING btree ("course_id","earlier_id");--> statement-breakpoint
CREATE INDEX "access_item_activity_id_idx" ON "access_item" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "material_activity_id_idx" ON "material" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "remedy_activity_id_idx" ON "remedy" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "remedy_criterion_id_idx" ON "remedy" USING btree ("course_id","criterion_id");--> statement-breakpoint
CREATE INDEX "remedy_to_activity_id_idx" ON "remedy" USING btree ("course_id","to_activity_id");--> statement-breakpoint
CREATE INDEX "remedy_to_material_id_idx" ON "remedy" USING btree ("course_id","to_material_id");--> statement-breakpoint
CREATE INDEX "story_row_activity_id_idx" ON "story_row" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "milestone_activity_id_idx" ON "milestone" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "variant_activity_id_idx" ON "variant" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "product_activity_id_idx" ON "product" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "column_of_set_set_id_idx" ON "column_of_set" USING btree ("course_id","set_id");--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_own_kind_id_fk" FOREIGN KEY ("course_id","own_kind_id") REFERENCES "public"."own_kind"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_session_id_fk" FOREIGN KEY ("course_id","session_id") REFERENCES "public"."module_session"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "activity_own_kind_id_idx" ON "activity" USING btree ("course_id","own_kind_id");--> statement-breakpoint
CREATE INDEX "activity_session_id_idx" ON "activity" USING btree ("course_id","session_id");--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_theme_check" CHECK (char_length("course_facts"."theme") between 1 and 600);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_also_delivery_check" CHECK ("course_facts"."also_delivery" in ('online-async', 'online-live', 'blended', 'in-person-with-web'));--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_video_minutes_check" CHECK ("course_facts"."video_minutes" between 1 and 240);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_late_percent_check" CHECK ("course_facts"."late_percent" between 0 and 10000);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_late_grace_hours_check" CHECK ("course_facts"."late_grace_hours" between 0 and 720);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_late_most_check" CHECK ("course_facts"."late_most" between 0 and 10000);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_late_cutoff_days_check" CHECK ("course_facts"."late_cutoff_days" between 0 and 366);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_late_order_check" CHECK ("course_facts"."late_order" in ('with the rest', 'after those on time'));--> statement-breakpoint
ALTER TABLE "module" ADD CONSTRAINT "module_what_is_new_check" CHECK (char_length("module"."what_is_new") between 1 and 600);--> statement-breakpoint
ALTER TABLE "module" ADD CONSTRAINT "module_role_check" CHECK ("module"."role" in ('start', 'throughout', 'end'));--> statement-breakpoint
ALTER TABLE "module" ADD CONSTRAINT "module_picture_shows_check" CHECK (char_length("module"."picture_shows") between 1 and 300);--> statement-breakpoint
ALTER TABLE "module" ADD CONSTRAINT "module_picture_alt_check" CHECK (char_length("module"."picture_alt") between 1 and 300);--> statement-breakpoint
ALTER TABLE "module" ADD CONSTRAINT "module_picture_address_check" CHECK (char_length("module"."picture_address") between 1 and 2000 and "module"."picture_address" ~* '^(https)://');--> statement-breakpoint
ALTER TABLE "module" ADD CONSTRAINT "module_unlock_join_check" CHECK ("module"."unlock_join" in ('all', 'any'));--> statement-breakpoint
ALTER TABLE "series" ADD CONSTRAINT "series_kind_check" CHECK ("series"."kind" in ('page', 'reading', 'video', 'audio', 'slides', 'worked example', 'discussion', 'quiz', 'assignment', 'project', 'lab', 'case', 'live session', 'group work', 'peer review', 'reflection', 'survey', 'decision scenario', 'practice', 'exam', 'announcement', 'linked tool', 'portfolio', 'shared page', 'glossary', 'poll', 'chat', 'journal', 'collection', 'graphic'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_interactions_check" CHECK ("activity"."interactions" <@ array['content', 'learners', 'instructor']::text[]);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_timing_check" CHECK ("activity"."timing" in ('any time', 'live'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_setting_check" CHECK ("activity"."setting" in ('outside class', 'before class', 'in class', 'after class'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_grouping_check" CHECK ("activity"."grouping" in ('alone', 'pair', 'team', 'class'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_real_work_check" CHECK (char_length("activity"."real_work") between 1 and 600);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_later_use_check" CHECK (char_length("activity"."later_use") between 1 and 600);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_other_delivery_check" CHECK (char_length("activity"."other_delivery") between 1 and 1000);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_renew_check" CHECK (char_length("activity"."renew") between 1 and 300);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_feedback_from_check" CHECK (char_length("activity"."feedback_from") between 1 and 120);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_feedback_form_check" CHECK (char_length("activity"."feedback_form") between 1 and 120);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_feedback_days_check" CHECK ("activity"."feedback_days" between 0 and 60);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_feedback_minutes_check" CHECK ("activity"."feedback_minutes" between 1 and 60);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_marking_key_check" CHECK (char_length("activity"."marking_key") between 1 and 1000);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_reuse_note_check" CHECK (char_length("activity"."reuse_note") between 1 and 1000);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_own_kind_id_check" CHECK (char_length("activity"."own_kind_id") between 1 and 200);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_session_id_check" CHECK (char_length("activity"."session_id") between 1 and 200);--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_unlock_join_check" CHECK ("activity"."unlock_join" in ('all', 'any'));--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_kind_check" CHECK ("activity"."kind" in ('page', 'reading', 'video', 'audio', 'slides', 'worked example', 'discussion', 'quiz', 'assignment', 'project', 'lab', 'case', 'live session', 'group work', 'peer review', 'reflection', 'survey', 'decision scenario', 'practice', 'exam', 'announcement', 'linked tool', 'portfolio', 'shared page', 'glossary', 'poll', 'chat', 'journal', 'collection', 'graphic'));--> statement-breakpoint
ALTER TABLE "alignment" ADD CONSTRAINT "alignment_demand_check" CHECK ("alignment"."demand" in ('remember', 'understand', 'apply', 'analyse', 'evaluate', 'create', 'imitate', 'manipulate', 'precise', 'articulated', 'natural', 'receive', 'respond', 'value', 'organise', 'characterise'));--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_late_rule_check" CHECK ("assessment"."late_rule" in ('own', 'none'));--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_late_percent_check" CHECK ("assessment"."late_percent" between 0 and 10000);--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_late_grace_hours_check" CHECK ("assessment"."late_grace_hours" between 0 and 720);--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_late_most_check" CHECK ("assessment"."late_most" between 0 and 10000);--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_late_cutoff_days_check" CHECK ("assessment"."late_cutoff_days" between 0 and 366);