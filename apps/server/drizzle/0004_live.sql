-- Every server hears of every change, whichever of them stored it; sent when it is committed.
CREATE FUNCTION dragonet_tell_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	PERFORM pg_notify('dragonet_job', NEW."job_id" || ' ' || NEW."revision");
	RETURN NULL;
END $$;--> statement-breakpoint
CREATE TRIGGER "job_change_told" AFTER INSERT ON "job_change"
	FOR EACH ROW EXECUTE FUNCTION dragonet_tell_job();
