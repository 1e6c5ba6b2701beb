import { seenRank } from "../reading/seen.ts";
import { apart, shows } from "../expect/apart.ts";
import { boundsOfExpected } from "../expect/predict.ts";
import type { Expected, Probe } from "../expect/probe.ts";
import type { CircuitTest, Testable } from "./testable.ts";
import type { FaultSuspect, Suspect } from "../suspect/suspects.ts";

/** One step of the test script. */
export interface ScriptStep {
  readonly probe: Probe;
  readonly expected: Expected;
  readonly low: number;
  readonly high: number;
}

/** The test of circuits that share something: its steps in their order. */
export interface GroupScript {
  readonly steps: readonly ScriptStep[];
  /** Faults of weight that no probe here can show: they change nothing that can be reached. */
  readonly hidden: readonly FaultSuspect[];
  /** Faults of weight that read alike at every probe, in classes of two and more. */
  readonly alike: readonly (readonly FaultSuspect[])[];
  /** Faults of weight that the steps tell from sound. */
  readonly told: number;
}

const isFault = (suspect: Suspect): suspect is FaultSuspect => suspect.kind === "fault";

const stepOf = (probe: Probe): ScriptStep => {
  const expected = probe.bench.sound(probe);
  const [low, high] = boundsOfExpected(expected);
  return { probe, expected, low, high };
};

/**
 * The order that protects: everything off before anything is on, the key before the circuits;
 * within a position the meter before the eye, near before far.
 */
function inOrder(group: Testable, steps: readonly ScriptStep[]): ScriptStep[] {
  const ids = new Map<string, number>();
  const levels = Math.max(...group.runs.map(({ states }) => states.length));
  for (let level = 0; level < levels; level += 1) {
    for (const { states } of group.runs) {
      const id = states[level]?.id;
      if (id !== undefined && !ids.has(id)) ids.set(id, ids.size);
    }
  }
  // Nothing live first of all: a short is found while it cannot burn.
  const state = ({ probe }: ScriptStep): number =>
    probe.state.dead ? -1 : (ids.get(probe.state.id) ?? ids.size);
  const look = (step: ScriptStep): number => (step.probe.at.kind === "look" ? 1 : 0);
  return [...steps].sort(
    (a, b) => state(a) - state(b) || look(a) - look(b) || a.probe.minutes - b.probe.minutes,
  );
}

/** Takes probes greedily by what they newly tell for each minute, until none tells more. */
function cover<T>(
  probes: readonly Probe[],
  wanted: readonly T[],
  tells: (probe: Probe, one: T) => boolean,
): { readonly chosen: Probe[]; readonly left: ReadonlySet<T> } {
  const told = probes.map((probe) => ({
    probe,
    ones: wanted.filter((one) => tells(probe, one)),
  }));
  const left = new Set(wanted);
  const chosen: Probe[] = [];
  while (left.size > 0) {
    let best: { readonly probe: Probe; readonly worth: number } | null = null;
    for (const { probe, ones } of told) {
      const fresh = ones.filter((one) => left.has(one)).length;
      const worth = fresh / probe.minutes;
      if (fresh > 0 && (!best || worth > best.worth)) best = { probe, worth };
    }
    if (!best) break;
    chosen.push(best.probe);
    for (const one of told.find(({ probe }) => probe === best.probe)?.ones ?? []) left.delete(one);
  }
  return { chosen, left };
}

const sameLamp = (a: Probe, b: Probe): boolean =>
  a.at.kind === "look" && b.at.kind === "look" && a.at.elementId === b.at.elementId;

/** What a run takes while it is off and while it is on, at its first fuse: read in any case. */
function currents(probes: readonly Probe[]): Probe[] {
  const fuseOf = ({ at }: Probe): string | null =>
    at.kind === "amps" || at.kind === "milliamps" ? at.elementId : null;
  const amps = probes.filter((probe) => fuseOf(probe) !== null);
  const [first] = amps;
  const same = amps.filter((probe) => first && fuseOf(probe) === fuseOf(first));
  return [...new Set([same[0], same.at(-1)])].filter((probe) => probe !== undefined);
}

/** The steps of one run, and the faults that none of its probes shows. */
function scriptOfRun(
  { probes }: CircuitTest,
  faults: readonly FaultSuspect[],
): { readonly chosen: readonly Probe[]; readonly left: ReadonlySet<FaultSuspect> } {
  const { chosen, left } = cover(probes, faults, shows);
  // A lamp that is to light is looked at in any case: people trust their eyes.
  const eyes = probes.filter(
    (probe) =>
      probe.at.kind === "look" &&
      seenRank(probe.bench.sound(probe).value) === 2 &&
      !chosen.some((other) => sameLamp(other, probe)),
  );
  const first = eyes.filter((probe, i) => eyes.findIndex((o) => sameLamp(o, probe)) === i);
  const clamp = currents(probes).filter((probe) => !chosen.includes(probe));
  // Each way's ohms are read in any case before its fuse goes in.
  const ways = probes.filter(({ at }) => at.kind === "ohms");
  const ohms = ways.filter((probe) => !chosen.includes(probe));
  return { chosen: [...chosen, ...ohms, ...clamp, ...first], left };
}

/**
 * The fewest steps that tell every fault of weight from sound: one that changes what a lamp
 * does or moves a reading past its bounds. What is then still alike is told as such.
 */
export function scriptOf(group: Testable): GroupScript {
  const faults = group.suspects.filter(isFault);
  const steps: ScriptStep[] = [];
  const hidden: FaultSuspect[] = [];
  const alike: FaultSuspect[][] = [];
  const given = new Set<FaultSuspect>();
  for (const run of group.runs) {
    // What several runs hang on is looked for with the first of them.
    const own = faults.filter((fault) => !given.has(fault) && run.bench.touches(fault));
    for (const fault of own) given.add(fault);
    const { chosen, left } = scriptOfRun(run, own);
    steps.push(...chosen.map(stepOf));
    hidden.push(...left);
    alike.push(
      ...classesOf(
        run.probes,
        own.filter((fault) => !left.has(fault)),
      ),
    );
  }
  return {
    steps: inOrder(group, steps),
    hidden,
    alike,
    told: faults.length - hidden.length,
  };
}

/** Faults that none of the probes parts, two and more together. */
function classesOf(probes: readonly Probe[], faults: readonly FaultSuspect[]): FaultSuspect[][] {
  const classes: FaultSuspect[][] = [];
  for (const fault of faults) {
    const home = classes.find(([first]) =>
      probes.every(
        (probe) =>
          !first || !apart(probe.bench.expects(first, probe), probe.bench.expects(fault, probe)),
      ),
    );
    if (home) home.push(fault);
    else classes.push([fault]);
  }
  return classes.filter((members) => members.length > 1);
}
