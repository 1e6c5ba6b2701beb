CREATE TABLE "offer" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"token_hash" varchar(64) NOT NULL,
	"revision" integer NOT NULL,
	"value" jsonb NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"valid_until" varchar(10) NOT NULL,
	"revoked_at" timestamp with time zone,
	"accepted_at" timestamp with time zone,
	"accepted_by" text,
	"choice" varchar(64),
	CONSTRAINT "offer_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "offer_job" ON "offer" USING btree ("job_id");