import { converterEdits } from "../compare/index.ts";
import {
  addLamps,
  append,
  applyEdits,
  asId,
  createJob,
  createCircuit,
  replaceLamp,
  setCircuit,
  unbox,
  type Edit,
  type Input,
  type Job,
  type Practices,
  type LightingCircuit,
  type CircuitId,
  type Wish,
} from "../job/index.ts";
import { borneVolts, type Part } from "../part/index.ts";
import { packRangeV } from "../source/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import { hungOn } from "./hungOn.ts";
import { lowered } from "./word/titled.ts";
import type { SaidCircuit, SaidJob } from "./said.ts";

/** Takes edits that were made here for this very job. */
function done(job: Job, edits: readonly Edit[]): Job {
  const made = applyEdits(job, edits);
  if (!made.ok) throw new Error(`${made.path}: ${made.message}`);
  return made.job;
}

/**
 * A lamp in the place of the factory's, on the wire that is live with what turns it on; null
 * where the vehicle's map has no such wire, and it is planned as a lamp that is added.
 */
function withReplacement(job: Job, said: SaidCircuit, n: number): Job | null {
  const pin = hungOn(job.vehicle, said);
  if (!pin || said.replaces === null) return null;
  const { part, count, place, second, name } = said;
  let minted = 0;
  const mint = (prefix: string): string => {
    if (prefix === "run") return `run-${n}`;
    minted += 1;
    return `${prefix}-${n}-${minted}`;
  };
  const what = { part, count, place, name, pinId: pin.id, replaces: "", joint: said.replaces };
  const made = done(job, replaceLamp(job, what, mint));
  const id = asId<CircuitId>(`run-${n}`);
  const placed = second === null ? made : placedApart(made, id, second);
  return done(placed, [setCircuit(id, "condition", said.condition)]);
}

/** The second half of a run's lamps at another place than the first. */
function placedApart(job: Job, runId: CircuitId, second: SaidCircuit["place"]): Job {
  const own = job.lamps.filter((l) => l.runId === runId);
  const there = new Set(own.slice(Math.ceil(own.length / 2)).map((l) => l.id));
  return { ...job, lamps: job.lamps.map((l) => (there.has(l.id) ? { ...l, place: second } : l)) };
}

/** The dim levels of the lamps of the circuit before, each in the housing of one of them. */
function asDim(job: Job, n: number): Job {
  const hosts = job.lamps.filter((l) => l.runId === `run-${n - 1}`);
  const guests = job.lamps.filter((l) => l.runId === `run-${n}`).map((l) => l.id);
  const lamps = job.lamps.map((lamp) => {
    const host = hosts[guests.indexOf(lamp.id)];
    return host && guests.includes(lamp.id)
      ? { ...lamp, light: "dim", housing: host.id, place: host.place }
      : lamp;
  });
  return { ...job, lamps };
}

/** Lamps of a run that are cut to a length, where one was said. */
const ofLength = (job: Job, runId: CircuitId, lengthM: number): Job =>
  lengthM === 0
    ? job
    : { ...job, lamps: job.lamps.map((l) => (l.runId === runId ? { ...l, lengthM } : l)) };

function withCircuit(job: Job, said: SaidCircuit, n: number): Job {
  const replaced = withReplacement(job, said, n);
  if (replaced) return replaced;
  const id = asId<CircuitId>(`run-${n}`);
  const { name, condition, place, relay, series, feed } = said;
  const rear = place === "rear" || ((place === "left" || place === "right") && isTurn(said));
  const run = {
    ...createCircuit(id, name, job.vehicle, rear ? "rear" : "front", condition),
    ...{ relay, arrangement: series ? ("series" as const) : ("parallel" as const) },
  };
  const withRun = done(job, [append(job, "run", run)]);
  let lamp = 0;
  const mint = (): string => {
    lamp += 1;
    return `lamp-${n}-${lamp}`;
  };
  const together = done(withRun, addLamps(withRun, run, said.part, said.count, place, mint));
  const apart = said.second === null ? together : placedApart(together, id, said.second);
  const made = ofLength(apart, id, said.lengthM);
  const { kind: system } = job.vehicle.system;
  switch (feed.kind) {
    case "pin":
      return done(made, [setCircuit(id, "feed", { kind: "pin", pinId: feed.pinId })]);
    case "battery":
      return system === "pack" ? made : done(made, [setCircuit(id, "feed", { kind: "battery" })]);
    case "pack":
      return system === "engine" ? made : done(made, [setCircuit(id, "feed", { kind: "pack" })]);
    case "converter":
    case "usual":
      // A string is for a pack: on a 12 V battery its lamps would hardly glow.
      if (series && system === "packAndBattery") {
        return done(made, [setCircuit(id, "feed", { kind: "pack" })]);
      }
      // What shares a converter is known when all circuits are.
      return made;
  }
}

