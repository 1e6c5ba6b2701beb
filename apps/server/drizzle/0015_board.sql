-- What lists go by, out of a job's summary. Summaries of before there was such a thing have none of it.
CREATE FUNCTION job_stage_rank(summary jsonb) RETURNS smallint LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT coalesce(array_position(
    ARRAY['intake', 'budget', 'circuit', 'signals', 'fit', 'prove', 'aim', 'handOver'], summary->>'stage'), 1)::smallint
$$;
--> statement-breakpoint
CREATE FUNCTION job_is_open(summary jsonb) RETURNS boolean LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT coalesce(summary->>'stage', '') <> 'handOver'
    OR coalesce((summary->'work'->>'fitMin')::float8, 0) > 0
    OR coalesce((summary->'work'->>'cureH')::float8, 0) > 0
    OR coalesce((summary->'work'->>'closeMin')::float8, 0) > 0
    OR coalesce((summary->'work'->>'aimMin')::float8, 0) > 0
    OR coalesce((summary->'work'->>'handOverMin')::float8, 0) > 0
$$;
--> statement-breakpoint
-- Named with its schema: a restored backup makes rows while it knows none.
-- A day comes before "9", which is no promise, and that before "z", which are those with nothing left, the latest first.
CREATE FUNCTION job_board_order(summary jsonb, changed timestamptz) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT CASE WHEN public.job_is_open(summary) THEN coalesce(nullif(summary->>'promised', ''), '9')
    ELSE 'z' || lpad((100000000000000 - floor(1000 * extract(epoch FROM changed - to_timestamp(0))))::bigint::text, 15, '0')
    END
$$;
--> statement-breakpoint
-- Whether a job has every word that is asked for: looked up job by job, for words that many jobs have.
CREATE FUNCTION job_has_words(job_id uuid, wanted tsquery) RETURNS boolean LANGUAGE plpgsql STABLE PARALLEL SAFE COST 100 AS $$
BEGIN
  RETURN EXISTS (SELECT 1 FROM public.search_entry WHERE kind = 'job' AND id = job_id::text AND stems @@ wanted);
END
$$;
--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "stage_rank" smallint GENERATED ALWAYS AS (job_stage_rank(summary)) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "is_open" boolean GENERATED ALWAYS AS (job_is_open(summary)) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "board_order" text collate "C" GENERATED ALWAYS AS (job_board_order(summary, updated_at)) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "model" text GENERATED ALWAYS AS (coalesce(summary->>'model', '')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "bench" text GENERATED ALWAYS AS (coalesce(summary->>'bench', '')) STORED NOT NULL;--> statement-breakpoint
CREATE INDEX "job_board" ON "job" USING btree ("stage_rank","board_order","id") WHERE removed_at is null;--> statement-breakpoint
CREATE INDEX "job_open" ON "job" USING btree ("board_order","id") WHERE removed_at is null and is_open;--> statement-breakpoint
CREATE INDEX "job_bench" ON "job" USING btree ("bench","stage_rank","board_order","id") WHERE removed_at is null and bench <> '';--> statement-breakpoint
CREATE INDEX "job_model" ON "job" USING btree ("model","board_order","id") WHERE removed_at is null;--> statement-breakpoint
CREATE INDEX "job_waiting" ON "job" USING gin ((summary->'waiting') jsonb_path_ops);--> statement-breakpoint
CREATE INDEX "job_free" ON "job" USING btree ("stage_rank","board_order","id") WHERE removed_at is null and summary->'waiting' = '[]'::jsonb;--> statement-breakpoint
CREATE INDEX "job_timed" ON "job" USING btree ("updated_at") WHERE removed_at is null and summary->'time' <> '[]'::jsonb;--> statement-breakpoint
CREATE INDEX "job_removed" ON "job" USING btree ("removed_at") WHERE removed_at is not null;--> statement-breakpoint
CREATE INDEX "job_ledger" ON "job" USING btree ((document->'vehicle'->>'profileId'),"updated_at") WHERE removed_at is null and (jsonb_array_length(document->'strip') > 0 or jsonb_array_length(document->'templates') > 0);