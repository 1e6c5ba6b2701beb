/** The document of the API held against what is really answered, door by door. */
import { createServer, type Server } from "node:net";
import { createInterface } from "node:readline";
import { createJob, printJob, type Job, type Part, type Vehicle } from "@dragonet/core";
import sharp from "sharp";
import { ApiBook, type ApiDocument } from "./apiBook.ts";
import { freePort, Shop } from "./shop.ts";

interface Answer {
  readonly status: number;
  readonly body: never;
  readonly bytes: Buffer;
}

/** A meter that answers every line, on loopback. */
const meterOn = (port: number): Promise<Server> =>
  new Promise((done) => {
    const server = createServer((socket) => {
      createInterface({ input: socket }).on("line", () => socket.write("a meter,of,this,test\n"));
      socket.on("error", () => undefined);
    });
    server.listen(port, "127.0.0.1", () => done(server));
  });

describe("the API's document", () => {
  let shop: Shop;
  let meter: Server;
  let book: ApiBook;
  let cookie: string;
  const faults: string[] = [];

  /** Asks as the owner, and holds the answer against the document. */
  async function ask(
    method: string,
    path: string,
    sent?: object | Buffer,
    more: Record<string, string> = {},
  ): Promise<Answer> {
    const raw = Buffer.isBuffer(sent);
    const stop = new AbortController();
    const answer = await fetch(`${shop.url}/api/${path}`, {
      method: method.toUpperCase(),
      signal: stop.signal,
      headers: {
        ...(cookie !== "" && { cookie }),
        ...(sent && !raw && { "content-type": "application/json" }),
        ...more,
      },
      ...(sent && { body: raw ? new Uint8Array(sent) : JSON.stringify(sent) }),
    });
    const type = answer.headers.get("content-type") ?? "";
    let bytes = Buffer.alloc(0);
    // A stream has no end: that it began is enough.
    if (type.startsWith("text/event-stream")) stop.abort();
    else bytes = Buffer.from(await answer.arrayBuffer());
    const text = bytes.toString();
    const body: unknown =
      type.startsWith("application/json") && text !== "" ? JSON.parse(text) : text;
    const { status } = answer;
    faults.push(...book.faults({ method, path: `/api/${path}`, status, type, body }));
    return { status, body: body as never, bytes };
  }

  beforeAll(async () => {
    const port = await freePort();
    meter = await meterOn(port);
    shop = await Shop.open({ demo: true, meter: `127.0.0.1:${port}` });
    const owner = await shop.person("ansa");
    cookie = await shop.cookie("ansa");
    book = new ApiBook((await owner.get("/api/docs").expect(200)).body as ApiDocument);
  });
  afterAll(async () => {
    await shop.close();
    await new Promise((done) => meter.close(done));
  });

  it("is for owners", async () => {
    await shop.stranger().get("/api/docs").expect(401);
    const pim = await shop.person("pim");
    await pim.get("/api/docs").expect(403);
    expect(book.document.openapi).toBe("3.1.0");
  });

  it("says of each door what it is for, and has no class that nothing describes", () => {
    const names = book.operations.map(([name]) => name);
    expect(names.length).toBeGreaterThan(60);
    expect(book.operations.filter(([, { summary }]) => !summary)).toEqual([]);
    const told = JSON.stringify(book.document);
    const meant = new Set([...told.matchAll(/"#\/components\/schemas\/(\w+)"/g)].map((m) => m[1]));
    const { schemas } = book.document.components;
    expect([...meant].filter((name) => !schemas[name!])).toEqual([]);
    // Nothing of a request or an answer may be anything at all.
    const empty = Object.entries(schemas).filter(
      ([, s]) => Object.keys((s as { properties?: object }).properties ?? {}).length === 0,
    );
    expect(empty).toEqual([]);
  });

  it("is kept by every answer", async () => {
    await ask("get", "health");
    for (const list of ["board", "board/page?size=3", "board/open", "board/times"]) {
      await ask("get", list);
    }
    for (const list of ["board/figures", "board/models", "board/customers"]) await ask("get", list);
    await ask("get", "board?stage=shed");
    await ask("get", "ready");
    await ask("get", "metrics");
    await ask("get", "session");
    await ask("get", "events");
    await ask("get", "meter");
    await ask("get", "meter/stream?step=volts%7Cbattery%2B%7Coff");

    const parts = await ask("get", "parts");
    const [kept] = parts.body as readonly { value: Part; revision: number }[];
    await ask("get", "parts/file");
    await ask("get", "shelf");
    await ask("get", "shelf/page?kind=relay&size=5");
    await ask("get", "shelf/page?kind=none");
    await ask("get", "shelf/choices?sorts=relay,lamp");
    await ask("get", "shelf/choices?sorts=none");
    await ask("get", "shelf/near?text=two pods");
    await ask("get", "shelf/needs");
    await ask("get", "shelf/pod-18/waiting");
    await ask("post", "shelf/pod-18/free", { jobs: [] });
    await ask("get", "shelf/pod-18/jobs?size=2");
    await ask("get", "shelf/pod-18/jobs/file");
    await ask("post", "shelf/named", { names: ["Wire 16 AWG"], ids: ["none"] });
    await ask("post", "shelf/named", { names: 7 });
    await ask("post", `shelf/${kept!.value.id}/arrived`, { count: 2 });
    await ask("post", "shelf/none/arrived", { count: 2 });
    await ask("post", "shelf/none/arrived", { count: "two" });
    kept!.revision += 1;
    await ask("get", "profiles?size=2");
    await ask("get", "profiles/near?text=the quad");
    await ask("get", `parts/${kept!.value.id}`);
    await ask("get", "parts/none");
    await ask("put", `parts/${kept!.value.id}`, { value: kept!.value, revision: kept!.revision });
    await ask("put", `parts/${kept!.value.id}`, { value: kept!.value, revision: 0 });
    await ask("put", `parts/${kept!.value.id}`, { value: { id: 7 }, revision: 0 });
    const table = (await ask("get", "parts/file")).bytes.toString();
    await ask("post", "parts/import", { csv: table });
    await ask("post", "parts/import", { csv: "no" });

    const vehicles = await ask("get", "vehicles");
    const [own] = vehicles.body as readonly { value: Vehicle; revision: number }[];
    const { profileId } = own!.value;
    await ask("get", "vehicles/file");
    await ask("get", `vehicles/${profileId}`);
    await ask("put", `vehicles/${profileId}`, { value: own!.value, revision: own!.revision });
    const cars = (await ask("get", "vehicles/file")).bytes.toString();
    await ask("post", "vehicles/import", { csv: cars });
    await ask("get", `models/${profileId}/known`);
    const model = (await ask("get", `models/${profileId}/file`)).bytes.toString();
    const file = JSON.parse(model) as object;
    const { body: compared } = await ask("post", "models/compare", { file });
    const { revision: on } = compared as { revision: number };
    await ask("post", "models/take", { file, take: [], revision: on });

    const board = await ask("get", "jobs");
    const all = board.body as readonly { id: string; runs: number }[];
    // The largest, and some of the others: each answer is held against some thousand rules.
    const jobs = all.toSorted((a, b) => b.runs - a.runs).filter((_, i) => i < 4 || i % 8 === 0);
    await ask("get", "calendar/bench.ics");
    await ask("get", "calendar/file");
    await ask("get", "calendar/week.pdf");
    const { calendar } = (await ask("get", "calendar")).body as { calendar: object };
    await ask("put", "calendar", calendar);
    await ask("put", "calendar", { ...calendar, zone: "Nowhere" });
    const fair =
      "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:t\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\nDTSTART;VALUE=DATE:20270501\r\nSUMMARY:Fair\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    await ask("post", "calendar/closed", { text: fair });
    await ask("post", "calendar/closed", { text: "no calendar" });
    const said = { start: "", bench: "", notBefore: "2026-12-03" };
    await ask("put", `calendar/bookings/${jobs[0]!.id}`, said);
    const busy: { id: string; document: Job }[] = [];
    for (const { id } of jobs) {
      const read = await ask("get", `jobs/${id}`);
      busy.push({ id, document: (read.body as { document: Job }).document });
      await ask("get", `jobs/${id}/changes?since=0`);
      await ask("get", `jobs/${id}/history`);
      await ask("get", `jobs/${id}/ledger-before`);
      await ask("get", `jobs/${id}/offers`);
    }
    const made = await ask("post", "jobs", {
      ...{ title: "Two pods", customer: "A farm", profileId, machine: "red" },
    });
    const { id, revision, document } = made.body as { id: string; revision: number; document: Job };
    const title = { kind: "setOnce", entity: "card", field: "title", value: "Three pods" };
    const batch = { baseRevision: revision, edits: [title], batchId: "docs-1" };
    await ask("post", `jobs/${id}/edits`, batch);
    await ask("post", `jobs/${id}/edits`, { ...batch, batchId: "docs-2", edits: [{ kind: "x" }] });
    await ask("post", `jobs/${id}/restore`, { revision });
    await ask("get", `jobs/${id}/changes?since=${revision}`);
    await ask("get", `jobs/${id}/history?before=2`);
    await ask("get", `jobs/${id}/file`);
    await ask("post", "jobs/import", { text: printJob(createJob("Bar", "B", document.vehicle)) });
    await ask("post", "jobs/import", { text: "{" });

    const drilled = busy.find((job) => job.document.templates.length > 0)!;
    const [template] = drilled.document.templates;
    for (const paper of ["wiring-sheet", "owner-sheet", "wall-sheet", "labels"]) {
      await ask("get", `jobs/${drilled.id}/${paper}.pdf`);
    }
    for (const kind of ["pdf", "svg", "dxf"]) {
      await ask("get", `jobs/${drilled.id}/templates/${template!.id}.${kind}?mirror=1`);
    }
    const picture = await sharp({
      create: { width: 40, height: 30, channels: 3, background: "#333" },
    })
      .jpeg()
      .toBuffer();
    const photo = `jobs/${id}/photos/photo-1`;
    await ask("put", photo, picture, { "content-type": "image/jpeg" });
    await ask("get", photo);

    const priced = busy.find((job) => job.document.runs.length > 1)!;
    const offer = await ask("post", `jobs/${priced.id}/offers`, {});
    const { id: offerId, token } = offer.body as { id: string; token: string };
    const billing = {
      ...{ street: "Lane 1", postcode: "1", city: "Tarn", country: "DE", taxId: "DE1", email: "" },
      ...{ iban: "", dueDays: 14, untaxed: "" },
    };
    await ask("get", "invoices/billing");
    await ask("put", "invoices/billing", { ...billing, country: "Tarn" });
    await ask("put", "invoices/billing", billing);
    const buyer = {
      ...{ name: "A. Customer", street: "", postcode: "", city: "", country: "DE" },
      ...{ taxId: "", email: "" },
    };
    const billed = await ask("post", `jobs/${priced.id}/invoices`, { by: "planned", buyer });
    await ask("post", `jobs/${priced.id}/invoices`, { by: "none", buyer });
    const { id: invoiceId } = billed.body as { id: string };
    for (const kind of ["pdf", "xml"]) {
      await ask("get", `jobs/${priced.id}/invoices/${invoiceId}/invoice.${kind}`);
    }
    await ask("post", `jobs/${priced.id}/invoices/${invoiceId}/cancel`, {});
    await ask("get", `jobs/${priced.id}/invoices`);
    await ask("get", "invoices/2026/file");
    await ask("get", `offers/${token}`);
    await ask("get", `offers/${token}/quote.pdf`);
    await ask("post", `jobs/${priced.id}/offers/${offerId}/revoke`, {});
    const second = await ask("post", `jobs/${priced.id}/offers`, {});
    const fresh = (second.body as { token: string }).token;
    await ask("post", `offers/${fresh}/accept`, { choice: "", name: "A. Customer" });
    await ask("get", `jobs/${priced.id}/offers`);

    await ask("get", "practices");
    const practices = (await ask("get", "practices")).body as object;
    await ask("put", "practices", practices);
    const settings = (await ask("get", "settings")).body as object;
    await ask("put", "settings", settings);
    await ask("get", "audit");
    await ask("get", "audit?before=2");

    const result = { topic: "ohm", right: true, score: null, about: "a drill" };
    const hidden = { topic: "open", right: false, score: 40, about: "a fault" };
    await ask("post", "training/results", {
      ...result,
      id: "10000000-0000-4000-8000-000000000001",
    });
    await ask("post", "training/results", {
      ...hidden,
      id: "10000000-0000-4000-8000-000000000002",
    });
    await ask("get", "search?q=bar");
    await ask("get", "search");
    await ask("get", "training");
    await ask("get", "training/everybody");

    const wanted = {
      name: "Rook",
      signIn: "rook",
      password: "a long word of mine",
      role: "viewer",
    };
    const person = (await ask("post", "people", wanted)).body as { id: string };
    await ask("post", "people", wanted);
    await ask("patch", `people/${person.id}`, { role: "installer" });
    await ask("get", "people");

    const archive = (await ask("get", "shop/archive")).bytes;
    await ask("post", "shop/archive", archive, { "content-type": "application/zip" });
    await ask("delete", `jobs/${id}`);
    await ask("get", "jobs/bin");
    await ask("get", `jobs/${id}`);
    await ask("post", `jobs/${id}/take-out`);
    await ask("delete", "parts/none");
    await ask("delete", `parts/${kept!.value.id}`);
    await ask("delete", `vehicles/${profileId}`);

    await ask("put", "session/preferences", { units: "us", theme: "night" });
    await ask("put", "session/password", { current: "lamp-and-loom", next: "loom-and-lamp-2" });
    const code = (await ask("post", "session/code", {})).body as { code: string };
    const here = cookie;
    cookie = "";
    await ask("get", "session");
    await ask("get", "jobs");
    await ask("post", "session/by-code", code.code === "" ? {} : { code: code.code });
    await ask("post", "session", { signIn: "ansa", password: "loom-and-lamp-2" });
    cookie = here;
    const mine = (await ask("get", "session/mine")).body as readonly {
      id: string;
      current: boolean;
    }[];
    await ask("delete", `session/mine/${mine.find((s) => !s.current)!.id}`);
    await ask("delete", "session");

    expect(faults).toEqual([]);
    const unseen = book.operations.map(([name]) => name).filter((name) => !book.kept.has(name));
    // A shop has its first owner once: that door is tried in a shop of its own.
    expect(unseen).toEqual(["post /api/session/first-owner"]);
  });

  it("is true of an empty shop's first owner too", async () => {
    const empty = await Shop.open({ demo: false });
    try {
      const answer = await fetch(`${empty.url}/api/session`);
      const told = { method: "get", path: "/api/session", status: 200, type: "application/json" };
      expect(book.faults({ ...told, body: await answer.json() })).toEqual([]);
      const first = await fetch(`${empty.url}/api/session/first-owner`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({
          ...{ name: "Ansa", signIn: "ansa", password: "a long word of mine", role: "owner" },
          shop: "Tarn",
        }),
      });
      const made = { method: "post", path: "/api/session/first-owner", status: first.status };
      expect(book.faults({ ...made, type: "", body: await first.text() })).toEqual([]);
      expect(first.status).toBe(204);
    } finally {
      await empty.close();
    }
  });
});
