import {
  addLamps,
  adoptPart,
  allOf,
  append,
  applyEdits,
  asId,
  checkedCircuit,
  createJob,
  createCircuit,
  createSupply,
  measured,
  setCircuit,
  type Condition,
  type Edit,
  type BoundedValue,
  type Finding,
  type Job,
  type LoadPart,
  type Part,
  type LightingCircuit,
  type CircuitId,
  type Supply,
  type SupplyId,
  type Vehicle,
} from "../src/index.ts";
import { FELLRUNNER, PORTER, demoJobs, demoPart } from "../src/demo/index.ts";

export const RUN = asId<CircuitId>("run-1");

/** A job on the quad with one run of lamps; fields of the run may be overridden. */
export function jobWith(
  partId: string | Part,
  count: number,
  on: Condition,
  fields: Partial<LightingCircuit> = {},
  vehicle = FELLRUNNER,
): Job {
  const part = typeof partId === "string" ? demoPart(partId) : partId;
  let job = createJob("test", "", vehicle);
  const run = createCircuit(RUN, "Test run", vehicle, "front", on);
  let n = 0;
  job = edited(job, append(job, "run", run));
  job = edited(
    job,
    ...addLamps(job, run, part, count, "front", () => {
      n += 1;
      return `lamp-${n}`;
    }),
  );
  for (const id of [fields.switchPartId, fields.relayPartId]) {
    if (id) job = edited(job, ...adoptPart(job, demoPart(id)));
  }
  for (const [field, value] of Object.entries(fields)) {
    job = edited(job, setCircuit(RUN, field as keyof LightingCircuit, value as never));
  }
  return job;
}

export const onVehicle = (vehicle: Vehicle): Job => createJob("test", "", vehicle);

export const keyed = allOf("switch", "key");

/** One lamp of a part on a run of its own, with the key and its switch unless it is said otherwise. */
export const oneRun = (partId: string, on = keyed, fields: Partial<LightingCircuit> = {}): Job =>
  jobWith(partId, 1, on, fields);

export function edited(job: Job, ...edits: Edit[]): Job {
  const result = applyEdits(job, edits);
  if (!result.ok) throw new Error(`${result.path}: ${result.message}`);
  return result.job;
}

export const findingsOf = (job: Job): readonly Finding[] => checkedCircuit(job).findings;

export const rulesOf = (job: Job, severity?: Finding["severity"]): string[] =>
  findingsOf(job)
    .filter((f) => severity === undefined || f.severity === severity)
    .map((f) => f.rule);

/** Presses the first remedy of the first finding of a rule. */
export function mend(job: Job, rule: string): Job {
  const finding = findingsOf(job).find((f) => f.rule === rule);
  const remedy = finding?.remedies[0];
  if (!remedy) throw new Error(`no remedy for "${rule}"`);
  return edited(job, ...remedy.edits);
}

/** Wrong by a part or a pin, and not by a deviation that can be left out. */
const WRONG_PARTS: ReadonlySet<string> = new Set([
  "coil-diode-reversed",
  "poles-too-few",
  "body-ground",
]);

/** The demo jobs as they were planned, whatever somebody wired. */
export const plannedJobs = (): Job[] =>
  demoJobs()
    .map((job): Job => ({ ...job, deviations: [] }))
    .filter((job) => !rulesOf(job, "stop").some((rule) => WRONG_PARTS.has(rule)));

export const switchPart = (id: string) => asId<NonNullable<LightingCircuit["switchPartId"]>>(id);

export const SUPPLY = asId<SupplyId>("supply");

/** Loads of one kind on their own switch, behind something that feeds them: of the shelf, or of one's own. */
export function behind(
  feeds: string | Part,
  load: string | Part,
  count: number,
  vehicle: Vehicle = PORTER,
  fields: Partial<Supply> = {},
): Job {
  const part = typeof feeds === "string" ? demoPart(feeds) : feeds;
  const bare = jobWith(load, count, allOf("switch"), {}, vehicle);
  const supply = { ...createSupply(SUPPLY, "Supply", part.id, vehicle), ...fields };
  return edited(
    bare,
    ...adoptPart(bare, part),
    append(bare, "supply", supply),
    setCircuit(RUN, "feed", { kind: "supply", supplyId: SUPPLY }),
  );
}

/** A part of the shelf that is a load: a lamp, a horn, a heater. */
export function loadPart(id: string): LoadPart {
  const part = demoPart(id);
  if (part.kind !== "load") throw new Error(`${id} is no load`);
  return part;
}

/** Ids one after the other. */
export const minter = () => {
  let n = 0;
  return (prefix = "made") => `${prefix}-${(n += 1)}`;
};

/** What is known to the last digit. */
export const sure = (value: number): BoundedValue => measured(value, value, value);
