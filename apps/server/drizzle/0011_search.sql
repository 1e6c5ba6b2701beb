-- What every PostgreSQL brings along, for words that are written nearly right.
CREATE EXTENSION IF NOT EXISTS pg_trgm;
--> statement-breakpoint
CREATE EXTENSION IF NOT EXISTS fuzzystrmatch;
--> statement-breakpoint
CREATE TABLE "search_entry" (
	"kind" varchar(8) NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"about" text NOT NULL,
	"words" text NOT NULL,
	"stems" "tsvector" NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "search_entry_kind_id_pk" PRIMARY KEY("kind","id"),
	CONSTRAINT "search_entry_kind" CHECK ("search_entry"."kind" in ('job', 'part', 'vehicle'))
);
--> statement-breakpoint
CREATE INDEX "search_entry_stems" ON "search_entry" USING gin ("stems");--> statement-breakpoint
CREATE INDEX "search_entry_at" ON "search_entry" USING btree ("at");
--> statement-breakpoint
CREATE TABLE "search_word" (
	"word" text COLLATE "C" PRIMARY KEY NOT NULL,
	CONSTRAINT "search_word_some" CHECK ("search_word"."word" <> '')
);
--> statement-breakpoint
CREATE INDEX "search_word_like" ON "search_word" USING gin ("word" gin_trgm_ops);
--> statement-breakpoint
-- The texts at these places of a document, one after the other.
CREATE FUNCTION words_at(document jsonb, VARIADIC places jsonpath[]) RETURNS text
LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT coalesce(string_agg(word #>> '{}', ' · ' ORDER BY nr), '')
  FROM unnest(places) WITH ORDINALITY AS place(path, nr), jsonb_path_query(document, path) AS word
  WHERE jsonb_typeof(word) = 'string' AND word <> '""'
$$;
--> statement-breakpoint
CREATE FUNCTION job_words(document jsonb) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT words_at(document,
    '$.card.title', '$.card.customer', '$.vehicle.model', '$.vehicle.machine', '$.card.bench',
    '$.card.note', '$.wishes[*].text', '$.blockers[*].text', '$.vehicle.note',
    '$.runs[*].name', '$.lamps[*].label', '$.supplies[*].name', '$.controls[*].name',
    '$.parts[*].name', '$.harnesses[*].name', '$.harnesses[*].note', '$.kit[*].name',
    '$.strip[*].name', '$.strip[*].catches', '$.strip[*].forget', '$.fasteners[*].where',
    '$.plugs[*].name', '$.plugs[*].where', '$.templates[*].name', '$.templates[*].where',
    '$.holes[*].name', '$.holes[*].behind', '$.bonds[*].what', '$.readings[*].note',
    '$.options[*].name', '$.vehicle.connectors[*].name', '$.vehicle.connectors[*].where',
    '$.vehicle.places[*].name', '$.vehicle.baseLoads[*].name', '$.signatures[*].name')
$$;
--> statement-breakpoint
-- The words of a text for the index: letters and figures, whatever stands between them.
CREATE FUNCTION stems_of(said text) RETURNS tsvector LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT to_tsvector('simple', regexp_replace(coalesce(said, ''), '[^[:alnum:]]+', ' ', 'g'))
$$;
--> statement-breakpoint
CREATE FUNCTION keep_search_entry(
  kind_ text, id_ text, title_ text, about_ text, words_ text, at_ timestamptz
) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  stems_ tsvector := setweight(stems_of(title_), 'A') || setweight(stems_of(about_), 'B')
    || setweight(stems_of(words_), 'C');
BEGIN
  INSERT INTO search_entry (kind, id, title, about, words, stems, at)
  VALUES (kind_, id_, title_, about_, words_, stems_, at_)
  ON CONFLICT (kind, id) DO UPDATE
  SET title = excluded.title, about = excluded.about, words = excluded.words,
      stems = excluded.stems, at = excluded.at;
  -- In one order, so that two that bring the same words never wait for each other in a ring.
  INSERT INTO search_word
  SELECT new.word FROM unnest(tsvector_to_array(stems_)) AS new (word)
  WHERE length(new.word) BETWEEN 1 AND 60
    AND NOT EXISTS (SELECT 1 FROM search_word known WHERE known.word = new.word COLLATE "C")
  ORDER BY new.word COLLATE "C" ON CONFLICT DO NOTHING;
END $$;
--> statement-breakpoint
CREATE FUNCTION job_is_searched() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' OR NEW.removed_at IS NOT NULL THEN
    DELETE FROM search_entry WHERE kind = 'job' AND id = OLD.id::text;
    RETURN NULL;
  END IF;
  PERFORM keep_search_entry('job', NEW.id::text, NEW.document #>> '{card,title}',
    concat_ws(' · ', nullif(NEW.document #>> '{card,customer}', ''),
      nullif(NEW.document #>> '{vehicle,model}', ''), nullif(NEW.document #>> '{vehicle,machine}', '')),
    job_words(NEW.document), NEW.updated_at);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION part_is_searched() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' THEN
    DELETE FROM search_entry WHERE kind = 'part' AND id = OLD.id;
    RETURN NULL;
  END IF;
  PERFORM keep_search_entry('part', NEW.id, NEW.value ->> 'name', NEW.value ->> 'kind',
    words_at(NEW.value, '$.name', '$.note', '$.light', '$.behaviours[*].label',
      '$.content.parts[*].name', '$.content.harnesses[*].name'), now());
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION vehicle_is_searched() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' THEN
    DELETE FROM search_entry WHERE kind = 'vehicle' AND id = OLD.id;
    RETURN NULL;
  END IF;
  PERFORM keep_search_entry('vehicle', NEW.id, NEW.value ->> 'model', NEW.value ->> 'kind',
    words_at(NEW.value, '$.model', '$.note', '$.variants[*].name', '$.connectors[*].name',
      '$.connectors[*].where', '$.pins[*].carries', '$.pins[*].colour', '$.places[*].name',
      '$.baseLoads[*].name'), now());
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER job_searched AFTER INSERT OR DELETE OR UPDATE OF document, removed_at ON job
FOR EACH ROW EXECUTE FUNCTION job_is_searched();
--> statement-breakpoint
CREATE TRIGGER part_searched AFTER INSERT OR DELETE OR UPDATE OF value ON part
FOR EACH ROW EXECUTE FUNCTION part_is_searched();
--> statement-breakpoint
CREATE TRIGGER vehicle_searched AFTER INSERT OR DELETE OR UPDATE OF value ON vehicle_profile
FOR EACH ROW EXECUTE FUNCTION vehicle_is_searched();
--> statement-breakpoint
-- What was there before: each row is written once more, as it is.
UPDATE job SET document = document;
--> statement-breakpoint
UPDATE part SET value = value;
--> statement-breakpoint
UPDATE vehicle_profile SET value = value;
