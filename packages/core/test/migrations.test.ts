/** Documents of every age, as they were stored: each is brought up, and nothing is lost. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import {
  JOB_FORMAT,
  integrityFaults,
  readJobText,
  synthesise,
  upgradeJob,
  type Job,
} from "../src/index.ts";

const stored = (version: number): Record<string, unknown> =>
  JSON.parse(readFileSync(join(__dirname, `stored/job-${version}.json`), "utf8")) as Record<
    string,
    unknown
  >;

/** What an old document said and is not there any more, field by field. */
function lost(before: unknown, after: unknown, path = ""): string[] {
  if (Array.isArray(before)) {
    const entries = after as unknown[];
    if (entries.length !== before.length) return [`${path}: ${entries.length} entries`];
    return before.flatMap((entry, i) => lost(entry, entries[i], `${path}[${i}]`));
  }
  if (typeof before === "object" && before !== null) {
    return Object.entries(before)
      .filter(([key]) => path !== "" || key !== "format")
      .flatMap(([key, value]) =>
        lost(value, (after as Record<string, unknown>)[key], `${path}.${key}`),
      );
  }
  return after === before ? [] : [`${path}: ${JSON.stringify(after)}`];
}

const LATEST = Number(JOB_FORMAT.split("/")[1]);
const VERSIONS = Array.from({ length: LATEST - 1 }, (_, i) => i + 1);

describe("a job of an earlier version", () => {
  it.each(VERSIONS)(
    "of version %s is there, is brought up whole, and can be planned",
    (version) => {
      const before = stored(version);
      expect(before["format"]).toBe(`dragonet-job/${version}`);
      const after = upgradeJob(structuredClone(before));
      expect(after["format"]).toBe(JOB_FORMAT);
      expect(lost(before, after)).toEqual([]);
      const job = after as unknown as Job;
      expect(integrityFaults(job)).toEqual([]);
      expect(synthesise(job).runs).toHaveLength(job.runs.length);
    },
  );

  it.each(VERSIONS)(
    "of version %s with anything missing or amiss in it is brought up to be refused, and throws nothing",
    (version) => {
      const whole = stored(version);
      const wrong = [undefined, null, 5, "x", [], {}, [null], [5], [{}]];
      const left: unknown[] = [];
      const tried = (document: Record<string, unknown>): void => {
        const { format } = upgradeJob(document);
        if (format !== JOB_FORMAT) left.push(format);
      };
      tried({ format: whole["format"] });
      for (const [field, value] of Object.entries(whole)) {
        if (field === "format") continue;
        for (const bad of wrong) tried({ ...whole, [field]: bad });
        if (typeof value !== "object" || value === null || Array.isArray(value)) continue;
        for (const inner of Object.keys(value)) {
          for (const bad of wrong) tried({ ...whole, [field]: { ...value, [inner]: bad } });
        }
      }
      expect(left).toEqual([]);
    },
  );

  it("goes through every version between: from 1 it is what 2 would have become", () => {
    const first = upgradeJob(stored(1));
    const second = upgradeJob(stored(2));
    expect(first["deviations"]).toEqual(second["deviations"]);
    expect(first["runs"]).toEqual(second["runs"]);
  });

  it("sits nowhere yet where its age knew no places: what it hangs on is the usual one", () => {
    const bare = (list: string) => ({ [list]: [{ id: `${list}-1` }] });
    const job = upgradeJob({
      ...stored(1),
      ...{ ...bare("lamps"), ...bare("supplies"), ...bare("controls"), ...bare("runs") },
    });
    const [lamp] = job["lamps"] as object[];
    const [supply] = job["supplies"] as object[];
    const [control] = job["controls"] as object[];
    const [run] = job["runs"] as object[];
    for (const entry of [lamp, supply, control]) expect(entry).toMatchObject({ at: "" });
    expect(run).toMatchObject({ relayAt: "", switchAt: "", spliceAt: "" });
  });

  it("one of this version is left as it is, one of a later is refused", () => {
    const now = upgradeJob(stored(2));
    expect(upgradeJob(now)).toBe(now);
    const later = readJobText(JSON.stringify({ ...now, format: `dragonet-job/${LATEST + 1}` }));
    expect(later).toMatchObject({ ok: false, faults: [{ path: "format" }] });
  });
});
