import JSZip from "jszip";
import sharp from "sharp";
import type { Agent } from "supertest";
import { demoJobs } from "@dragonet/core/demo";
import { bytesOf } from "./bytesOf.ts";
import { Shop } from "./shop.ts";

const OWNER = {
  ...{ shop: "Another shop", name: "First Owner", signIn: "first" },
  ...{ password: "long enough", role: "owner" },
};

const BOOKED = { start: "2027-03-01T09:00", bench: "Yard", notBefore: "2027-02-26" };

describe("the whole shop in one file", () => {
  let shop: Shop;
  let other: Shop;
  let ansa: Agent;
  let owner: Agent;
  let zip: Buffer;
  let jobId: string;

  beforeAll(async () => {
    [shop, other] = await Promise.all([Shop.open({ demo: true }), Shop.open({ demo: false })]);
    ansa = await shop.person("ansa");
    owner = other.stranger();
    await owner.post("/api/session/first-owner").send(OWNER).expect(204);
    const { body } = await ansa.get("/api/jobs").expect(200);
    jobId = body[0].id;
    const { revision } = (await ansa.get(`/api/jobs/${jobId}`).expect(200)).body;
    const photo = { id: "photo-1", stepId: "", caption: "lugs" };
    const title = { kind: "setOnce", entity: "card", field: "title", value: "With a past" };
    const edits = [title, { kind: "add", entity: "photo", value: photo, at: 0 }];
    await ansa
      .post(`/api/jobs/${jobId}/edits`)
      .send({ baseRevision: revision, batchId: "photo", edits })
      .expect(200);
    const picture = await sharp({
      create: { width: 300, height: 200, channels: 3, background: "teal" },
    })
      .withExif({ IFD0: { Copyright: "somebody" } })
      .jpeg()
      .toBuffer();
    await ansa
      .put(`/api/jobs/${jobId}/photos/photo-1`)
      .set("content-type", "image/jpeg")
      .send(picture)
      .expect(204);
    const { calendar } = (await ansa.get("/api/calendar").expect(200)).body;
    await ansa
      .put("/api/calendar")
      .send({ ...calendar, benches: ["Lift", "Yard"] })
      .expect(204);
    await ansa.put(`/api/calendar/bookings/${jobId}`).send(BOOKED).expect(204);
    zip = await bytesOf(ansa, "/api/shop/archive");
  });
  afterAll(() => Promise.all([shop.close(), other.close()]));

  const takeIn = (who: Agent, bytes: Buffer) =>
    who.post("/api/shop/archive").set("content-type", "application/zip").send(bytes);

  it("builds another shop up: the same ids, documents, history, pictures and practices", async () => {
    const { body: jobs } = await ansa.get("/api/jobs").expect(200);
    const { body } = await takeIn(owner, zip).expect(200);
    expect(body).toMatchObject({ jobs: jobs.length, there: 0 });
    for (const { id } of jobs) {
      const path = `/api/jobs/${id}`;
      const [mine, theirs] = [await ansa.get(path), await owner.get(path)];
      expect(theirs.body).toEqual(mine.body);
      const history = `${path}/history`;
      expect((await owner.get(history)).body).toEqual((await ansa.get(history)).body);
    }
    const picture = `/api/jobs/${jobId}/photos/photo-1`;
    expect((await bytesOf(owner, picture)).equals(await bytesOf(ansa, picture))).toBe(true);
    for (const path of ["/api/practices", "/api/parts", "/api/vehicles"]) {
      const list = (body: unknown) =>
        JSON.stringify(body, (key, value: unknown) => (key === "revision" ? 0 : value));
      expect(list((await owner.get(path)).body)).toBe(list((await ansa.get(path)).body));
    }
  });

  it("knows again what was measured on its jobs, and by whom", async () => {
    const known = async (of: Shop) =>
      (
        await of.query(
          "select job_id, key, value, said, machine, who, day from measurement where job_id is not null order by 1, 2",
        )
      ).rows;
    const before = await known(shop);
    expect(before.length).toBeGreaterThan(0);
    expect(await known(other)).toEqual(before);
  });

  it("brings benches, hours and what was said about single jobs", async () => {
    const { calendar, bookings } = (await owner.get("/api/calendar").expect(200)).body;
    expect(calendar).toEqual((await ansa.get("/api/calendar").expect(200)).body.calendar);
    expect(calendar.benches).toEqual(["Lift", "Yard"]);
    expect(bookings).toEqual([{ ...BOOKED, jobId }]);
  });

  it("can be taken in again, and changes nothing", async () => {
    const { body: before } = await owner.get("/api/jobs").expect(200);
    const { body } = await takeIn(owner, zip).expect(200);
    expect(body).toMatchObject({ jobs: 0, there: before.length });
    expect((await owner.get("/api/jobs")).body).toEqual(before);
  });

  it("is the owner's alone, out and in", async () => {
    const pim = await shop.person("pim");
    await pim.get("/api/shop/archive").expect(403);
    // Refused unread: a small one, so that all of it is sent before the answer comes.
    await takeIn(pim, zip.subarray(0, 200)).expect(403);
  });

  it("of the first format is still taken in, under new ids", async () => {
    const old = new JSZip();
    old.file("shop.json", '{"format": "dragonet-shop/1"}');
    old.file("parts.json", "[]");
    old.file("vehicles.json", "[]");
    old.file("jobs/0001/job.dragonet.json", JSON.stringify(demoJobs()[0]));
    const bytes = await old.generateAsync({ type: "nodebuffer" });
    expect((await takeIn(owner, bytes).expect(200)).body).toMatchObject({ jobs: 1 });
  });

  describe("that is hostile or broken is refused whole", () => {
    const shopOf = (files: Record<string, string | Buffer>): Promise<Buffer> => {
      const made = new JSZip();
      made.file("shop.json", '{"format": "dragonet-shop/2"}');
      made.file("parts.json", "[]");
      made.file("vehicles.json", "[]");
      for (const [name, content] of Object.entries(files)) made.file(name, content);
      return made.generateAsync({ type: "nodebuffer", compression: "DEFLATE" });
    };
    const refused = async (bytes: Buffer, status: number, message: RegExp): Promise<void> => {
      const { body: before } = await owner.get("/api/jobs");
      const { body } = await takeIn(owner, bytes).expect(status);
      expect(JSON.stringify(body)).toMatch(message);
      expect((await owner.get("/api/jobs")).body).toEqual(before);
    };

    it("no ZIP at all, or a torn one", async () => {
      await refused(Buffer.from("PK nothing"), 422, /not a ZIP/);
      await refused(zip.subarray(0, zip.length - 400), 422, /ZIP/);
    });

    it("a job that cannot be read, beside one that can", async () => {
      const [good] = demoJobs();
      const files = {
        "jobs/a/job.dragonet.json": JSON.stringify(good),
        "jobs/b/job.dragonet.json": JSON.stringify({ ...good, lamps: 7 }),
      };
      await refused(await shopOf(files), 422, /b.job\.dragonet\.json: lamps/);
    });

    it("a small file that swells", async () => {
      const swells = await shopOf({ "jobs/a/history.json": Buffer.alloc(40_000_000, 32) });
      expect(swells.length).toBeLessThan(100_000);
      await refused(swells, 413, /more than 24 MB/);
    });

    it("a size in its header that is a lie", async () => {
      const lies = await shopOf({ "jobs/a/history.json": Buffer.alloc(30_000_000, 32) });
      // The uncompressed size stands 24 bytes into each entry of the central directory.
      for (
        let at = lies.indexOf("PK\u0001\u0002");
        at >= 0;
        at = lies.indexOf("PK\u0001\u0002", at + 4)
      ) {
        if (lies.readUInt32LE(at + 24) > 1_000_000) lies.writeUInt32LE(10, at + 24);
      }
      await refused(lies, 422, /broken/);
    });

    it("names that are none of a shop's, or practices that are none", async () => {
      await refused(await shopOf({ "../outside.json": "{}" }), 422, /ZIP|not part of/);
      await refused(await shopOf({ "jobs/a/run.sh": "true" }), 422, /not part of a shop/);
      const practices = '{"format": "dragonet-shop/2", "practices": {"fuseSchool": "none"}}';
      await refused(await shopOf({ "shop.json": practices }), 422, /practices/);
      const head = (more: string): string => `{"format": "dragonet-shop/2", ${more}}`;
      const calendar = head('"calendar": {"zone": "Mars/Base"}');
      await refused(await shopOf({ "shop.json": calendar }), 422, /calendar\.zone/);
      const bookings = head('"bookings": [{"jobId": "x", "start": "soon"}]');
      await refused(await shopOf({ "shop.json": bookings }), 422, /bookings\[0\]/);
    });
  });
});
