CREATE TABLE "audit" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"who" text NOT NULL,
	"action" text NOT NULL,
	"about" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sign_in_try" (
	"key" varchar(200) PRIMARY KEY NOT NULL,
	"fails" integer NOT NULL,
	"last_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "removed_by" text;--> statement-breakpoint
ALTER TABLE "job_change" ADD COLUMN "who" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "shop" ADD COLUMN "idle_hours" integer DEFAULT 12 NOT NULL;--> statement-breakpoint
ALTER TABLE "shop" ADD COLUMN "session_days" integer DEFAULT 30 NOT NULL;--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit" USING btree ("at");--> statement-breakpoint
CREATE INDEX "session_person" ON "session" USING btree (("sess"->>'personId'));