import sharp from "sharp";
import pg from "pg";
import type { Agent } from "supertest";
import { JOB_FORMAT, type Edit, type Job } from "@dragonet/core";
import { bytesOf } from "./bytesOf.ts";
import { readPdf } from "./readPdf.ts";
import { Shop } from "./shop.ts";

const MM = 72 / 25.4;

/** Bytes of an answer, whatever its type. */
describe("fitting", () => {
  let shop: Shop;
  let pim: Agent;
  let ansa: Agent;
  let wren: Agent;
  let tourer: string;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    ansa = await shop.person("ansa");
    wren = await shop.person("wren");
    const { body } = await pim.get("/api/jobs").expect(200);
    tourer = body.find((j: { title: string }) => j.title.startsWith("Box lamp")).id;
  });
  afterAll(() => shop.close());

  const read = async (id: string): Promise<{ revision: number; document: Job }> =>
    (await pim.get(`/api/jobs/${id}`).expect(200)).body;

  /** A picture with a place, a camera and a turn written into it. */
  const picture = (width = 2400, height = 1200): Promise<Buffer> =>
    sharp({ create: { width, height, channels: 3, background: "#884422" } })
      .withExif({
        IFD0: { Make: "Somebody" },
        IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 30/1 0/1" },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();

  describe("pictures", () => {
    it("are kept bare of the place, upright, and small enough to keep", async () => {
      const bytes = await picture();
      expect((await sharp(bytes).metadata()).exif).toBeDefined();
      await pim
        .put(`/api/jobs/${tourer}/photos/photo-1`)
        .set("content-type", "image/jpeg")
        .send(bytes)
        .expect(204);
      const kept = await sharp(await bytesOf(pim, `/api/jobs/${tourer}/photos/photo-1`)).metadata();
      expect(kept.exif).toBeUndefined();
      expect(kept.gainMap).toBeUndefined();
      expect(Math.max(kept.width, kept.height)).toBe(1600);
      // Taken with the phone on its side: what was wide is tall.
      expect(kept.height).toBeGreaterThan(kept.width);
    });

    it.each([
      [
        "image/jpeg",
        Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'/>"),
        /not a picture|cannot be read/,
      ],
      ["image/png", Buffer.from("GIF89a nothing"), /cannot be read|not a picture/],
      ["image/webp", Buffer.alloc(0), /no picture was sent/],
    ])("%s that is none is refused by its content", async (type, bytes, message) => {
      const { body } = await pim
        .put(`/api/jobs/${tourer}/photos/photo-bad`)
        .set("content-type", type)
        .send(bytes)
        .expect(422);
      expect(body.message).toMatch(message);
      await bytesOf(pim, `/api/jobs/${tourer}/photos/photo-bad`, 404);
    });

    it("over 12 MB are refused, and a viewer's are too", async () => {
      const large = Buffer.alloc(13 * 1024 * 1024, 1);
      const put = (who: Agent, bytes: Buffer) =>
        who.put(`/api/jobs/${tourer}/photos/photo-2`).set("content-type", "image/jpeg").send(bytes);
      await put(pim, large).expect(413);
      await put(wren, await picture(10, 10)).expect(403);
      const ghost = "00000000-0000-4000-8000-000000000000";
      await pim
        .put(`/api/jobs/${ghost}/photos/photo-2`)
        .set("content-type", "image/jpeg")
        .send(await picture(10, 10))
        .expect(404);
    });
  });

  describe("a drilling template on paper", () => {
    it("measures true in another library's reader: the bar and two hole centres to 0.01 mm", async () => {
      const bytes = await bytesOf(pim, `/api/jobs/${tourer}/templates/lid.pdf?paper=a4`);
      const read = readPdf(bytes);
      expect(read).toHaveLength(3);
      for (const { width, height } of read) {
        expect(width / MM).toBeCloseTo(210, 2);
        expect(height / MM).toBeCloseTo(297, 2);
      }
      const pages = read.map((page) => page.boxes.map((box) => box.map((pt) => pt / MM)));
      for (const boxes of pages) {
        const bar = boxes.find((b) => Math.abs(b[2]! - b[0]! - 100) < 0.5 && b[3]! - b[1]! < 0.01);
        expect(Math.abs(bar![2]! - bar![0]! - 100)).toBeLessThan(0.01);
      }
      /** Middles of circles of a diameter on a page, in mm of the drawing. */
      const circles = (page: number, diameter: number): number[][] =>
        pages[page]!.filter(
          (b) =>
            Math.abs(b[2]! - b[0]! - diameter) < 0.02 && Math.abs(b[3]! - b[1]! - diameter) < 0.02,
        ).map((b) => [(b[0]! + b[2]!) / 2, (b[1]! + b[3]!) / 2]);
      // The left stud (145 mm from the panel's edge) and the cable hole (210 mm) on pages one
      // and two: the second page begins 176 mm to the right.
      const [left] = circles(0, 5.5);
      expect(Math.abs(left![0]! - (12 + 8 + 145))).toBeLessThan(0.01);
      expect(Math.abs(left![1]! - (12 + 8 + 82))).toBeLessThan(0.01);
      const [cable] = circles(1, 10);
      expect(Math.abs(cable![0]! + 176 - left![0]! - 65)).toBeLessThan(0.01);
    });

    it("comes as SVG and DXF too, and mirrored for the other side", async () => {
      const svg = (await bytesOf(pim, `/api/jobs/${tourer}/templates/lid.svg`)).toString();
      expect(svg).toMatch(/width="436mm"/);
      const dxf = (await bytesOf(pim, `/api/jobs/${tourer}/templates/lid.dxf?mirror=1`)).toString();
      expect(dxf).toMatch(/LWPOLYLINE|LINE/);
      expect(dxf).toContain("mirrored");
    });

    it("that is not there, or on a paper that is not, is told", async () => {
      await pim.get(`/api/jobs/${tourer}/templates/roof.pdf`).expect(404);
      const { body } = await pim.get(`/api/jobs/${tourer}/templates/lid.pdf?paper=a5`).expect(422);
      expect(body.message).toMatch(/invalid paper: "a5" \(one of a4, letter\)/);
    });
  });

  it("flags for the wires come as pages of the simulated label printer", async () => {
    const bytes = await bytesOf(pim, `/api/jobs/${tourer}/labels.pdf`);
    expect(bytes.subarray(0, 5).toString()).toBe("%PDF-");
  });

  it("the second job on a model starts with the first one's ledger", async () => {
    const { body: made } = await pim
      .post("/api/jobs")
      .send({ title: "Second box", customer: "C", profileId: "carrick-1100", machine: "club 8" })
      .expect(201);
    const before = (await read(tourer)).document;
    const after = (await read(made.id)).document;
    expect(after.strip.map((s) => s.name)).toEqual(before.strip.map((s) => s.name));
    expect(after.strip.find((s) => s.name === "trunk liner")).toMatchObject({
      estimateMin: 9,
      tookMin: 0,
      state: "on",
    });
    expect(after.templates).toEqual(before.templates);
    const { body: offered } = await pim.get(`/api/jobs/${made.id}/ledger-before`).expect(200);
    expect(offered.carried.strip).toHaveLength(before.strip.length);
    const { body: none } = await pim
      .post("/api/jobs")
      .send({ title: "Bar", customer: "C", profileId: "swathe-52", machine: "" })
      .expect(201);
    expect((await pim.get(`/api/jobs/${none.id}/ledger-before`).expect(200)).body).toEqual({});
  });

  it("a ledger that goes round in a circle is refused at the place, and nothing is stored", async () => {
    const { revision, document } = await read(tourer);
    const [seat, cover] = document.strip;
    const edits = [
      { kind: "set", entity: "stripStep", id: seat!.id, field: "after", value: [cover!.id] },
    ] as Edit[];
    const { body } = await pim
      .post(`/api/jobs/${tourer}/edits`)
      .send({ baseRevision: revision, edits, batchId: "circle" })
      .expect(422);
    expect(body.message).toMatch(/^strip\[0\]\.after: goes round in a circle: rider seat after/);
    expect((await read(tourer)).revision).toBe(revision);
  });

  it("two people at the lift count fasteners on the same panel and both counts stay", async () => {
    const { revision, document } = await read(tourer);
    const [a, b] = document.fasteners;
    const count = (who: Agent, id: string, batchId: string) =>
      who.post(`/api/jobs/${tourer}/edits`).send({
        baseRevision: revision,
        edits: [{ kind: "set", entity: "fastener", id, field: "back", value: 1 }],
        batchId,
      });
    await count(pim, a!.id, "count-a").expect(200);
    await count(ansa, b!.id, "count-b").expect(200);
    const after = (await read(tourer)).document.fasteners;
    expect([after[0]!.back, after[1]!.back]).toEqual([1, 1]);
  });

  it("promised days and curing adhesive are in the bench calendar", async () => {
    const { revision, document } = await read(tourer);
    await pim
      .post(`/api/jobs/${tourer}/edits`)
      .send({
        baseRevision: revision,
        batchId: "press",
        edits: [
          {
            kind: "set",
            entity: "bond",
            id: document.bonds[0]!.id,
            field: "pressedAt",
            value: "2026-11-25T09:00:00Z",
          },
        ],
      })
      .expect(200);
    const { text } = await pim.get("/api/calendar/bench.ics").expect(200);
    expect(text).toMatch(/^BEGIN:VCALENDAR/);
    // 18 °C: half an hour becomes 34 minutes.
    expect(text).toMatch(/DTSTART:20261125T0934/);
    expect(text).toMatch(/SUMMARY:Promised: Ostrel Carrick 1100/);
  });
});

