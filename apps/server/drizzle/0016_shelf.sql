-- Whether a thing has every word that is asked for: looked up one by one, for words that many have. As
-- job_has_words of before, which servers of then still ask, for parts and vehicle profiles too.
CREATE FUNCTION entry_has_words(kind_ text, id_ text, wanted tsquery) RETURNS boolean LANGUAGE plpgsql STABLE PARALLEL SAFE COST 100 AS $$
BEGIN
  RETURN EXISTS (SELECT 1 FROM public.search_entry WHERE kind = kind_ AND id = id_ AND stems @@ wanted);
END
$$;
--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "kind" text GENERATED ALWAYS AS (coalesce(value->>'kind', '')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "sort" text GENERATED ALWAYS AS (coalesce(value->>'family', value->>'kind', '')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "order_name" text collate "C" GENERATED ALWAYS AS (regexp_replace(lower(coalesce(value->>'name', '')), ', metre$', '')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "away" boolean GENERATED ALWAYS AS (coalesce((value->>'stock')::float8, 0) <= 0) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "below_least" boolean GENERATED ALWAYS AS (coalesce((value->>'stock')::float8 < (value->>'least')::float8, false)) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "vehicle_profile" ADD COLUMN "order_name" text collate "C" GENERATED ALWAYS AS (lower(coalesce(value->>'model', ''))) STORED NOT NULL;--> statement-breakpoint
CREATE INDEX "part_name" ON "part" USING btree ("order_name","id");--> statement-breakpoint
CREATE INDEX "part_kind" ON "part" USING btree ("kind","order_name","id");--> statement-breakpoint
CREATE INDEX "part_sort" ON "part" USING btree ("sort","away","order_name","id");--> statement-breakpoint
CREATE INDEX "part_below_least" ON "part" USING btree ("order_name","id") WHERE below_least;--> statement-breakpoint
CREATE INDEX "vehicle_profile_name" ON "vehicle_profile" USING btree ("order_name","id");