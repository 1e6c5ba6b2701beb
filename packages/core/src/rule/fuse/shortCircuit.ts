import { carriesA, wireEnds, type Circuit, type WireElement } from "../../circuit/index.ts";
import { ownerName, type ElementId, type Job } from "../../job/index.ts";
import {
  everythingOn,
  solveCircuitWith,
  type Network,
  type Position,
} from "../../network/index.ts";
import { realSources } from "../../proof/faultScope.ts";
import { openingIn, overheatedWire, type Opening } from "../../proof/opening.ts";
import { withFaults } from "../../proof/withFaults.ts";
import { decimal, secondsText } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { restVolts, sourceOhms } from "../../source/index.ts";
import type { Figure, Found, Rule } from "../finding.ts";

const through = (amps: number, most: number): Figure => ({
  label: "through it",
  value: `${decimal(amps, 0)} A`,
  limit: `at most ${decimal(most)} A`,
});

/** The element of a fuse that opens: its own, or the factory wire that one of the factory's lies before. */
function elementOfOpening(circuit: Circuit, { fuse, pin }: Opening): ElementId | null {
  if (fuse) return fuse.id;
  for (const e of circuit.elements.values()) if (e.kind === "tap" && e.pin === pin) return e.id;
  return null;
}

function opens(job: Job, circuit: Circuit, opening: Opening, words: string): Found {
  const { fuse, pin, opens: said } = opening;
  const ratingA = fuse?.ratingA ?? pin?.fuseA ?? 0;
  const unit = fuse && fuse.unit !== "" ? circuit.units.get(fuse.unit) : undefined;
  const whose = fuse ? `${ownerName(job, fuse.runId)}: ${unit?.name ?? said.words}` : said.words;
  return {
    rule: "short-circuit",
    severity: "stop",
    place: {
      runId: fuse?.runId ?? null,
      elementId: elementOfOpening(circuit, opening),
      words: whose,
    },
    title: `${fuse ? "" : "Factory "}${decimal(ratingA)} A fuse opens with ${words}`,
    figures: [through(said.currentA, ratingA)],
    why: `It opens within ${secondsText(said.time.mostS)}. Find the way that is not planned before another fuse goes in.`,
    remedies: [],
  };
}

function burns(job: Job, circuit: Circuit, wire: WireElement, amps: number, words: string): Found {
  return {
    rule: "short-circuit",
    severity: "stop",
    place: {
      runId: wire.runId,
      elementId: wire.id,
      words: `${ownerName(job, wire.runId)}: wire ${wire.label} (${wireEnds(circuit, wire).join(" to ")})`,
    },
    title: `A wire burns with ${words} before any fuse opens`,
    figures: [through(amps, carriesA(wire, job.practices))],
    why: "This current goes through no fuse, or through none that opens in time. Part it before anything is live.",
    remedies: [],
  };
}

function notSolved(job: Job, words: string): Found {
  const owners = new Set(job.deviations.map((d) => ownerName(job, d.runId)));
  return {
    rule: "short-circuit",
    severity: "stop",
    place: { runId: null, elementId: null, words: [...owners].join(", ") },
    title: `No state that it settles in with ${words}`,
    figures: [],
    why: "Whether a fuse opens or a wire burns is not known: nothing is solved there. Put right what is wired wrong, or make it live with a lamp in series in place of the fuse.",
    remedies: [],
  };
}

/**
 * What a position comes to: the fuses that open, the soonest first, each with what those before it have let go, and the
 * first wire that is at its limit before its fuse has opened for sure.
 */
function found(job: Job, circuit: Circuit, position: Position, words: string): Found[] {
  const ohms = sourceOhms(job.vehicle);
  const celsius = job.practices.ambientC;
  const open = new Set<ElementId>();
  const opening: Found[] = [];
  let burning: Found | null = null;
  for (;;) {
    const parted = { ohms: [...open].map((id) => [id, OPEN_OHM] as const), touches: null };
    const change = (network: Network): Network =>
      realSources(circuit, withFaults(network, [parted]), ohms);
    const solved = solveCircuitWith(circuit, { position, celsius, change });
    if (solved.kind !== "solved") return [...opening, notSolved(job, words)];
    const { amps } = solved.result;
    const next = openingIn(circuit, amps);
    const wire = overheatedWire(circuit, job, amps, next?.opens.time.mostS ?? Infinity, 1);
    if (wire) burning ??= burns(job, circuit, wire, Math.abs(amps.get(wire.id) ?? 0), words);
    const id = next && elementOfOpening(circuit, next);
    // One that may hold for ever cannot be counted on.
    if (!id || next.opens.time.mostS === Infinity || open.has(id)) break;
    open.add(id);
    opening.push(opens(job, circuit, next, words));
  }
  return burning ? [...opening, burning] : opening;
}

/** A wrong wiring that opens fuses, or burns a wire before one has opened: by the curves and limits of single faults. */
export const shortCircuit: Rule = {
  id: "short-circuit",
  source: "ISO 8820-3 and IEC 60364-4-43 (from memory); physics",
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
