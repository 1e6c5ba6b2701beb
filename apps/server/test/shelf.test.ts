/** The shelf and the profiles as they are looked at and chosen from, when there are many of them. */
import type { Agent } from "supertest";
import { factsOf, piecesOf, type Job, type Part } from "@dragonet/core";
import type {
  KeptPartAnswer,
  NeedsAnswer,
  PartJobsPageAnswer,
  PartsPageAnswer,
  ShelfAnswer,
  WaitingJobAnswer,
} from "@dragonet/contract";
import { DEMO_VEHICLES, demoJobs, demoPart, demoShelf } from "@dragonet/core/demo";
import { fillParts } from "../../../scripts/lib/fillShop.mjs";
import { Shop } from "./shop.ts";

const byTitle = (a: { title: string }, b: { title: string }): number =>
  a.title < b.title ? -1 : 1;

const NEXT = /<\/api\/parts\?([^>]*)>; rel="next"/;

describe("a shelf of many parts", () => {
  const MORE = 2400;
  let shop: Shop;
  let pim: Agent;
  const read = async <T>(path: string): Promise<T> =>
    (await pim.get(`/api/${path}`).expect(200)).body as T;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    await shop.query(`${fillParts(MORE)}; analyze`);
  });
  afterAll(() => shop.close());

  it("tells the first of each kind by name, and how many there are", async () => {
    const { kinds, any } = await read<ShelfAnswer>("shelf");
    expect(any).toBe(true);
    const { rows } = await shop.query(
      "select kind, count(*)::int as count from part group by kind",
    );
    expect(kinds.map(({ kind, count }) => ({ kind, count }))).toEqual(
      expect.arrayContaining(
        rows.map(({ kind, count }) => ({ kind, count: Math.min(Number(count), 1000) })),
      ),
    );
    expect(kinds).toHaveLength(rows.length);
    for (const { parts } of kinds) {
      expect(parts.length).toBeLessThanOrEqual(25);
      const names = parts.map(({ name }) => name.toLowerCase());
      expect(names).toEqual(names.toSorted());
    }
  });

  it("tells of each part what it is, with words and without, though most of it stays where it is", async () => {
    const seen = new Map<string, string>();
    for (const path of ["shelf", "shelf?q=lamp", "shelf?q=kit", "shelf?q=road"]) {
      const { kinds } = await read<ShelfAnswer>(path);
      for (const { id, facts } of kinds.flatMap(({ parts }) => parts)) seen.set(id, facts);
    }
    const { rows } = await shop.query("select value from part where id = any($1)", [
      [...seen.keys()],
    ]);
    const whole = (rows as { value: Part }[]).map(({ value }) => value);
    expect(new Set(whole.map(({ kind }) => kind)).size).toBe(10);
    expect(whole.some((one) => one.kind === "load" && one.photometry !== undefined)).toBe(true);
    expect(seen).toEqual(new Map(whole.map((one) => [one.id, factsOf(one)])));
    const { parts } = await read<PartsPageAnswer>("shelf/page?kind=load&size=1");
    expect(Object.keys(parts[0]!).toSorted().join()).toBe(
      "facts,id,kind,least,name,note,price,stock",
    );
  });

  it("is gone through by pages, each part once", async () => {
    const seen: string[] = [];
    for (let asked = "size=700"; asked !== "";) {
      const told = await pim.get(`/api/parts?${asked}`).expect(200);
      seen.push(...(told.body as KeptPartAnswer[]).map(({ value }) => value.id));
      expect(seen.length).toBeLessThan(5000);
      asked = NEXT.exec(String(told.headers.link))?.[1] ?? "";
    }
    expect(seen).toHaveLength(demoShelf().length + MORE);
    expect(new Set(seen).size).toBe(seen.length);
    const page = async (after: string) =>
      read<PartsPageAnswer>(`shelf/page?kind=relay&size=20&after=${after}`);
    const first = await page("");
    const second = await page(first.next);
    const names = [...first.parts, ...second.parts].map(({ name }) => name.toLowerCase());
    expect(names).toHaveLength(40);
    expect(names).toEqual(names.toSorted());
    expect([...first.parts, ...second.parts].every(({ kind }) => kind === "relay")).toBe(true);
  });

  it("is searched by words, few or many of them", async () => {
    const pod = demoPart("pod-18");
    const few = await read<PartsPageAnswer>(
      `shelf/page?kind=load&q=${encodeURIComponent(pod.name)}&size=1000`,
    );
    expect(few.parts.length).toBeGreaterThan(10);
    expect(few.parts.every(({ name }) => name.startsWith(pod.name))).toBe(true);
    // More than can be listed by their ids: each is looked at where it stands.
    const { rows } = await shop.query(
      "update part set value = jsonb_set(value, '{note}', '\"Anvil\"') where id like 'fill-%' returning id",
    );
    expect(rows.length).toBeGreaterThan(2000);
    const many = await read<ShelfAnswer>("shelf?q=anvil");
    expect(many.kinds.flatMap(({ parts }) => parts).every(({ note }) => note === "Anvil")).toBe(
      true,
    );
    expect((await read<ShelfAnswer>("shelf?q=nothing-such")).kinds).toEqual([]);
  });

  it("offers what is in stock first where a part is chosen, and says when there are others", async () => {
    await shop.query(
      "update part set value = jsonb_set(value, '{stock}', '0') where kind = 'relay' and id like 'fill-%1'",
    );
    const { parts, more } = await read<{ parts: KeptPartAnswer[]; more: boolean }>(
      "shelf/choices?sorts=relay,horn",
    );
    const relays = parts.filter(({ value }) => value.kind === "relay");
    const there = relays.map(({ value }) => value.stock > 0);
    expect(there).toEqual(there.toSorted((a, b) => Number(b) - Number(a)));
    expect(there).toContain(true);
    expect(new Set(parts.map(({ value }) => value.kind))).toEqual(new Set(["relay", "load"]));
    expect(more).toBe(relays.length > 200);
    const lamps = await read<{ parts: KeptPartAnswer[]; more: boolean }>(
      "shelf/choices?sorts=lamp",
    );
    expect(lamps.parts).toHaveLength(200);
    expect(lamps.more).toBe(true);
    await pim.get("/api/shelf/choices?sorts=lamp,anvil").expect(422);
    await pim.get("/api/shelf/page?kind=anvil").expect(422);
    await pim.get("/api/shelf/page?after=eyJ9").expect(422);
  });

  it("finds what a sentence may mean among all of them, the nearest first", async () => {
    const value = { ...demoPart("pod-18"), id: "umbral", name: "Umbral curved bar 90 W", stock: 0 };
    await pim.put("/api/parts/umbral").send({ value, revision: 0 }).expect(200);
    const near = await read<KeptPartAnswer[]>(
      "shelf/near?text=a%20curved%20umbral%20bar%20of%2090%20W%20and%20two%20pods",
    );
    expect(near[0]?.value.id).toBe("umbral");
    expect(near.length).toBeLessThanOrEqual(40);
    expect(near.some(({ value: { name } }) => /pod/.test(name))).toBe(true);
    expect(await read("shelf/near?text=!")).toEqual([]);
    const [quad] = await read<{ value: { profileId: string } }[]>(
      "profiles/near?text=a%20bar%20on%20the%20fellrunner%20420",
    );
    expect(quad?.value.profileId).toBe("fellrunner-420");
  });

  it("finds parts by the names that jobs need them by, whatever their letters", async () => {
    const { body } = await pim
      .post("/api/shelf/named")
      .send({ names: ["WIRE 16 AWG", "no such thing"], ids: ["pod-18", "none"] })
      .expect(200);
    expect((body as KeptPartAnswer[]).map(({ value }) => value.name).toSorted()).toEqual([
      demoPart("pod-18").name,
      "Wire 16 AWG, metre",
    ]);
  });

  it("is ordered from for open jobs and for itself, and what arrives is added once each", async () => {
    const name = demoPart("relay-30").name;
    const { value, revision } = await read<KeptPartAnswer>("parts/relay-30");
    const kept = { ...value, stock: 1, least: 500, price: 2 };
    await pim.put("/api/parts/relay-30").send({ value: kept, revision }).expect(200);
    const line = async () =>
      (await read<NeedsAnswer>("shelf/needs")).orders.find(({ partId }) => partId === "relay-30");
    const before = await line();
    expect(before).toMatchObject({ least: 500, onShelf: 1 });
    expect(before?.short).toBe((before?.wanted ?? 0) + 499);
    const { taken } = await read<NeedsAnswer>("shelf/needs");
    expect(taken.find((one) => one.name === name.toLowerCase())?.count).toBe(before?.wanted);
    // Two who unpack at the same moment do not overwrite each other.
    await Promise.all(
      [200, 299.5].map((count) =>
        pim.post("/api/shelf/relay-30/arrived").send({ count }).expect(200),
      ),
    );
    expect((await read<KeptPartAnswer>("parts/relay-30")).value.stock).toBe(500.5);
    expect((await line())?.short ?? 0).toBeCloseTo(Math.max(0, (before?.short ?? 0) - 499.5), 6);
    await pim.post("/api/shelf/none/arrived").send({ count: 1 }).expect(404);
    const wrong = await pim.post("/api/shelf/relay-30/arrived").send({ count: -1 }).expect(422);
    expect(wrong.body.faults[0].path).toBe("count");
    // A shelf holds no more than a part may say.
    await pim.post("/api/shelf/relay-30/arrived").send({ count: 1e6 }).expect(200);
    expect((await read<KeptPartAnswer>("parts/relay-30")).value.stock).toBe(1e6);
  });

  it("tells which jobs hold a part, how many of it, and whom to write to", async () => {
    const held = demoJobs()
      .map((job) => ({
        title: job.card.title,
        count:
          job.lamps.filter((lamp) => lamp.partId === "pod-18").length +
          job.supplies.filter((supply) => supply.partId === "pod-18").length,
      }))
      .filter(({ count }) => count > 0);
    expect(held.length).toBeGreaterThan(3);
    const told: { title: string; count: number }[] = [];
    for (let after = "", pages = 0; pages === 0 || after !== ""; pages += 1) {
      const { jobs, next } = await read<PartJobsPageAnswer>(
        `shelf/pod-18/jobs?size=2&after=${encodeURIComponent(after)}`,
      );
      told.push(...jobs.map(({ title, count }) => ({ title, count })));
      after = next;
    }
    expect(told.toSorted(byTitle)).toEqual(held.toSorted(byTitle));
    const { text } = await pim.get("/api/shelf/pod-18/jobs/file").expect(200);
    const [heading, ...rows] = text.trim().split("\n");
    expect(heading).toBe("customer,vehicle,machine,job,pieces,lots,stage,changed");
    expect(rows).toHaveLength(held.length);
    // A switch is held by the run that it switches.
    const [one] = demoJobs().flatMap((job) => job.runs.flatMap((run) => run.switchPartId ?? []));
    expect((await read<PartJobsPageAnswer>(`shelf/${one!}/jobs`)).jobs.length).toBeGreaterThan(0);
    expect((await read<PartJobsPageAnswer>("shelf/none/jobs")).jobs).toEqual([]);
    await pim.get("/api/shelf/pod-18/jobs?after=eyJ9").expect(422);
  });

  it("counts pieces as a job counts them itself, of every part that one takes", async () => {
    const jobs = demoJobs();
    const ids = [...new Set(jobs.flatMap((job) => piecesOf(job).map(({ part }) => part.id)))];
    expect(ids.length).toBeGreaterThan(20);
    for (const id of ids) {
      const held = jobs.flatMap((job) =>
        piecesOf(job).flatMap(({ part, pieces }) =>
          part.id === id ? [{ title: job.card.title, count: pieces }] : [],
        ),
      );
      const told = await read<PartJobsPageAnswer>(`shelf/${id}/jobs?size=1000`);
      const counts = told.jobs.map(({ title, count }) => ({ title, count }));
      expect([id, counts.toSorted(byTitle)]).toEqual([id, held.toSorted(byTitle)]);
    }
  });

  it("tells which of them have one lot of it, where a maker calls that back", async () => {
    const { jobs } = await read<PartJobsPageAnswer>("shelf/pod-18/jobs?size=3");
    const value = { id: "lot-1", partId: "pod-18", lot: "A 77/b", count: 2 };
    await pim
      .post(`/api/jobs/${jobs[1]!.id}/edits`)
      .send({
        ...{ baseRevision: 1, batchId: "lots", acts: [{ id: "lot-act", edits: 1 }] },
        edits: [{ kind: "add", entity: "lot", at: 0, value }],
      })
      .expect(200);
    const asked = `lot=${encodeURIComponent("A 77/b")}`;
    const called = await read<PartJobsPageAnswer>(`shelf/pod-18/jobs?${asked}`);
    expect(called.jobs.map(({ id, lots }) => [id, lots])).toEqual([[jobs[1]!.id, ["A 77/b"]]]);
    const { text } = await pim.get(`/api/shelf/pod-18/jobs/file?${asked}`).expect(200);
    expect(text.trim().split("\n")).toHaveLength(2);
    const none = await read<PartJobsPageAnswer>("shelf/pod-18/jobs?lot=A");
    expect(none.jobs).toEqual([]);
    // Another part of the same job has no lot of that number.
    const other = jobs[1]!.title;
    const bars = await read<PartJobsPageAnswer>(`shelf/bar-40/jobs?${asked}`);
    expect(bars.jobs.map(({ title }) => title)).not.toContain(other);
  });

  it("takes what has come in out of the way of jobs that waited for it, with a line in their history", async () => {
    const { jobs } = await read<PartJobsPageAnswer>("shelf/pod-18/jobs?size=2");
    const { id } = jobs[0]!;
    const name = demoPart("pod-18").name;
    const { revision } = await read<{ revision: number }>(`jobs/${id}`);
    const blockers = [
      { id: "w1", kind: "part", text: `two more ${name.toUpperCase()}, due Friday` },
      { id: "w2", kind: "customer", text: name },
    ];
    await pim
      .post(`/api/jobs/${id}/edits`)
      .send({
        ...{ baseRevision: revision, batchId: "waits", acts: [{ id: "waits-act", edits: 2 }] },
        edits: blockers.map((value) => ({ kind: "add", entity: "blocker", at: 99, value })),
      })
      .expect(200);
    const waiting = await read<WaitingJobAnswer[]>("shelf/pod-18/waiting");
    expect(waiting.find((one) => one.id === id)?.text).toBe(blockers[0]!.text);
    const free = async (): Promise<number> =>
      (
        await pim
          .post("/api/shelf/pod-18/free")
          .send({ jobs: [id, id] })
          .expect(200)
      ).body.freed;
    expect(await free()).toBe(1);
    const after = await read<{ document: Job }>(`jobs/${id}`);
    const left = after.document.blockers.map((blocker) => blocker.id);
    expect(left).toContain("w2");
    expect(left).not.toContain("w1");
    expect((await read<WaitingJobAnswer[]>("shelf/pod-18/waiting")).map((w) => w.id)).not.toContain(
      id,
    );
    const [last] = await read<{ lines: string[]; who: string }[]>(`jobs/${id}/history`);
    expect(last).toMatchObject({ who: "Pim Okkerse" });
    expect(last!.lines[0]).toBe(`${name} has come in`);
    expect(await free()).toBe(0);
    await pim.get("/api/shelf/none/waiting").expect(404);
    await pim
      .post("/api/shelf/pod-18/free")
      .send({ jobs: ["x"] })
      .expect(422);
  });

  it("prices an offer by what lies behind everything that is at hand", async () => {
    const shown = await read<{ id: string; title: string }[]>("jobs");
    const { id } = shown[0]!;
    const { body } = await pim.post(`/api/jobs/${id}/offers`).expect(201);
    const plain = await Shop.open({ demo: true });
    const same = await plain.person("pim");
    const twin = ((await same.get("/api/jobs").expect(200)).body as typeof shown).find(
      ({ title }) => title === shown[0]!.title,
    );
    const there = await same.post(`/api/jobs/${twin!.id}/offers`).expect(201);
    expect(body.offer.choices[0].total).toEqual(there.body.offer.choices[0].total);
    await plain.close();
  });
});

describe("profiles", () => {
  it("are told by model, some at a time, and searched", async () => {
    const shop = await Shop.open({ demo: true });
    const pim = await shop.person("pim");
    const models = DEMO_VEHICLES.map(({ model }) => model).toSorted((a, b) =>
      a.toLowerCase() < b.toLowerCase() ? -1 : 1,
    );
    const told: string[] = [];
    for (let after = ""; told.length < models.length;) {
      const { body } = await pim.get(`/api/profiles?size=3&after=${after}`).expect(200);
      told.push(...body.vehicles.map(({ value }: { value: { model: string } }) => value.model));
      after = body.next as string;
      expect(after === "").toBe(told.length === models.length);
    }
    expect(told).toEqual(models);
    const { body } = await pim.get("/api/profiles?q=fellrunn").expect(200);
    expect(body.vehicles.length).toBeGreaterThan(0);
    expect(body.next).toBe("");
    const named = (await pim.get("/api/vehicles?q=fellrunn&size=1").expect(200)).body;
    expect(named).toHaveLength(1);
    await shop.close();
  });
});