describe("a database of an earlier version", () => {
  it("is brought up at the next start, and nothing is lost", async () => {
    const shop = await Shop.open({ demo: true });
    try {
      const client = new pg.Client({ connectionString: shop.databaseUrl });
      await client.connect();
      const { rows } = await client.query<{ id: string; document: Job }>(
        "select id, document from job",
      );
      for (const { id, document } of rows) {
        const { card, wishes, blockers, kit, parts, deviations, use, signals, ride } = document;
        const less = <T extends object>(list: readonly T[], ...fields: string[]): object[] =>
          list.map((entry) =>
            Object.fromEntries(Object.entries(entry).filter(([field]) => !fields.includes(field))),
          );
        const [vehicle] = less([document.vehicle], "places", "segments", "size");
        const [practices] = less([document.practices], "slack");
        const old = {
          ...{ card, wishes, blockers, kit, parts, deviations, use, signals, ride, practices },
          format: "dragonet-job/1",
          vehicle: { ...vehicle, connectors: less(document.vehicle.connectors, "at") },
          lamps: less(document.lamps, "at"),
          supplies: less(document.supplies, "at"),
          controls: less(document.controls, "at"),
          runs: less(document.runs, "relayAt", "switchAt", "spliceAt"),
        };
        await client.query("update job set document = $1, shape = 1 where id = $2", [old, id]);
      }
      await client.query(
        `update vehicle_profile set value = value - 'places' - 'segments' - 'size', shape = 1`,
      );
      await client.query(`update shop set practices = practices - 'slack' - 'colours', shape = 1`);
      // A part of version 1, and one that says it is of this version: that is left alone.
      await client.query(
        `update part set value = value - 'ingress' - 'lights', shape = 1 where id = 'pod-18'`,
      );
      await client.query(`update part set value = value - 'ingress' where id = 'pod-30'`);
      await client.end();
      await shop.restart();
      const pim = await shop.person("pim");
      const { body: list } = await pim.get("/api/jobs").expect(200);
      const { body } = await pim.get(`/api/jobs/${list[0].id}`).expect(200);
      expect(body.document).toMatchObject({
        format: JOB_FORMAT,
        strip: [],
        vehicle: { places: [] },
      });
      await pim
        .post(`/api/jobs/${list[0].id}/edits`)
        .send({
          baseRevision: body.revision,
          batchId: "after",
          edits: [{ kind: "setOnce", entity: "card", field: "note", value: "still works" }],
        })
        .expect(200);
      expect((await pim.get("/api/practices").expect(200)).body).toMatchObject({
        ...{ slack: "spare", colours: [] },
      });
      const part = async (id: string) => (await pim.get(`/api/parts/${id}`).expect(200)).body.value;
      expect(await part("pod-18")).toMatchObject({ ingress: "", ratedV: 0, lights: [] });
      expect(await part("pod-30")).not.toHaveProperty("ingress");
    } finally {
      await shop.close();
    }
  });
});
