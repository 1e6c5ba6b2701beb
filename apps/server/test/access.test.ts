import { demoJobs } from "@dragonet/core/demo";
import { printJob } from "@dragonet/core";
import type { Agent } from "supertest";
import { ApiBook, type ApiDocument } from "./apiBook.ts";
import { Shop } from "./shop.ts";

type Who = "stranger" | "viewer" | "installer" | "owner";
type Method = "get" | "post" | "put" | "delete";

interface Door {
  readonly method: Method;
  readonly path: (ids: Ids) => string;
  /** The least role that it opens for. */
  readonly least: "anybody" | "viewer" | "installer" | "owner";
  readonly body?: unknown;
}

interface Ids {
  readonly job: string;
  readonly part: string;
  readonly vehicle: string;
}

const GONE = "00000000-0000-4000-8000-000000000000";

/**
 * Every door of the API with the least role it opens for. What is sent is nothing that can be
 * taken, so that whoever may go in is refused for that, not for who they are.
 */
const DOORS: readonly Door[] = [
  { method: "get", path: () => "health", least: "anybody" },
  { method: "get", path: () => "session", least: "anybody" },
  { method: "get", path: () => "jobs", least: "viewer" },
  { method: "get", path: () => "board", least: "viewer" },
  { method: "get", path: () => "board/page", least: "viewer" },
  { method: "get", path: () => "board/open", least: "viewer" },
  { method: "get", path: () => "board/times", least: "viewer" },
  { method: "get", path: () => "board/figures", least: "viewer" },
  { method: "get", path: () => "board/models", least: "viewer" },
  { method: "get", path: () => "board/customers", least: "viewer" },
  { method: "get", path: () => "calendar", least: "viewer" },
  { method: "get", path: () => "calendar/bench.ics", least: "viewer" },
  { method: "get", path: () => "calendar/week.pdf", least: "viewer" },
  { method: "get", path: () => "calendar/file", least: "viewer" },
  { method: "put", path: () => "calendar", least: "owner", body: {} },
  { method: "post", path: () => "calendar/closed", least: "owner", body: { text: "" } },
  { method: "put", path: () => `calendar/bookings/${GONE}`, least: "installer", body: {} },
  { method: "get", path: ({ job }) => `jobs/${job}`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/changes?since=0`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/history`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/file`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/ledger-before`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/wiring-sheet.pdf`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/wall-sheet.pdf`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/owner-sheet.pdf`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/offers`, least: "viewer" },
  { method: "post", path: () => `jobs/${GONE}/offers`, least: "installer", body: {} },
  { method: "post", path: ({ job }) => `jobs/${job}/offers/${GONE}/revoke`, least: "installer" },
  { method: "get", path: ({ job }) => `jobs/${job}/invoices`, least: "viewer" },
  { method: "post", path: () => `jobs/${GONE}/invoices`, least: "installer", body: {} },
  { method: "post", path: ({ job }) => `jobs/${job}/invoices/${GONE}/cancel`, least: "installer" },
  { method: "get", path: ({ job }) => `jobs/${job}/invoices/${GONE}/invoice.pdf`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/invoices/${GONE}/invoice.xml`, least: "viewer" },
  { method: "get", path: () => "invoices/billing", least: "owner" },
  { method: "put", path: () => "invoices/billing", least: "owner", body: {} },
  { method: "get", path: () => "invoices/2026/file", least: "owner" },
  { method: "get", path: () => "offers/none", least: "anybody" },
  { method: "get", path: () => "offers/none/quote.pdf", least: "anybody" },
  { method: "post", path: () => "offers/none/accept", least: "anybody", body: {} },
  { method: "get", path: ({ job }) => `jobs/${job}/labels.pdf`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/templates/none.pdf`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/templates/none.svg`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/templates/none.dxf`, least: "viewer" },
  { method: "get", path: ({ job }) => `jobs/${job}/photos/none`, least: "viewer" },
  { method: "put", path: ({ job }) => `jobs/${job}/photos/none`, least: "installer" },
  { method: "post", path: () => "jobs", least: "installer", body: { title: 7 } },
  { method: "post", path: () => "jobs/import", least: "installer", body: { text: "{" } },
  { method: "post", path: ({ job }) => `jobs/${job}/edits`, least: "installer", body: {} },
  { method: "post", path: ({ job }) => `jobs/${job}/restore`, least: "installer", body: {} },
  { method: "delete", path: () => `jobs/${GONE}`, least: "owner" },
  { method: "get", path: () => "jobs/bin", least: "owner" },
  { method: "post", path: () => `jobs/${GONE}/take-out`, least: "owner" },
  { method: "get", path: () => "audit", least: "owner" },
  { method: "get", path: () => "settings", least: "owner" },
  { method: "put", path: () => "settings", least: "owner", body: {} },
  { method: "get", path: () => "ready", least: "anybody" },
  { method: "get", path: () => "metrics", least: "anybody" },
  { method: "get", path: () => "search?q=bar", least: "viewer" },
  { method: "get", path: () => "training", least: "viewer" },
  { method: "post", path: () => "training/results", least: "viewer", body: {} },
  { method: "get", path: () => "training/everybody", least: "owner" },
  { method: "get", path: () => "meter", least: "installer" },
  { method: "get", path: () => "meter/stream?step=none", least: "installer" },
  { method: "get", path: () => "session/mine", least: "viewer" },
  { method: "post", path: () => "session/code", least: "viewer", body: {} },
  { method: "post", path: () => "session/by-code", least: "anybody", body: {} },
  { method: "delete", path: () => "session/mine/none", least: "viewer" },
  { method: "put", path: () => "session/password", least: "viewer", body: {} },
  { method: "get", path: () => "parts", least: "viewer" },
  { method: "get", path: () => "shelf", least: "viewer" },
  { method: "get", path: () => "shelf/page", least: "viewer" },
  { method: "get", path: () => "shelf/choices?sorts=relay", least: "viewer" },
  { method: "get", path: () => "shelf/near?text=bar", least: "viewer" },
  { method: "get", path: () => "shelf/pod-18/waiting", least: "viewer" },
  { method: "post", path: () => "shelf/pod-18/free", least: "installer", body: { jobs: [] } },
  { method: "get", path: () => "shelf/needs", least: "viewer" },
  { method: "post", path: () => "shelf/named", least: "viewer", body: { names: 7 } },
  { method: "get", path: ({ part }) => `shelf/${part}/jobs`, least: "viewer" },
  { method: "get", path: ({ part }) => `shelf/${part}/jobs/file`, least: "viewer" },
  { method: "post", path: () => "shelf/none/arrived", least: "installer", body: {} },
  { method: "get", path: () => "profiles", least: "viewer" },
  { method: "get", path: () => "profiles/near?text=quad", least: "viewer" },
  { method: "get", path: () => "parts/file", least: "viewer" },
  { method: "get", path: ({ part }) => `parts/${part}`, least: "viewer" },
  { method: "put", path: ({ part }) => `parts/${part}`, least: "installer", body: {} },
  { method: "post", path: () => "parts/import", least: "installer", body: { csv: "no" } },
  { method: "delete", path: () => "parts/none", least: "installer" },
  { method: "get", path: () => "vehicles", least: "viewer" },
  { method: "get", path: () => "vehicles/file", least: "viewer" },
  { method: "get", path: ({ vehicle }) => `vehicles/${vehicle}`, least: "viewer" },
  { method: "put", path: ({ vehicle }) => `vehicles/${vehicle}`, least: "installer", body: {} },
  { method: "post", path: () => "vehicles/import", least: "installer", body: { csv: "no" } },
  { method: "delete", path: () => "vehicles/none", least: "installer" },
  { method: "get", path: ({ vehicle }) => `models/${vehicle}/known`, least: "viewer" },
  { method: "get", path: ({ vehicle }) => `models/${vehicle}/file`, least: "viewer" },
  { method: "post", path: () => "models/compare", least: "installer", body: { file: {} } },
  {
    ...{ method: "post", path: () => "models/take", least: "installer" },
    body: { file: {}, take: [], revision: 0 },
  },
  { method: "get", path: () => "practices", least: "viewer" },
  { method: "put", path: () => "practices", least: "owner", body: {} },
  { method: "get", path: () => "people", least: "owner" },
  { method: "post", path: () => "people", least: "owner", body: {} },
  { method: "get", path: () => "shop/archive", least: "owner" },
  { method: "post", path: () => "shop/archive", least: "owner", body: {} },
];

