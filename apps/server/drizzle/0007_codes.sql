CREATE TABLE "sign_in_code" (
	"hash" varchar(64) PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"until" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "sign_in_code" ADD CONSTRAINT "sign_in_code_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;