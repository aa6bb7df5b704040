CREATE TABLE "file_chunk" (
	"hash" text NOT NULL,
	"n" integer NOT NULL,
	"body" "bytea" NOT NULL,
	CONSTRAINT "file_chunk_hash_n_pk" PRIMARY KEY("hash","n")
);
--> statement-breakpoint
CREATE TABLE "file_content" (
	"hash" text PRIMARY KEY NOT NULL,
	"size" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "course_file" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"sha256" text NOT NULL,
	"type" text NOT NULL,
	"bytes" integer NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"author_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "course_file_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "course_file_name_check" CHECK (char_length("course_file"."name") between 1 and 200),
	CONSTRAINT "course_file_sha256_check" CHECK (char_length("course_file"."sha256") between 1 and 64),
	CONSTRAINT "course_file_type_check" CHECK ("course_file"."type" in ('image/png', 'image/jpeg')),
	CONSTRAINT "course_file_bytes_check" CHECK ("course_file"."bytes" between 1 and 10000000),
	CONSTRAINT "course_file_width_check" CHECK ("course_file"."width" between 1 and 40000000),
	CONSTRAINT "course_file_height_check" CHECK ("course_file"."height" between 1 and 40000000)
);
--> statement-breakpoint
ALTER TABLE "publication" ADD COLUMN "offering_id" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "cover_file_id" text;--> statement-breakpoint
ALTER TABLE "course_facts" ADD COLUMN "cover_alt" text;--> statement-breakpoint
ALTER TABLE "offering" ADD COLUMN "state" text;--> statement-breakpoint
ALTER TABLE "course_file" ADD CONSTRAINT "course_file_course_id_course_head_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course_head"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_cover_file_id_check" CHECK (char_length("course_facts"."cover_file_id") between 1 and 40);--> statement-breakpoint
ALTER TABLE "course_facts" ADD CONSTRAINT "course_facts_cover_alt_check" CHECK (char_length("course_facts"."cover_alt") between 1 and 300);--> statement-breakpoint
ALTER TABLE "offering" ADD CONSTRAINT "offering_state_check" CHECK ("offering"."state" in ('planned', 'running', 'past'));