/** What ends a session, changes who asks, or never ends: tried by tests of their own. */
const TRIED_ELSEWHERE = [
  "delete /api/session",
  "get /api/events",
  "patch /api/people/{id}",
  "post /api/session",
  "post /api/session/first-owner",
  "put /api/session/preferences",
];

const RANK: readonly Who[] = ["stranger", "viewer", "installer", "owner"];
const least = (door: Door): number => (door.least === "anybody" ? 0 : RANK.indexOf(door.least));

describe("every door of the API", () => {
  let shop: Shop;
  let ids: Ids;
  const people = new Map<Who, Agent>();
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    people.set("stranger", shop.stranger());
    people.set("viewer", await shop.person("wren"));
    people.set("installer", await shop.person("pim"));
    people.set("owner", await shop.person("ansa"));
    const [jobs, parts, vehicles] = await Promise.all(
      ["jobs", "parts", "vehicles"].map((p) => people.get("owner")!.get(`/api/${p}`)),
    );
    ids = {
      job: (jobs!.body as { id: string }[])[0]!.id,
      part: (parts!.body as { value: { id: string } }[])[0]!.value.id,
      vehicle: (vehicles!.body as { value: { profileId: string } }[])[0]!.value.profileId,
    };
  });
  afterAll(() => shop.close());

  const ask = (who: Who, door: Door) => {
    const asked = people.get(who)![door.method](`/api/${door.path(ids)}`);
    return door.body === undefined ? asked : asked.send(door.body as object);
  };

  it.each(
    DOORS.map(
      (d) =>
        [`${d.method} ${d.path({ job: ":job", part: ":part", vehicle: ":vehicle" })}`, d] as const,
    ),
  )("%s opens for whom it should, and for nobody else", async (_, door) => {
    for (const who of RANK) {
      const { status } = await ask(who, door);
      const may = RANK.indexOf(who) >= least(door);
      const shut = who === "stranger" ? 401 : 403;
      expect({ who, shut: status === shut || status === 401 || status === 403 }).toEqual({
        who,
        shut: !may,
      });
      if (!may) expect(status).toBe(shut);
      // Whoever may go in is never met by a broken server.
      expect(status).toBeLessThan(500);
    }
  });

  it("is tried here, as the API's own document tells of it", async () => {
    const document = (await people.get("owner")!.get("/api/docs").expect(200)).body as ApiDocument;
    const book = new ApiBook(document);
    const tried = new Map<string, Door["least"]>();
    for (const door of DOORS) {
      const [name = ""] = book.find(door.method, `/api/${door.path(ids)}`) ?? [];
      tried.set(name, door.least);
    }
    const told = book.operations.map(([name, { security = document.security }]) => {
      const role = security[0]?.session?.at(-1) ?? "anybody";
      return [name, role] as const;
    });
    const elsewhere = told.filter(([name]) => !tried.has(name)).map(([name]) => name);
    expect(elsewhere.toSorted()).toEqual(TRIED_ELSEWHERE);
    const others = told.filter(([name, role]) => (tried.get(name) ?? role) !== role);
    expect(others).toEqual([]);
  });

  it("says the same of a job that is not there as of one that is no id", async () => {
    const owner = people.get("owner")!;
    await owner.get(`/api/jobs/${GONE}`).expect(404);
    await owner.get("/api/jobs/no-uuid").expect(400);
    await owner.get("/api/nothing-here").expect(404);
  });

  it("refuses what another site sends, whoever is signed in", async () => {
    const owner = people.get("owner")!;
    const before = (await owner.get("/api/jobs")).body as unknown[];
    const [job] = demoJobs();
    const sent = await owner
      .post("/api/jobs/import")
      .set("origin", "https://elsewhere.invalid")
      .set("sec-fetch-site", "cross-site")
      .send({ text: printJob(job!) });
    expect(sent.status).toBe(403);
    expect((await owner.get("/api/jobs")).body).toHaveLength(before.length);
  });

  it("answers data with headers that make no page of it", async () => {
    const { headers } = await people.get("viewer")!.get("/api/jobs");
    expect(headers["x-content-type-options"]).toBe("nosniff");
    expect(headers["cache-control"]).toBe("no-store");
    expect(headers["content-security-policy"]).toContain("default-src 'none'");
    expect(headers["x-powered-by"]).toBeUndefined();
  });

  it("a role that is taken away is gone within seconds", async () => {
    const owner = people.get("owner")!;
    const list = (await owner.get("/api/people")).body as { id: string; signIn: string }[];
    const pim = list.find((p) => p.signIn === "pim")!;
    const changed = await owner.patch(`/api/people/${pim.id}`).send({ role: "viewer" });
    expect(changed.status).toBeLessThan(300);
    // Signed in under other rights than these: once more, please.
    await people.get("installer")!.delete("/api/parts/none").expect(401);
    const less = await shop.person("pim");
    await less.delete("/api/parts/none").expect(403);
    await owner.patch(`/api/people/${pim.id}`).send({ role: "installer" });
    people.set("installer", await shop.person("pim"));
    await people.get("installer")!.delete("/api/parts/none").expect(404);
  });
});
