-- A batch whose answer was lost may have been taken twice before ids were looked up first.
UPDATE "job_change" AS c SET "batch_id" = left(c."batch_id", 50) || '-' || c."revision"
WHERE EXISTS (
	SELECT 1 FROM "job_change" AS d
	WHERE d."job_id" = c."job_id" AND d."batch_id" = c."batch_id" AND d."revision" < c."revision"
);--> statement-breakpoint
DROP INDEX "job_change_batch";--> statement-breakpoint
CREATE UNIQUE INDEX "job_change_batch_once" ON "job_change" USING btree ("job_id","batch_id");
