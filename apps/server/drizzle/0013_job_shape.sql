ALTER TABLE "job" ADD COLUMN "shape" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
-- What a document says of itself, once: finding the old ones need not read them all again.
UPDATE "job" SET "shape" = coalesce(substring("document"->>'format' from '^dragonet-job/([0-9]+)$')::integer, 1);--> statement-breakpoint
CREATE INDEX "job_shape" ON "job" USING btree ("shape");