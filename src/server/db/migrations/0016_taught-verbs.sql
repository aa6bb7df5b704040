CREATE TABLE "taught_verb" (
	"course_id" text NOT NULL,
	"id" text NOT NULL,
	"word" text NOT NULL,
	"level" text,
	"unseen" boolean DEFAULT false NOT NULL,
	CONSTRAINT "taught_verb_course_id_id_pk" PRIMARY KEY("course_id","id"),
	CONSTRAINT "taught_verb_word_check" CHECK (char_length("taught_verb"."word") between 1 and 60),
	CONSTRAINT "taught_verb_level_check" CHECK ("taught_verb"."level" in ('remember', 'understand', 'apply', 'analyse', 'evaluate', 'create', 'imitate', 'manipulate', 'precise', 'articulated', 'natural', 'receive', 'respond', 'value', 'organise', 'characterise'))
);
