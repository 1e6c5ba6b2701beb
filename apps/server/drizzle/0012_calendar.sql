CREATE TABLE "booking" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"start" varchar(16) NOT NULL,
	"bench" varchar(60) NOT NULL,
	"not_before" varchar(10) NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "booking_start" CHECK ("booking"."start" ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2})?$'),
	CONSTRAINT "booking_bench" CHECK (("booking"."start" = '') = ("booking"."bench" = '')),
	CONSTRAINT "booking_not_before" CHECK ("booking"."not_before" ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$')
);
--> statement-breakpoint
ALTER TABLE "shop" ADD COLUMN "calendar" jsonb;--> statement-breakpoint
ALTER TABLE "booking" ADD CONSTRAINT "booking_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE cascade ON UPDATE no action;