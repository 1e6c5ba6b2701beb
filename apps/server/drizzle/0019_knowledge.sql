CREATE TABLE "measurement" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"profile_id" varchar(64) NOT NULL,
	"job_id" uuid,
	"key" text NOT NULL,
	"words" text NOT NULL,
	"unit" text NOT NULL,
	"value" double precision,
	"low" double precision,
	"high" double precision,
	"said" text NOT NULL,
	"machine" text NOT NULL,
	"year" smallint NOT NULL,
	"variant" text NOT NULL,
	"who" text NOT NULL,
	"day" varchar(10) NOT NULL,
	"from_shop" text NOT NULL,
	CONSTRAINT "measurement_number" CHECK (("measurement"."value" is null) = ("measurement"."low" is null) and ("measurement"."value" is null) = ("measurement"."high" is null)),
	CONSTRAINT "measurement_bounds" CHECK ("measurement"."low" <= "measurement"."value" and "measurement"."value" <= "measurement"."high"),
	CONSTRAINT "measurement_says" CHECK ("measurement"."value" is not null or "measurement"."said" <> ''),
	CONSTRAINT "measurement_year" CHECK ("measurement"."year" between 0 and 2100),
	CONSTRAINT "measurement_own" CHECK ("measurement"."job_id" is null or "measurement"."from_shop" = '')
);
--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "measurement_model" ON "measurement" USING btree ("profile_id","day","id");--> statement-breakpoint
CREATE UNIQUE INDEX "measurement_of_job" ON "measurement" USING btree ("job_id","key") WHERE job_id is not null;--> statement-breakpoint
CREATE UNIQUE INDEX "measurement_told" ON "measurement" USING btree ("profile_id","from_shop","machine","key","day") WHERE job_id is null;