CREATE TABLE "training_result" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"topic" varchar(60) NOT NULL,
	"correct" boolean NOT NULL,
	"score" integer,
	"about" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "training_result" ADD CONSTRAINT "training_result_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "training_result_person" ON "training_result" USING btree ("person_id","at" DESC NULLS LAST);