/** Whether a load of a run would not bear the pack that feeds it, straight off its charger. */
function isBeyond(job: Job, run: LightingCircuit): boolean {
  const { system } = job.vehicle;
  if (system.kind === "engine" || run.feed.kind !== "pack" || run.arrangement === "series") {
    return false;
  }
  const { highV } = packRangeV(system.pack);
  const parts = job.lamps.filter((l) => l.runId === run.id).map((l) => l.partId);
  return job.parts.some(
    (part) => part.kind === "load" && parts.includes(part.id) && borneVolts(part).highV < highV,
  );
}

/**
 * Loads that are to have a converter share one, and so do those that do not bear the pack and of
 * which nobody said what feeds them.
 */
function behindConverter(job: Job, said: SaidJob, shelf: readonly Part[]): Job {
  const open = job.runs.filter((run, i) => {
    const kind = said.circuits[i]?.feed.kind;
    return kind === "converter" || (kind === "usual" && isBeyond(job, run));
  });
  const edits = open.length > 0 ? converterEdits(job, open, shelf) : null;
  return edits ? done(job, edits) : job;
}

const isTurn = ({ condition }: SaidCircuit): boolean =>
  condition.anyOf.flat().some((t) => t.input === "left" || t.input === "right");

/** The two circuits that turn lamps are planned as. */
const SIDES: readonly string[] = ["Left turn", "Right turn"];

/** "Bar and pods": what a job is called by what is on it. */
function titleOf({ circuits, kits }: SaidJob): string {
  const both = SIDES.every((name) => circuits.some((c) => c.name === name));
  const said = [...kits, ...circuits].map(({ name }) =>
    both && SIDES.includes(name) ? "Turn lamps" : name,
  );
  const names = [...new Set(said)].slice(0, 3);
  const [last = "", ...before] = names.reverse();
  const rest = before.reverse().map((n, i) => (i === 0 ? n : lowered(n)));
  return rest.length === 0 ? last : `${rest.join(", ")} and ${lowered(last)}`;
}

/** What the sentence is for, by what it plans: seeing further, being seen, being seen braking. */
function purposeOf({ circuits, kits }: SaidJob): Wish["purpose"] {
  const all = [...circuits, ...kits.flatMap(({ content }) => content.runs)];
  const inputs = all.flatMap(({ condition }) => condition.anyOf.flat().map((t) => t.input));
  if (inputs.some((input) => BRAKES.has(input))) return "beSeenBraking";
  if (inputs.some((input) => input === "left" || input === "right")) return "beSeen";
  const isLamp = circuits.some(({ part }) => part.family === "lamp");
  return isLamp ? "seeFurther" : "other";
}

const BRAKES: ReadonlySet<Input> = new Set(["brake", "lever", "pedal"]);

/** What somebody asked for stays with the job in their own words. */
const wishesOf = (said: SaidJob): readonly Wish[] =>
  said.words === "" ? [] : [{ id: "wish-1", purpose: purposeOf(said), text: said.words }];

/** A job as a sentence says it, laid out by the ordinary way. */
export function planSentence(
  said: SaidJob,
  vehicle: Vehicle,
  practices: Practices,
  shelf: readonly Part[],
): Job {
  const bare = createJob(
    titleOf(said) || "New job",
    said.customer,
    said.machine === "" ? vehicle : { ...vehicle, machine: said.machine },
    practices,
  );
  // What is said is what is wanted: it stands at its circuit, to be looked over.
  const stage =
    said.circuits.length + said.kits.length > 0 ? ("circuit" as const) : bare.card.stage;
  const card = { ...bare.card, stage, promised: said.promised };
  const carded: Job = { ...bare, card, wishes: wishesOf(said) };
  const made = said.circuits.reduce((job, circuit, i) => {
    const next = withCircuit(job, circuit, i + 1);
    return circuit.dim ? asDim(next, i + 1) : next;
  }, carded);
  const fed = behindConverter(made, said, shelf);
  return said.kits.reduce((job, kit, k) => {
    let minted = 0;
    const mint = (): string => {
      minted += 1;
      return `kit-${k + 1}-${minted}`;
    };
    return done(job, unbox(job, kit, mint));
  }, fed);
}
