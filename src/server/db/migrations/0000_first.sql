CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "activity" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"module_id" text NOT NULL,
	"part_id" text,
	"title" text NOT NULL,
	"kind" text,
	"purpose" text,
	"minutes" integer,
	"due_rule" jsonb,
	"due_time" text,
	"notes" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "activity_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "activity_module_id_check" CHECK (char_length("activity"."module_id") between 1 and 200),
	CONSTRAINT "activity_part_id_check" CHECK (char_length("activity"."part_id") between 1 and 200),
	CONSTRAINT "activity_title_check" CHECK (char_length("activity"."title") between 1 and 300),
	CONSTRAINT "activity_kind_check" CHECK ("activity"."kind" in ('page', 'reading', 'video', 'audio', 'slides', 'worked example', 'discussion', 'quiz', 'assignment', 'project', 'lab', 'case', 'live session', 'group work', 'peer review', 'reflection', 'survey', 'decision scenario', 'practice', 'exam', 'announcement', 'linked tool')),
	CONSTRAINT "activity_purpose_check" CHECK ("activity"."purpose" in ('orient', 'study', 'practise', 'demonstrate', 'reflect')),
	CONSTRAINT "activity_minutes_check" CHECK ("activity"."minutes" between 0 and 100000),
	CONSTRAINT "activity_due_time_check" CHECK ("activity"."due_time" ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'),
	CONSTRAINT "activity_notes_check" CHECK (char_length("activity"."notes") between 1 and 4000),
	CONSTRAINT "activity_order_check" CHECK (char_length("activity"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "alignment" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"objective_id" text NOT NULL,
	"stages" text[] NOT NULL,
	CONSTRAINT "alignment_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "alignment_activity_id_check" CHECK (char_length("alignment"."activity_id") between 1 and 200),
	CONSTRAINT "alignment_objective_id_check" CHECK (char_length("alignment"."objective_id") between 1 and 200),
	CONSTRAINT "alignment_stages_check" CHECK ("alignment"."stages" <@ array['introduces', 'practises', 'assesses']::text[])
);
--> statement-breakpoint
CREATE TABLE "analysis_cache" (
	"course_id" text PRIMARY KEY NOT NULL,
	"revision" integer NOT NULL,
	"fix" integer NOT NULL,
	"check" integer NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "assessment" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"category_id" text,
	"points" integer,
	"function" text NOT NULL,
	CONSTRAINT "assessment_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "assessment_activity_id_check" CHECK (char_length("assessment"."activity_id") between 1 and 200),
	CONSTRAINT "assessment_category_id_check" CHECK (char_length("assessment"."category_id") between 1 and 200),
	CONSTRAINT "assessment_points_check" CHECK ("assessment"."points" between 0 and 10000000),
	CONSTRAINT "assessment_function_check" CHECK ("assessment"."function" in ('diagnostic', 'formative', 'summative'))
);
--> statement-breakpoint
CREATE TABLE "calendar_rule" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"offering_id" text NOT NULL,
	"kind" text NOT NULL,
	"title" text NOT NULL,
	"first_date" date NOT NULL,
	"last_date" date NOT NULL,
	CONSTRAINT "calendar_rule_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "calendar_rule_offering_id_check" CHECK (char_length("calendar_rule"."offering_id") between 1 and 200),
	CONSTRAINT "calendar_rule_kind_check" CHECK ("calendar_rule"."kind" in ('closed', 'break')),
	CONSTRAINT "calendar_rule_title_check" CHECK (char_length("calendar_rule"."title") between 1 and 100)
);
--> statement-breakpoint
CREATE TABLE "change_log" (
	"course_id" text NOT NULL,
	"revision" integer NOT NULL,
	"author_id" text NOT NULL,
	"change_id" text NOT NULL,
	"content_hash" text NOT NULL,
	"format_version" integer NOT NULL,
	"code" text NOT NULL,
	"params" jsonb NOT NULL,
	"operations" jsonb NOT NULL,
	"skipped" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "change_log_course_id_revision_pk" PRIMARY KEY("course_id","revision"),
	CONSTRAINT "change_log_once" UNIQUE("course_id","author_id","change_id")
);
--> statement-breakpoint
CREATE TABLE "course_facts" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"code" text,
	"institution" text,
	"subtitle" text,
	"description" jsonb,
	"audience" text,
	"prerequisites" text,
	"delivery" text NOT NULL,
	"credit_system" text NOT NULL,
	"credits" integer,
	"weeks" integer NOT NULL,
	"weekly_hours_min" integer,
	"weekly_hours_max" integer,
	"module_word" text,
	"outcome_prefix" text,
	"language" text,
	CONSTRAINT "course_facts_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "course_facts_title_check" CHECK (char_length("course_facts"."title") between 1 and 300),
	CONSTRAINT "course_facts_code_check" CHECK (char_length("course_facts"."code") between 1 and 40),
	CONSTRAINT "course_facts_institution_check" CHECK (char_length("course_facts"."institution") between 1 and 300),
	CONSTRAINT "course_facts_subtitle_check" CHECK (char_length("course_facts"."subtitle") between 1 and 300),
	CONSTRAINT "course_facts_audience_check" CHECK (char_length("course_facts"."audience") between 1 and 2000),
	CONSTRAINT "course_facts_prerequisites_check" CHECK (char_length("course_facts"."prerequisites") between 1 and 2000),
	CONSTRAINT "course_facts_delivery_check" CHECK ("course_facts"."delivery" in ('online-async', 'online-live', 'blended', 'in-person-with-web')),
	CONSTRAINT "course_facts_credit_system_check" CHECK ("course_facts"."credit_system" in ('semester', 'quarter', 'ects', 'uk', 'nominal', 'none')),
	CONSTRAINT "course_facts_credits_check" CHECK ("course_facts"."credits" between 0 and 40000),
	CONSTRAINT "course_facts_weeks_check" CHECK ("course_facts"."weeks" between 1 and 60),
	CONSTRAINT "course_facts_weekly_hours_min_check" CHECK ("course_facts"."weekly_hours_min" between 0 and 10000),
	CONSTRAINT "course_facts_weekly_hours_max_check" CHECK ("course_facts"."weekly_hours_max" between 0 and 10000),
	CONSTRAINT "course_facts_module_word_check" CHECK (char_length("course_facts"."module_word") between 1 and 40),
	CONSTRAINT "course_facts_outcome_prefix_check" CHECK (char_length("course_facts"."outcome_prefix") between 1 and 8),
	CONSTRAINT "course_facts_language_check" CHECK (char_length("course_facts"."language") between 1 and 35)
);
--> statement-breakpoint
CREATE TABLE "course_head" (
	"id" text PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "decision" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"kind" text NOT NULL,
	"reason" text NOT NULL,
	"author" text NOT NULL,
	"date" date NOT NULL,
	"finding_key" text,
	"facts" text,
	CONSTRAINT "decision_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "decision_kind_check" CHECK ("decision"."kind" in ('design choice', 'finding accepted')),
	CONSTRAINT "decision_reason_check" CHECK (char_length("decision"."reason") between 1 and 2000),
	CONSTRAINT "decision_author_check" CHECK (char_length("decision"."author") between 1 and 200),
	CONSTRAINT "decision_finding_key_check" CHECK (char_length("decision"."finding_key") between 1 and 4000),
	CONSTRAINT "decision_facts_check" CHECK (char_length("decision"."facts") between 1 and 8000)
);
--> statement-breakpoint
CREATE TABLE "grade_category" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"share" integer,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "grade_category_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "grade_category_title_check" CHECK (char_length("grade_category"."title") between 1 and 100),
	CONSTRAINT "grade_category_share_check" CHECK ("grade_category"."share" between 0 and 10000),
	CONSTRAINT "grade_category_order_check" CHECK (char_length("grade_category"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "membership" (
	"course_id" text NOT NULL,
	"user_id" text NOT NULL,
	"role" text NOT NULL,
	CONSTRAINT "membership_course_id_user_id_pk" PRIMARY KEY("course_id","user_id")
);
--> statement-breakpoint
CREATE TABLE "module" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"subtitle" text,
	"planning" text NOT NULL,
	"first_week" integer,
	"last_week" integer,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "module_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "module_title_check" CHECK (char_length("module"."title") between 1 and 300),
	CONSTRAINT "module_subtitle_check" CHECK (char_length("module"."subtitle") between 1 and 300),
	CONSTRAINT "module_planning_check" CHECK ("module"."planning" in ('sketch', 'planned')),
	CONSTRAINT "module_first_week_check" CHECK ("module"."first_week" between 1 and 60),
	CONSTRAINT "module_last_week_check" CHECK ("module"."last_week" between 1 and 60),
	CONSTRAINT "module_order_check" CHECK (char_length("module"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "objective" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"module_id" text NOT NULL,
	"statement" text NOT NULL,
	"level" text,
	"origin" text NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "objective_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "objective_module_id_check" CHECK (char_length("objective"."module_id") between 1 and 200),
	CONSTRAINT "objective_statement_check" CHECK (char_length("objective"."statement") between 1 and 2000),
	CONSTRAINT "objective_level_check" CHECK ("objective"."level" in ('remember', 'understand', 'apply', 'analyse', 'evaluate', 'create')),
	CONSTRAINT "objective_origin_check" CHECK ("objective"."origin" in ('own', 'prescribed')),
	CONSTRAINT "objective_order_check" CHECK (char_length("objective"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "objective_outcome" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"objective_id" text NOT NULL,
	"outcome_id" text NOT NULL,
	CONSTRAINT "objective_outcome_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "objective_outcome_objective_id_check" CHECK (char_length("objective_outcome"."objective_id") between 1 and 200),
	CONSTRAINT "objective_outcome_outcome_id_check" CHECK (char_length("objective_outcome"."outcome_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "offering" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"term" text NOT NULL,
	"first_day" date NOT NULL,
	"last_day" date,
	"time_zone" text NOT NULL,
	"week_start" text NOT NULL,
	"count_breaks" boolean NOT NULL,
	"due_time" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "offering_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "offering_term_check" CHECK (char_length("offering"."term") between 1 and 100),
	CONSTRAINT "offering_week_start_check" CHECK ("offering"."week_start" in ('monday', 'sunday')),
	CONSTRAINT "offering_due_time_check" CHECK ("offering"."due_time" ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'),
	CONSTRAINT "offering_order_check" CHECK (char_length("offering"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "outcome" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"statement" text NOT NULL,
	"level" text,
	"intended_share" integer,
	"origin" text NOT NULL,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "outcome_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "outcome_statement_check" CHECK (char_length("outcome"."statement") between 1 and 2000),
	CONSTRAINT "outcome_level_check" CHECK ("outcome"."level" in ('remember', 'understand', 'apply', 'analyse', 'evaluate', 'create')),
	CONSTRAINT "outcome_intended_share_check" CHECK ("outcome"."intended_share" between 0 and 10000),
	CONSTRAINT "outcome_origin_check" CHECK ("outcome"."origin" in ('own', 'prescribed')),
	CONSTRAINT "outcome_order_check" CHECK (char_length("outcome"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "part" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"purpose" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "part_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "part_title_check" CHECK (char_length("part"."title") between 1 and 60),
	CONSTRAINT "part_purpose_check" CHECK ("part"."purpose" in ('orient', 'study', 'practise', 'demonstrate', 'reflect')),
	CONSTRAINT "part_order_check" CHECK (char_length("part"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "publication" (
	"slug" text PRIMARY KEY NOT NULL,
	"course_id" text NOT NULL,
	"revision" integer NOT NULL,
	"syllabus" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"published_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "publication_course_id_unique" UNIQUE("course_id")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" text NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "syllabus_section" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"body" jsonb,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "syllabus_section_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "syllabus_section_title_check" CHECK (char_length("syllabus_section"."title") between 1 and 300),
	CONSTRAINT "syllabus_section_order_check" CHECK (char_length("syllabus_section"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_part_id_fk" FOREIGN KEY ("course_id","part_id") REFERENCES "public"."part"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "alignment" ADD CONSTRAINT "alignment_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "alignment" ADD CONSTRAINT "alignment_objective_id_fk" FOREIGN KEY ("course_id","objective_id") REFERENCES "public"."objective"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "analysis_cache" ADD CONSTRAINT "analysis_cache_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_category_id_fk" FOREIGN KEY ("course_id","category_id") REFERENCES "public"."grade_category"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "calendar_rule" ADD CONSTRAINT "calendar_rule_offering_id_fk" FOREIGN KEY ("course_id","offering_id") REFERENCES "public"."offering"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "change_log" ADD CONSTRAINT "change_log_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "objective" ADD CONSTRAINT "objective_module_id_fk" FOREIGN KEY ("course_id","module_id") REFERENCES "public"."module"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "objective_outcome" ADD CONSTRAINT "objective_outcome_objective_id_fk" FOREIGN KEY ("course_id","objective_id") REFERENCES "public"."objective"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "objective_outcome" ADD CONSTRAINT "objective_outcome_outcome_id_fk" FOREIGN KEY ("course_id","outcome_id") REFERENCES "public"."outcome"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "publication" ADD CONSTRAINT "publication_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "activity_module_id_idx" ON "activity" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "activity_part_id_idx" ON "activity" USING btree ("course_id","part_id");--> statement-breakpoint
CREATE INDEX "alignment_activity_id_idx" ON "alignment" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "alignment_objective_id_idx" ON "alignment" USING btree ("course_id","objective_id");--> statement-breakpoint
CREATE INDEX "assessment_activity_id_idx" ON "assessment" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "assessment_category_id_idx" ON "assessment" USING btree ("course_id","category_id");--> statement-breakpoint
CREATE INDEX "calendar_rule_offering_id_idx" ON "calendar_rule" USING btree ("course_id","offering_id");--> statement-breakpoint
CREATE INDEX "membership_user_idx" ON "membership" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "objective_module_id_idx" ON "objective" USING btree ("course_id","module_id");--> statement-breakpoint
CREATE INDEX "objective_outcome_objective_id_idx" ON "objective_outcome" USING btree ("course_id","objective_id");--> statement-breakpoint
CREATE INDEX "objective_outcome_outcome_id_idx" ON "objective_outcome" USING btree ("course_id","outcome_id");