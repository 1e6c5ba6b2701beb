CREATE TABLE "invoice" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"year" integer NOT NULL,
	"nth" integer NOT NULL,
	"job_id" uuid,
	"revision" integer NOT NULL,
	"value" jsonb NOT NULL,
	"cancels" uuid,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "invoice_cancels_unique" UNIQUE("cancels"),
	CONSTRAINT "invoice_nth" CHECK ("invoice"."nth" >= 1),
	CONSTRAINT "invoice_revision" CHECK ("invoice"."revision" >= 1),
	CONSTRAINT "invoice_own_number" CHECK ("invoice"."value"->>'number' = "invoice"."year" || '-' || lpad("invoice"."nth"::text, greatest(4, length("invoice"."nth"::text)), '0')),
	CONSTRAINT "invoice_not_itself" CHECK ("invoice"."cancels" <> "invoice"."id")
);
--> statement-breakpoint
ALTER TABLE "shop" ADD COLUMN "billing" jsonb;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_cancels_invoice_id_fk" FOREIGN KEY ("cancels") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "invoice_number" ON "invoice" USING btree ("year","nth");--> statement-breakpoint
CREATE INDEX "invoice_job" ON "invoice" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "invoice_buyer" ON "invoice" USING btree (("value"->'buyer'->>'name'),"at");--> statement-breakpoint
CREATE INDEX "search_entry_part_stems" ON "search_entry" USING gin ("stems") WHERE kind = 'part';--> statement-breakpoint
CREATE INDEX "search_entry_vehicle_stems" ON "search_entry" USING gin ("stems") WHERE kind = 'vehicle';