CREATE TABLE "job" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "job_change" (
	"job_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"batch_id" varchar(64) NOT NULL,
	"person_id" uuid,
	"edits" jsonb NOT NULL,
	"inverse" jsonb NOT NULL,
	"lines" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "job_change_job_id_revision_pk" PRIMARY KEY("job_id","revision")
);
--> statement-breakpoint
CREATE TABLE "part" (
	"id" varchar(64) PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"sign_in" varchar(40) NOT NULL,
	"password_hash" text NOT NULL,
	"role" text NOT NULL,
	"active" boolean DEFAULT true NOT NULL,
	"preferences" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "person_sign_in_unique" UNIQUE("sign_in")
);
--> statement-breakpoint
CREATE TABLE "secret" (
	"name" text PRIMARY KEY NOT NULL,
	"value" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "session" (
	"sid" varchar PRIMARY KEY NOT NULL,
	"sess" json NOT NULL,
	"expire" timestamp (6) NOT NULL
);
--> statement-breakpoint
CREATE TABLE "shop" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"practices" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "vehicle_profile" (
	"id" varchar(64) PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "job_change" ADD CONSTRAINT "job_change_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_change" ADD CONSTRAINT "job_change_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_updated" ON "job" USING btree ("updated_at");--> statement-breakpoint
CREATE INDEX "job_change_batch" ON "job_change" USING btree ("job_id","batch_id");--> statement-breakpoint
CREATE INDEX "session_expire" ON "session" USING btree ("expire");