import {
  adoptPart,
  append,
  applyEdits,
  asId,
  changedSince,
  checkedCircuit,
  materialsOf,
  meansOf,
  minorOf,
  needsOf,
  notOffered,
  offerOf,
  optionEdits,
  quoteOf,
  removeCircuit,
  suggestOptions,
  synthesise,
  workedQuote,
  type Job,
  type OptionResult,
  type PartId,
  type Tariff,
} from "../src/index.ts";
import { DEMO_SHELF, demoJobs, demoPart } from "../src/demo/index.ts";
import { edited } from "./helpers.ts";
import { pods } from "./testing.ts";

const TARIFF: Tariff = {
  ...{ currency: "EUR", hourMinor: 6000, taxShare: 0.19, markupShare: 0.1, validDays: 14 },
  warrantyMonths: 0,
};

const priced = (job: Job, tariff: Partial<Tariff> = {}): Job => ({
  ...job,
  practices: { ...job.practices, tariff: { ...TARIFF, ...tariff } },
});

const worked = (result: OptionResult | undefined): Extract<OptionResult, { kind: "worked" }> => {
  if (result?.kind !== "worked") throw new Error(`not worked: ${JSON.stringify(result)}`);
  return result;
};

const JOBS = demoJobs().map((job) => priced(job));

describe("a quote", () => {
  it("has every part that is laid out once, and every metre that is cut", () => {
    for (const job of JOBS) {
      const circuit = synthesise(job);
      const quote = quoteOf(job, circuit, DEMO_SHELF);
      const laid = materialsOf(job, circuit).filter((line) => line.unit === "");
      const counts = new Map<string, number>();
      for (const { name, count } of laid) counts.set(name, (counts.get(name) ?? 0) + count);
      const quoted = quote.parts.filter(({ name }) => counts.has(name));
      expect(new Map(quoted.map(({ name, count }) => [name, count]))).toEqual(counts);
      expect(quote.parts).toHaveLength(needsOf(job, circuit).length);
    }
  });

  it("comes to what is worked by hand", () => {
    // Two pods at 16.00 with 10 % are 2 × 17.60; an hour costs 60.00, so each whole minute 1.00.
    const job = priced(pods());
    const quote = quoteOf(job, synthesise(job), []);
    const pod = quote.parts.find((p) => p.name === demoPart("pod-18").name);
    const each = Math.round(minorOf(demoPart("pod-18").price, "EUR") * 1.1);
    expect(pod).toMatchObject({ count: 2, eachMinor: each, netMinor: 2 * each });
    for (const line of quote.work) {
      expect(line.netMinor).toBe(100 * Math.round(line.minutes.mid));
    }
    const net =
      quote.parts.reduce((sum, p) => sum + (p.netMinor ?? 0), 0) +
      quote.work.reduce((sum, w) => sum + w.netMinor, 0);
    expect(quote.total).toEqual({
      netMinor: net,
      taxMinor: Math.round(net * 0.19),
      grossMinor: net + Math.round(net * 0.19),
    });
    expect(quote.low.grossMinor).toBeLessThan(quote.total.grossMinor);
    expect(quote.high.grossMinor).toBeGreaterThan(quote.total.grossMinor);
  });

  it("says what has no price, and that nobody has said what an hour costs", () => {
    const job = priced(pods(), { hourMinor: 0 });
    const quote = quoteOf(job, synthesise(job), []);
    expect(quote.hourKnown).toBe(false);
    expect(quote.unpriced.length).toBeGreaterThan(0);
    expect(quote.unpriced).not.toContain(demoPart("pod-18").name);
    for (const name of quote.unpriced) {
      expect(quote.parts.find((p) => p.name === name)?.netMinor).toBeNull();
    }
  });
});

