CREATE TABLE "activity_item" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"item_id" text NOT NULL,
	"stages" text[] NOT NULL,
	CONSTRAINT "activity_item_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "activity_item_activity_id_check" CHECK (char_length("activity_item"."activity_id") between 1 and 200),
	CONSTRAINT "activity_item_item_id_check" CHECK (char_length("activity_item"."item_id") between 1 and 200),
	CONSTRAINT "activity_item_stages_check" CHECK ("activity_item"."stages" <@ array['introduces', 'practises', 'assesses']::text[])
);
--> statement-breakpoint
CREATE TABLE "criterion_item" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"criterion_id" text NOT NULL,
	"item_id" text NOT NULL,
	CONSTRAINT "criterion_item_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "criterion_item_criterion_id_check" CHECK (char_length("criterion_item"."criterion_id") between 1 and 200),
	CONSTRAINT "criterion_item_item_id_check" CHECK (char_length("criterion_item"."item_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "evidence_item" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"point_id" text NOT NULL,
	"item_id" text NOT NULL,
	CONSTRAINT "evidence_item_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "evidence_item_point_id_check" CHECK (char_length("evidence_item"."point_id") between 1 and 200),
	CONSTRAINT "evidence_item_item_id_check" CHECK (char_length("evidence_item"."item_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "evidence_point" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"activity_id" text NOT NULL,
	"title" text NOT NULL,
	"method" text NOT NULL,
	"occasions" integer,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "evidence_point_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "evidence_point_activity_id_check" CHECK (char_length("evidence_point"."activity_id") between 1 and 200),
	CONSTRAINT "evidence_point_title_check" CHECK (char_length("evidence_point"."title") between 1 and 300),
	CONSTRAINT "evidence_point_method_check" CHECK ("evidence_point"."method" in ('observation', 'product', 'questioning', 'third party')),
	CONSTRAINT "evidence_point_occasions_check" CHECK ("evidence_point"."occasions" between 1 and 200),
	CONSTRAINT "evidence_point_order_check" CHECK (char_length("evidence_point"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "framework" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"code" text,
	"issuer" text,
	"version" text,
	"source" text,
	"source_id" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "framework_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "framework_title_check" CHECK (char_length("framework"."title") between 1 and 300),
	CONSTRAINT "framework_code_check" CHECK (char_length("framework"."code") between 1 and 60),
	CONSTRAINT "framework_issuer_check" CHECK (char_length("framework"."issuer") between 1 and 300),
	CONSTRAINT "framework_version_check" CHECK (char_length("framework"."version") between 1 and 100),
	CONSTRAINT "framework_source_check" CHECK (char_length("framework"."source") between 1 and 500),
	CONSTRAINT "framework_source_id_check" CHECK (char_length("framework"."source_id") between 1 and 200),
	CONSTRAINT "framework_order_check" CHECK (char_length("framework"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "framework_item" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"framework_id" text NOT NULL,
	"parent_id" text,
	"code" text,
	"statement" text NOT NULL,
	"kind" text NOT NULL,
	"required" boolean DEFAULT false NOT NULL,
	"any_of" integer,
	"times" integer,
	"contexts" text,
	"source_id" text,
	"order" text COLLATE "C" NOT NULL,
	CONSTRAINT "framework_item_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "framework_item_framework_id_check" CHECK (char_length("framework_item"."framework_id") between 1 and 200),
	CONSTRAINT "framework_item_parent_id_check" CHECK (char_length("framework_item"."parent_id") between 1 and 200),
	CONSTRAINT "framework_item_code_check" CHECK (char_length("framework_item"."code") between 1 and 60),
	CONSTRAINT "framework_item_statement_check" CHECK (char_length("framework_item"."statement") between 1 and 4000),
	CONSTRAINT "framework_item_kind_check" CHECK ("framework_item"."kind" in ('area', 'element', 'performance criterion', 'performance evidence', 'knowledge evidence', 'foundation skill', 'assessment condition', 'outcome')),
	CONSTRAINT "framework_item_any_of_check" CHECK ("framework_item"."any_of" between 1 and 200),
	CONSTRAINT "framework_item_times_check" CHECK ("framework_item"."times" between 1 and 200),
	CONSTRAINT "framework_item_contexts_check" CHECK (char_length("framework_item"."contexts") between 1 and 500),
	CONSTRAINT "framework_item_source_id_check" CHECK (char_length("framework_item"."source_id") between 1 and 200),
	CONSTRAINT "framework_item_order_check" CHECK (char_length("framework_item"."order") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "item_relation" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"from_id" text NOT NULL,
	"to_id" text NOT NULL,
	"relation" text NOT NULL,
	CONSTRAINT "item_relation_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "item_relation_from_id_check" CHECK (char_length("item_relation"."from_id") between 1 and 200),
	CONSTRAINT "item_relation_to_id_check" CHECK (char_length("item_relation"."to_id") between 1 and 200),
	CONSTRAINT "item_relation_relation_check" CHECK ("item_relation"."relation" in ('same', 'related'))
);
--> statement-breakpoint
CREATE TABLE "objective_item" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"objective_id" text NOT NULL,
	"item_id" text NOT NULL,
	CONSTRAINT "objective_item_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "objective_item_objective_id_check" CHECK (char_length("objective_item"."objective_id") between 1 and 200),
	CONSTRAINT "objective_item_item_id_check" CHECK (char_length("objective_item"."item_id") between 1 and 200)
);
--> statement-breakpoint
CREATE TABLE "outcome_item" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"outcome_id" text NOT NULL,
	"item_id" text NOT NULL,
	CONSTRAINT "outcome_item_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "outcome_item_outcome_id_check" CHECK (char_length("outcome_item"."outcome_id") between 1 and 200),
	CONSTRAINT "outcome_item_item_id_check" CHECK (char_length("outcome_item"."item_id") between 1 and 200)
);
--> statement-breakpoint
ALTER TABLE "objective" DROP CONSTRAINT "objective_level_check";--> statement-breakpoint
ALTER TABLE "outcome" DROP CONSTRAINT "outcome_level_check";--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "spine_framework_id" text;--> statement-breakpoint
ALTER TABLE "activity_item" ADD CONSTRAINT "activity_item_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "activity_item" ADD CONSTRAINT "activity_item_item_id_fk" FOREIGN KEY ("course_id","item_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "criterion_item" ADD CONSTRAINT "criterion_item_criterion_id_fk" FOREIGN KEY ("course_id","criterion_id") REFERENCES "public"."criterion"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "criterion_item" ADD CONSTRAINT "criterion_item_item_id_fk" FOREIGN KEY ("course_id","item_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "evidence_item" ADD CONSTRAINT "evidence_item_point_id_fk" FOREIGN KEY ("course_id","point_id") REFERENCES "public"."evidence_point"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "evidence_item" ADD CONSTRAINT "evidence_item_item_id_fk" FOREIGN KEY ("course_id","item_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "evidence_point" ADD CONSTRAINT "evidence_point_activity_id_fk" FOREIGN KEY ("course_id","activity_id") REFERENCES "public"."activity"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "framework_item" ADD CONSTRAINT "framework_item_framework_id_fk" FOREIGN KEY ("course_id","framework_id") REFERENCES "public"."framework"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "framework_item" ADD CONSTRAINT "framework_item_parent_id_fk" FOREIGN KEY ("course_id","parent_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "item_relation" ADD CONSTRAINT "item_relation_from_id_fk" FOREIGN KEY ("course_id","from_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "item_relation" ADD CONSTRAINT "item_relation_to_id_fk" FOREIGN KEY ("course_id","to_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "objective_item" ADD CONSTRAINT "objective_item_objective_id_fk" FOREIGN KEY ("course_id","objective_id") REFERENCES "public"."objective"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "objective_item" ADD CONSTRAINT "objective_item_item_id_fk" FOREIGN KEY ("course_id","item_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "outcome_item" ADD CONSTRAINT "outcome_item_outcome_id_fk" FOREIGN KEY ("course_id","outcome_id") REFERENCES "public"."outcome"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "outcome_item" ADD CONSTRAINT "outcome_item_item_id_fk" FOREIGN KEY ("course_id","item_id") REFERENCES "public"."framework_item"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "activity_item_activity_id_idx" ON "activity_item" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "activity_item_item_id_idx" ON "activity_item" USING btree ("course_id","item_id");--> statement-breakpoint
CREATE INDEX "criterion_item_criterion_id_idx" ON "criterion_item" USING btree ("course_id","criterion_id");--> statement-breakpoint
CREATE INDEX "criterion_item_item_id_idx" ON "criterion_item" USING btree ("course_id","item_id");--> statement-breakpoint
CREATE INDEX "evidence_item_point_id_idx" ON "evidence_item" USING btree ("course_id","point_id");--> statement-breakpoint
CREATE INDEX "evidence_item_item_id_idx" ON "evidence_item" USING btree ("course_id","item_id");--> statement-breakpoint
CREATE INDEX "evidence_point_activity_id_idx" ON "evidence_point" USING btree ("course_id","activity_id");--> statement-breakpoint
CREATE INDEX "framework_item_framework_id_idx" ON "framework_item" USING btree ("course_id","framework_id");--> statement-breakpoint
CREATE INDEX "framework_item_parent_id_idx" ON "framework_item" USING btree ("course_id","parent_id");--> statement-breakpoint
CREATE INDEX "item_relation_from_id_idx" ON "item_relation" USING btree ("course_id","from_id");--> statement-breakpoint
CREATE INDEX "item_relation_to_id_idx" ON "item_relation" USING btree ("course_id","to_id");--> statement-breakpoint
CREATE INDEX "objective_item_objective_id_idx" ON "objective_item" USING btree ("course_id","objective_id");--> statement-breakpoint
CREATE INDEX "objective_item_item_id_idx" ON "objective_item" USING btree ("course_id","item_id");--> statement-breakpoint
CREATE INDEX "outcome_item_outcome_id_idx" ON "outcome_item" USING btree ("course_id","outcome_id");--> statement-breakpoint
CREATE INDEX "outcome_item_item_id_idx" ON "outcome_item" USING btree ("course_id","item_id");--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_spine_framework_id_fk" FOREIGN KEY ("course_id","spine_framework_id") REFERENCES "public"."framework"("course_id","id") DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "course_facts_spine_framework_id_idx" ON "course_facts" USING btree ("course_id","spine_framework_id");--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_spine_framework_id_check" CHECK (char_length("course_facts"."spine_framework_id") between 1 and 200);--> statement-breakpoint
ALTER TABLE "objective" ADD CONSTRAINT "objective_level_check" CHECK ("objective"."level" in ('remember', 'understand', 'apply', 'analyse', 'evaluate', 'create', 'imitate', 'manipulate', 'precise', 'articulated', 'natural', 'receive', 'respond', 'value', 'organise', 'characterise'));--> statement-breakpoint
ALTER TABLE "outcome" ADD CONSTRAINT "outcome_level_check" CHECK ("outcome"."level" in ('remember', 'understand', 'apply', 'analyse', 'evaluate', 'create', 'imitate', 'manipulate', 'precise', 'articulated', 'natural', 'receive', 'respond', 'value', 'organise', 'characterise'));