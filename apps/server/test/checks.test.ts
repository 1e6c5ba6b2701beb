/** What the database itself refuses, whoever writes: the last line behind every other check. */
import pg from "pg";
import { Shop } from "./shop.ts";

const CHECK_VIOLATION = "23514";

const AN_INVOICE =
  "insert into invoice (year, nth, revision, value, by) select *, 'x' from (values";

describe("the database refuses", () => {
  let shop: Shop;
  let client: pg.Client;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    client = new pg.Client({ connectionString: shop.databaseUrl });
    await client.connect();
    const pim = await shop.person("pim");
    const { body } = await pim.get("/api/jobs").expect(200);
    const { id } = (body as { id: string; runs: number }[]).find((j) => j.runs > 1)!;
    await pim.post(`/api/jobs/${id}/offers`).send({}).expect(201);
    await pim
      .put(`/api/calendar/bookings/${id}`)
      .send({ start: "", bench: "", notBefore: "2026-12-24" })
      .expect(204);
    const result = { topic: "ohm", right: true, score: 40, about: "a fault" };
    await pim
      .post("/api/training/results")
      .send({ ...result, id: "10000000-0000-4000-8000-000000000009" })
      .expect(204);
  });
  afterAll(async () => {
    await client.end();
    await shop.close();
  });

  /** The constraint that a statement breaks; null where it was taken. Nothing stays either way. */
  async function broken(statement: string): Promise<string | null> {
    await client.query("begin");
    try {
      const { rowCount } = await client.query(statement);
      expect(rowCount).toBeGreaterThan(0);
      return null;
    } catch (error) {
      const { code, constraint } = error as { code?: string; constraint?: string };
      expect({ statement, code }).toEqual({ statement, code: CHECK_VIOLATION });
      return constraint ?? "";
    } finally {
      await client.query("rollback");
    }
  }

  it.each([
    ["a second shop", "update shop set id = 2", "shop_one"],
    ["sessions that never end", "update shop set idle_hours = 0", "shop_idle_hours"],
    ["sessions of years", "update shop set session_days = 366", "shop_session_days"],
    ["a role that is none", "update person set role = 'king'", "person_role"],
    ["a person without a name", "update person set name = ''", "person_name"],
    [
      "a password that is not hashed",
      "update person set password_hash = 'lamp-and-loom'",
      "person_password_hash",
    ],
    [
      "tries below none",
      "insert into sign_in_try (key, fails) values ('x', -1)",
      "sign_in_try_fails",
    ],
    ["a part under another's id", "update part set id = id || '-x'", "part_own_id"],
    ["a part before its first revision", "update part set revision = 0", "part_revision"],
    [
      "a vehicle under another's id",
      "update vehicle_profile set id = id || '-x'",
      "vehicle_profile_own_id",
    ],
    [
      "a vehicle before its first revision",
      "update vehicle_profile set revision = 0",
      "vehicle_profile_revision",
    ],
    ["a job before its first revision", "update job set revision = 0", "job_revision"],
    ["a bin that nobody put a job in", "update job set removed_at = now()", "job_bin"],
    ["somebody who put away what is not away", "update job set removed_by = 'x'", "job_bin"],
    [
      "a change before the first",
      "update job_change set revision = -revision",
      "job_change_revision",
    ],
    [
      "an invoice before the first of its year",
      `${AN_INVOICE} (2026, 0, 1, '{"number": "2026-0000"}'::jsonb)) as v`,
      "invoice_nth",
    ],
    [
      "an invoice of no revision",
      `${AN_INVOICE} (2026, 1, 0, '{"number": "2026-0001"}'::jsonb)) as v`,
      "invoice_revision",
    ],
    [
      "an invoice under another's number",
      `${AN_INVOICE} (2026, 1, 1, '{"number": "2026-0002"}'::jsonb)) as v`,
      "invoice_own_number",
    ],
    [
      "an invoice that takes itself back",
      "insert into invoice (id, cancels, year, nth, revision, value, by) select id, id, 2026, 1, 1, '{\"number\": \"2026-0001\"}', 'x' from (select gen_random_uuid() as id) as one",
      "invoice_not_itself",
    ],
    ["an offer of no revision", "update offer set revision = 0", "offer_revision"],
    ["an offer until some day", "update offer set valid_until = 'some day'", "offer_valid_until"],
    [
      "a word that nobody gave",
      "update offer set accepted_at = now(), choice = ''",
      "offer_accepted",
    ],
    [
      "a word on no choice",
      "update offer set accepted_at = now(), accepted_by = 'A'",
      "offer_accepted",
    ],
    [
      "accepted and taken back",
      "update offer set accepted_at = now(), accepted_by = 'A', choice = '', revoked_at = now()",
      "offer_one_end",
    ],
    ["a search entry of no kind", "update search_entry set kind = 'song'", "search_entry_kind"],
    ["a word that is none", "insert into search_word values ('')", "search_word_some"],
    ["a booking for some time", "update booking set start = 'soon', bench = 'B'", "booking_start"],
    ["a bench without a time", "update booking set bench = 'Bench 2'", "booking_bench"],
    ["a wait for some day", "update booking set not_before = 'soon'", "booking_not_before"],
    ["half a number", "update measurement set value = null", "measurement_number"],
    ["bounds beside a number", "update measurement set high = value - 1", "measurement_bounds"],
    [
      "a measurement that says nothing",
      "update measurement set value = null, low = null, high = null, said = ''",
      "measurement_says",
    ],
    ["a year that is none", "update measurement set year = -1", "measurement_year"],
    [
      "another shop's measurement on one's own job",
      "update measurement set from_shop = 'x', job_id = (select id from job limit 1) where id = (select id from measurement limit 1)",
      "measurement_own",
    ],
    ["more than all points", "update training_result set score = 101", "training_result_score"],
  ])("%s", async (_, statement, constraint) => {
    expect(await broken(statement)).toBe(constraint);
  });

  it.each([
    ["a drill without points", "update training_result set score = null"],
    ["a job put away by somebody", "update job set removed_at = now(), removed_by = 'x'"],
    ["an accepted offer", "update offer set accepted_at = now(), accepted_by = 'A', choice = ''"],
  ])("and takes %s", async (_, statement) => {
    expect(await broken(statement)).toBeNull();
  });

  it("has no check that is not tried here", async () => {
    const { rows } = await client.query<{ conname: string }>(
      "select conname from pg_constraint where contype = 'c' and connamespace = 'public'::regnamespace order by 1",
    );
    const tried = [
      ...["booking_bench", "booking_not_before", "booking_start"],
      ...["invoice_not_itself", "invoice_nth", "invoice_own_number", "invoice_revision"],
      ...["job_bin", "job_change_revision", "job_revision"],
      ...["measurement_bounds", "measurement_number", "measurement_own", "measurement_says"],
      ...["measurement_year", "offer_accepted", "offer_one_end"],
      ...["offer_revision", "offer_valid_until", "part_own_id", "part_revision", "person_name"],
      ...["person_password_hash", "person_role", "search_entry_kind", "search_word_some"],
      ...["shop_idle_hours", "shop_one"],
      ...["shop_session_days", "sign_in_try_fails", "training_result_score"],
      ...["vehicle_profile_own_id", "vehicle_profile_revision"],
    ];
    expect(rows.map((r) => r.conname)).toEqual(tried);
  });
});