describe("options of a quote", () => {
  it("come to what the job would cost were it planned so", () => {
    for (const job of JOBS.filter((j) => j.runs.length > 1)) {
      const [run] = job.runs;
      if (!run) continue;
      const option = {
        ...{ id: "a", name: "without" },
        changes: [{ kind: "leaveOut" as const, runId: run.id }],
      };
      const { quote, options } = workedQuote({ ...job, options: [option] }, DEMO_SHELF);
      const [result] = options;
      const then = edited(job, ...removeCircuit(job, run.id));
      const alone = quoteOf(then, synthesise(then), DEMO_SHELF);
      expect(worked(result).quote.total).toEqual(alone.total);
      expect(worked(result).moreMinor).toBe(alone.total.grossMinor - quote.total.grossMinor);
      expect(worked(result).moreUnits).toBeLessThanOrEqual(0);
    }
  });

  it("that are suggested can be built, or say why not", () => {
    const refusals = new Set<string>();
    for (const [n, job] of JOBS.entries()) {
      const options = suggestOptions(job, DEMO_SHELF).map((o, i) => ({ id: `o${i}`, ...o }));
      // Every third, others on each job: all of them take half a minute and are much alike.
      for (const option of options.filter((_, i) => (i + n) % 3 === 0)) {
        const found = optionEdits(job, option, DEMO_SHELF);
        if (!found.ok) {
          refusals.add(found.reason);
          continue;
        }
        const made = applyEdits(job, found.edits);
        expect(made.ok).toBe(true);
        if (made.ok) expect(() => checkedCircuit(made.job)).not.toThrow();
      }
    }
    for (const reason of refusals) expect(reason).toMatch(/\S/);
  });

  it("take another part in everywhere that the first one was", () => {
    const job = priced(pods());
    const [from, to] = [asId<PartId>("pod-18"), asId<PartId>("pod-30")];
    const option = {
      ...{ id: "a", name: "others" },
      changes: [{ kind: "otherPart" as const, partId: from, insteadId: to }],
    };
    const found = optionEdits(job, option, DEMO_SHELF);
    expect(found.ok && edited(job, ...found.edits).lamps.map((l) => l.partId)).toEqual([to, to]);
    const gone = { ...option, changes: [{ ...option.changes[0]!, partId: asId<PartId>("none") }] };
    expect(optionEdits(job, gone, DEMO_SHELF)).toMatchObject({ ok: false });
    const other = demoPart("switch-lit-12");
    const unlike = {
      ...option,
      changes: [{ kind: "otherPart" as const, partId: from, insteadId: other.id }],
    };
    expect(optionEdits(edited(job, ...adoptPart(job, other)), unlike, [])).toMatchObject({
      ok: false,
      reason: expect.stringContaining("does not do what") as string,
    });
    expect(optionEdits(job, { id: "a", name: "", changes: [] }, [])).toMatchObject({ ok: false });
  });

  it("are not put before a customer where the check would stop them", () => {
    const job = priced(pods());
    const { options } = workedQuote(
      {
        ...job,
        options: [
          {
            ...{ id: "gone", name: "gone" },
            changes: [{ kind: "leaveOut", runId: asId("no-such-run") }],
          },
        ],
      },
      DEMO_SHELF,
    );
    expect(notOffered(options[0]!)).toBe("its circuit is not in the plan any more");
    const sound = worked(
      workedQuote(
        {
          ...job,
          options: [
            {
              ...{ id: "b", name: "b" },
              changes: [{ kind: "otherPart", partId: asId("pod-18"), insteadId: asId("pod-30") }],
            },
          ],
        },
        DEMO_SHELF,
      ).options[0],
    );
    expect(notOffered(sound)).toBe("");
    expect(notOffered({ ...sound, findings: { ...sound.findings, stop: 1 } })).not.toBe("");
    expect(meansOf({ ...sound, moreMinor: -100, moreMinutes: 3, moreUnits: 1 })).toEqual([
      "1.00 EUR less",
      "3 min more work",
      "1 more thing that may fail",
    ]);
  });
});

describe("an offer", () => {
  const today = new Date("2026-11-26T10:00:00Z");
  const job = priced(
    edited(
      { ...pods(), card: { ...pods().card, note: "pays late", customer: "Scar Top Farm" } },
      append(pods(), "blocker", { id: "b", kind: "customer", text: "owes us for the last one" }),
    ),
  );
  const offer = offerOf(job, workedQuote(job, DEMO_SHELF), { shop: "A shop", today });

  it("holds as long as the shop says", () => {
    expect(offer.validUntil).toBe("2026-12-10");
    expect(offer.choices.map((c) => c.name)).toEqual(["As planned"]);
    expect(offer.work).toEqual([
      "Test run: 2 × 18 W flood pod in front; on with key on and own switch.",
    ]);
  });

  it("has each lamp where it will sit, for a picture", () => {
    expect(offer.shown?.kind).toBe(job.vehicle.kind);
    expect(offer.shown?.lamps).toEqual(
      job.lamps.map(({ id, label, place }) => ({
        ...{ lampId: id, label, place, family: "lamp" },
        light: expect.stringMatching(/white/) as string,
      })),
    );
  });

  it("shows nothing that is the shop's own: notes, blockers, markup, price of each", () => {
    const said = JSON.stringify(offer);
    expect(said).not.toContain("pays late");
    expect(said).not.toContain("owes us");
    expect(said).not.toMatch(/markup|eachMinor|hourMinor|stock/);
  });

  it("tells what is otherwise since it was accepted, and nothing where nothing is", () => {
    const [accepted] = offer.choices;
    const now = quoteOf(job, synthesise(job), DEMO_SHELF);
    expect(changedSince(accepted!, now)).toEqual([]);
    const [lamp] = job.lamps;
    const fewer = edited(job, { kind: "remove", entity: "lamp", id: lamp!.id });
    const changes = changedSince(accepted!, quoteOf(fewer, synthesise(fewer), DEMO_SHELF));
    expect(changes[0]).toMatch(/^[\d\u00a0.]+ EUR less than accepted$/);
    expect(changes).toContain("18 W flood pod: 2 then, 1 now");
  });
});
