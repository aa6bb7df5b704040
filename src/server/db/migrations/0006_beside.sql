CREATE TABLE "beside_head" (
	"course_id" text NOT NULL,
	"kind" text NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "beside_head_course_id_kind_pk" PRIMARY KEY("course_id","kind")
);
--> statement-breakpoint
ALTER TABLE "beside_head" ADD CONSTRAINT "beside_head_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;