/** A shop's server as pages see it: what it holds, what it was asked, and what it answers. */
import { checkJobDocument, checkPart, checkVehicle } from "@dragonet/contract";
import {
  DEFAULT_PRACTICES,
  applyEdits,
  jobSummary,
  shopFigures,
  type Change,
  type Edit,
  type Job,
  type Part,
  type Vehicle,
} from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { boardOf, pageOf } from "./board.ts";
import { choicesOf, namedOf, needsOf, partsPageOf, profilesOf, shelfOf } from "./shelf.ts";
import type { Person } from "../../src/base/session.ts";

export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}
export interface Reply {
  readonly status: number;
  readonly body?: unknown;
}
type Answer = (body: never, path: string) => Reply | Promise<Reply>;

export const ANSA: Person = {
  ...{ id: "ansa", name: "Ansa Tordoff", role: "owner" },
  preferences: { units: "metric", theme: "day" },
};

interface Kept<T> {
  readonly value: T;
  readonly revision: number;
}

const ok = (body: unknown): Reply => ({ status: 200, body });
const refused = (status: number, message: string, more: object = {}): Reply => ({
  status,
  body: { message, ...more },
});

export class Shop {
  readonly asked: Asked[] = [];
  person: Person | null = ANSA;
  readonly jobs = new Map<string, { document: Job; changes: Change[] }>();
  readonly parts = new Map<string, Kept<Part>>();
  readonly vehicles = new Map<string, Kept<Vehicle>>();
  private readonly told = new Map<string, Answer>();
  private photo: () => Reply = () => refused(404, "no such picture");
  /** There is no way to the server. */
  offline = false;

  /** What one question is answered with: `shop.answers("POST people", () => ({ status: 201 }))`. */
  answers<B = unknown>(
    question: string,
    answer: (body: B, path: string) => Reply | Promise<Reply>,
  ): this {
    this.told.set(question, answer);
    return this;
  }

  /** What every picture is answered with. */
  anyPhoto(answer: () => Reply = () => ({ status: 204 })): this {
    this.photo = answer;
    return this;
  }

  withParts(...parts: Part[]): this {
    for (const value of parts) this.parts.set(value.id, { value, revision: 1 });
    return this;
  }

  withVehicles(...vehicles: Vehicle[]): this {
    for (const value of vehicles) this.vehicles.set(value.profileId, { value, revision: 1 });
    return this;
  }

  withJob(id: string, document: Job): this {
    this.jobs.set(id, { document, changes: [] });
    return this;
  }

  /** What was sent by a method to a path. */
  sent<B>(method: string, path: string): B[] {
    return this.asked.filter((a) => a.method === method && a.path === path).map((a) => a.body as B);
  }

  /** A job as the server has it now. */
  job(id: string): Job {
    const kept = this.jobs.get(id);
    if (!kept) throw new Error(`no job "${id}"`);
    return kept.document;
  }

