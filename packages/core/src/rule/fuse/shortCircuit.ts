import {
  carriesA,
  wireEnds,
  type Circuit,
  type FuseElement,
  type WireElement,
} from "../../circuit/index.ts";
import { ownerName, type ElementId, type Job } from "../../job/index.ts";
import {
  everythingOn,
  solveCircuitWith,
  type Network,
  type Position,
  type Solved,
} from "../../network/index.ts";
import { decimal } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { restVolts, sourceOhms } from "../../source/index.ts";
import type { Found, Rule } from "../finding.ts";

/** A fuse opens within ten minutes from this share of its rating on: ISO 8820-3 (from memory). */
const OPENS_SHARE = 1.35;
/**
 * A wire with this many times what it carries for long is heated by the square of that, four times as far over its
 * surroundings: past what any insulation bears (physics).
 */
const BURNS_SHARE = 2;

/** What flows where, once every fuse that opens is open. */
interface Settled {
  readonly opened: readonly FuseElement[];
  /** What went through each as it opened, in A. */
  readonly amps: ReadonlyMap<ElementId, number>;
  readonly solved: Solved | null;
}

const withOpen =
  (opened: ReadonlySet<ElementId>) =>
  ({ branches, held }: Network): Network => ({
    held,
    branches: branches.map((b) =>
      opened.has(b.id) ? { ...b, model: { kind: "resistor" as const, ohm: OPEN_OHM } } : b,
    ),
  });

/** Opens fuses until those that are left hold. */
function settle(job: Job, circuit: Circuit, position: Position): Settled {
  const fuses = [...circuit.elements.values()].filter((e) => e.kind === "fuse");
  const opened: FuseElement[] = [];
  const amps = new Map<ElementId, number>();
  for (;;) {
    const ids = new Set(opened.map(({ id }) => id));
    const celsius = job.practices.ambientC;
    const result = solveCircuitWith(circuit, { position, celsius, change: withOpen(ids) });
    if (result.kind !== "solved") return { opened, amps, solved: null };
    const through = ({ id }: FuseElement): number =>
      Math.abs(result.point.at.get(id)?.currentA ?? 0);
    const next = fuses.filter((f) => !ids.has(f.id) && through(f) > OPENS_SHARE * f.ratingA);
    if (next.length === 0) return { opened, amps, solved: result };
    for (const fuse of next) amps.set(fuse.id, through(fuse));
    opened.push(...next);
  }
}

/** What a source gives of a current that was solved as if it had no resistance inside, in A. */
function givenA(job: Job, amps: number, volts: number): number {
  const { sourceOhm, packOhm } = sourceOhms(job.vehicle);
  const inside = Math.max(sourceOhm, packOhm);
  return volts / (volts / amps + inside);
}

function opens(job: Job, circuit: Circuit, fuse: FuseElement, amps: number, words: string): Found {
  const unit = fuse.unit === "" ? undefined : circuit.units.get(fuse.unit);
  return {
    rule: "short-circuit",
    severity: "stop",
    place: {
      runId: fuse.runId,
      elementId: fuse.id,
      words: `${ownerName(job, fuse.runId)}: ${unit?.name ?? `${decimal(fuse.ratingA)} A fuse`}`,
    },
    title: `${decimal(fuse.ratingA)} A fuse opens with ${words}`,
    figures: [
      {
        label: "through it",
        value: `${decimal(amps, 0)} A`,
        limit: `at most ${decimal(fuse.ratingA)} A`,
      },
    ],
    why: "More flows than it lets through for long. Find the way that is not planned before another fuse goes in.",
    remedies: [],
  };
}

function burns(job: Job, circuit: Circuit, wire: WireElement, amps: number, words: string): Found {
  const carries = carriesA(wire, job.practices);
  return {
    rule: "short-circuit",
    severity: "stop",
    place: {
      runId: wire.runId,
      elementId: wire.id,
      words: `${ownerName(job, wire.runId)}: wire ${wire.label} (${wireEnds(circuit, wire).join(" to ")})`,
    },
    title: `Short with ${words}: a wire burns and nothing opens`,
    figures: [
      {
        label: "through it",
        value: `${decimal(amps, 0)} A`,
        limit: `at most ${decimal(carries)} A`,
      },
    ],
    why: "This current goes through no fuse, or through none that it opens. Part it before anything is live.",
    remedies: [],
  };
}

function notSolved(job: Job, words: string): Found {
  return {
    rule: "short-circuit",
    severity: "stop",
    place: { runId: null, elementId: null, words: ownersWords(job) },
    title: `No state that it settles in with ${words}`,
    figures: [],
    why: "Whether a fuse opens or a wire burns is not known: nothing is solved there. Put right what is wired wrong, or make it live with a lamp in series in place of the fuse.",
    remedies: [],
  };
}

/** The circuits that are said to be wired otherwise. */
const ownersWords = (job: Job): string =>
  [...new Set(job.deviations.map((d) => ownerName(job, d.runId)))].join(", ");

/** What a position comes to in fuses that open and in wires that burn with none opening. */
function found(job: Job, circuit: Circuit, position: Position, words: string): Found[] {
  const { opened, amps, solved } = settle(job, circuit, position);
  const volts = Math.max(position.sourceV, position.packV);
  const opening = opened.map((fuse) => opens(job, circuit, fuse, amps.get(fuse.id) ?? 0, words));
  if (!solved) return [...opening, notSolved(job, words)];
  const burning = [...circuit.elements.values()].flatMap((e): Found[] => {
    if (e.kind !== "wire") return [];
    const flows = Math.abs(solved.point.at.get(e.id)?.currentA ?? 0);
    if (flows <= BURNS_SHARE * carriesA(e, job.practices)) return [];
    return [burns(job, circuit, e, givenA(job, flows, volts), words)];
  });
  return [
    ...opening,
    // The wires of one loop burn together: one is told.
    ...burning.slice(0, 1),
  ];
}

/** A wrong wiring that lets more flow than fuses hold, or than wires bear with no fuse in the way. */
export const shortCircuit: Rule = {
  id: "short-circuit",
  source: "ISO 8820-3 (from memory); physics",
  check: ({ job, circuit }) => {
    // As planned, what flows is what fuses and wires were chosen for.
    if (job.deviations.length === 0) return [];
    const volts = restVolts(job.vehicle);
    const off: Position = { inputs: new Set(), switches: new Set(), ...volts };
    const atRest = found(job, circuit, off, "everything off");
    const known = new Set(atRest.flatMap(({ place }) => place.elementId ?? []));
    const allOn = found(job, circuit, everythingOn(job, volts), "everything on");
    const fresh = ({ place }: Found): boolean =>
      place.elementId === null || !known.has(place.elementId);
    return [...atRest, ...allOn.filter(fresh)];
  },
};