  install(): void {
    globalThis.fetch = (async (url: string, init: RequestInit = {}) => {
      const method = init.method ?? "GET";
      const path = url.replace(/^\/api\//, "");
      const body: unknown = typeof init.body === "string" ? JSON.parse(init.body) : init.body;
      this.asked.push({ method, path, body });
      if (this.offline) throw new TypeError("no network");
      const { status, body: said } = await this.reply(method, path, body).catch(
        // A fault of the stand-in itself is shown on the page, where a test fails by it.
        (error: unknown): Reply => refused(500, String(error)),
      );
      return {
        ...{ ok: status < 400, status, headers: new Headers() },
        json: async () => JSON.parse(JSON.stringify(said ?? {})) as unknown,
      };
    }) as unknown as typeof fetch;
  }

  private async reply(method: string, path: string, body: unknown): Promise<Reply> {
    const own =
      this.told.get(`${method} ${path}`) ?? this.told.get(`${method} ${path.split("?")[0]}`);
    if (own) return await own(body as never, path);
    const [place = "", id = "", what = ""] = path.split("?")[0]!.split("/");
    const question = `${method} ${place}${id === "" ? "" : "/:id"}${what === "" ? "" : `/${what}`}`;
    const asked = new URLSearchParams(path.split("?")[1] ?? "");
    switch (question) {
      case "GET session":
        return ok({ person: this.person, shop: "Tarn Lamp Works", needsFirstOwner: false });
      case "PUT session/:id":
        return this.likes(id, body as Person["preferences"]);
      case "GET board":
      case "GET board/:id":
        return this.lists(id, asked);
      case "GET practices":
        return ok(DEFAULT_PRACTICES);
      case "GET jobs/:id":
        return this.readJob(id);
      case "GET jobs/:id/changes":
        return this.jobs.has(id)
          ? ok(this.changesAfter(id, Number(/since=(\d+)/.exec(path)?.[1])))
          : refused(404, "no such job");
      case "POST jobs/:id/edits":
        return this.edit(id, body as { known: number; batchId: string; edits: Edit[] });
      case "PUT jobs/:id/photos":
        return this.photo();
      case "GET jobs/:id/invoices":
        return ok({ invoices: [], buyer: null, billing: null });
      case "GET invoices/:id":
        return ok({ billing: null });
      case "GET shelf":
      case "GET shelf/:id":
      case "POST shelf/:id":
        return this.shelf(id, asked, body as never);
      case "GET shelf/:id/waiting":
        return ok([]);
      case "POST shelf/:id/arrived":
        return this.arrived(id, (body as { count: number }).count);
      case "GET parts/:id":
        return this.parts.has(id) ? ok(this.parts.get(id)) : refused(404, "no such part");
      case "PUT parts/:id":
        return this.keep(this.parts, id, checkPart, body as Kept<Part>);
      case "GET profiles":
        return ok(profilesOf([...this.vehicles.values()], asked));
      case "GET profiles/:id":
        return ok([]);
      case "GET models/:id/known":
        return ok([]);
      case "GET vehicles/:id":
        return this.vehicles.has(id) ? ok(this.vehicles.get(id)) : refused(404, "no such vehicle");
      case "PUT vehicles/:id":
        return this.keep(this.vehicles, id, checkVehicle, body as Kept<Vehicle>);
      default:
        return refused(404, `nothing answers ${method} ${path} here`);
    }
  }

  /** Lists of jobs, and what is made of all of them. */
  private lists(what: string, asked: URLSearchParams): Reply {
    const jobs = this.onBoards();
    switch (what) {
      case "":
        return ok(boardOf(jobs, asked));
      case "page":
        return ok(pageOf(jobs, asked));
      case "open":
        return ok(jobs);
      case "times":
        return ok(jobs.flatMap(({ time }) => time));
      case "figures":
        return ok(shopFigures(jobs));
      case "customers":
        return ok([...new Set(jobs.map(({ customer }) => customer))]);
      case "models":
        return ok(
          [...new Set(jobs.map(({ model }) => model))].map((model) => ({
            ...{ model, uncounted: false },
            count: jobs.filter((job) => job.model === model).length,
          })),
        );
      default:
        return refused(404, `no list of jobs by "${what}"`);
    }
  }

  /** The shelf as it is looked at and chosen from. */
  private shelf(what: string, asked: URLSearchParams, body: never): Reply {
    const parts = [...this.parts.values()];
    switch (what) {
      case "":
        return ok(shelfOf(parts, asked));
      case "page":
        return ok(partsPageOf(parts, asked));
      case "choices":
        return ok(choicesOf(parts, asked));
      case "near":
        return ok([]);
      case "named":
        return ok(namedOf(parts, body));
      case "needs":
        return ok(needsOf(parts, this.onBoards()));
      default:
        return refused(404, `no list of parts by "${what}"`);
    }
  }

  private arrived(id: string, count: number): Reply {
    const kept = this.parts.get(id);
    if (!kept) return refused(404, "no such part");
    const value = { ...kept.value, stock: kept.value.stock + count };
    this.parts.set(id, { value, revision: kept.revision + 1 });
    return ok(this.parts.get(id));
  }

  private likes(what: string, preferences: Person["preferences"]): Reply {
    if (what !== "preferences" || !this.person) return refused(404, "nobody likes anything here");
    this.person = { ...this.person, preferences };
    return { status: 204 };
  }

  private onBoards() {
    return [...this.jobs].map(([jobId, kept]) => this.onBoard(jobId, kept.document));
  }

  private onBoard(id: string, document: Job) {
    const updatedAt = "2026-05-04T08:00:00Z";
    return { ...jobSummary(document), id, revision: 1, updatedAt };
  }

  private readJob(id: string): Reply {
    const kept = this.jobs.get(id);
    if (!kept) return refused(404, "no such job");
    return ok({ id, revision: kept.changes.length + 1, document: kept.document });
  }

  private changesAfter(id: string, known: number) {
    const { changes } = this.jobs.get(id)!;
    return { revision: changes.length + 1, changes: changes.filter((c) => c.revision > known) };
  }

  /** Takes what the real server would: documents that the contract finds right. */
  private edit(id: string, sent: { known: number; batchId: string; edits: Edit[] }): Reply {
    const kept = this.jobs.get(id);
    if (!kept) return refused(404, "no such job");
    const result = applyEdits(kept.document, sent.edits);
    if (!result.ok) return refused(422, result.message, { faults: [result] });
    const checked = checkJobDocument(result.job);
    if (!checked.ok) return refused(422, "the job is not right", { faults: checked.faults });
    kept.document = result.job;
    const { batchId, edits } = sent;
    kept.changes.push({
      ...{
        revision: kept.changes.length + 2,
        batchId,
        who: this.person?.name ?? "",
        acts: [],
        edits,
      },
    });
    return ok(this.changesAfter(id, sent.known));
  }

  private keep<T>(
    where: Map<string, Kept<T>>,
    id: string,
    check: (value: unknown) => { ok: true; value: T } | { ok: false; faults: readonly unknown[] },
    { value, revision }: Kept<T>,
  ): Reply {
    const checked = check(value);
    if (!checked.ok) return refused(422, "something is not right", { faults: checked.faults });
    if ((where.get(id)?.revision ?? 0) !== revision)
      return refused(409, "changed by somebody else");
    where.set(id, { value, revision: revision + 1 });
    return ok(where.get(id));
  }
}

/** The first demo job that is so: what it is called is nobody's business here. */
export function demoWhere(is: (job: Job) => boolean): Job {
  const job = demoJobs().find(is);
  if (!job) throw new Error("no demo job is so");
  return job;
}
