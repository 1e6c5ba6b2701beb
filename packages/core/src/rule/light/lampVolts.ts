import { decimal } from "../../quantity/index.ts";
import {
  elementsOf,
  powerPath,
  rootV,
  type LoadElement,
  type RunCircuit,
} from "../../circuit/index.ts";
import { pinWire, setRun, type Run } from "../../job/index.ts";
import type { LoadSpec } from "../../part/index.ts";
import type { OperatingPoint } from "../../solve/index.ts";
import { rangeOfRoot } from "../../synthesis/index.ts";
import {
  builtRuns,
  placeOfRun,
  type Found,
  type Remedy,
  type Rule,
  type RuleContext,
} from "../finding.ts";

/** A lamp without a driver bears so much over its rating for long: 15 V on 12 V, common practice. */
const BEARS = 1.25;
/** Below this share of its rating a lamp without a driver is of little use. */
const DULL = 0.75;

interface Limits {
  readonly lowV: number;
  readonly highV: number;
}

/** Volts between which a load works and lives. */
function limitsOf(spec: LoadSpec): Limits | null {
  switch (spec.kind) {
    case "drivenLed":
      return { lowV: spec.minV, highV: spec.maxV };
    case "filament":
    case "resistive":
    case "ledStrip":
      return { lowV: spec.ratedV * DULL, highV: spec.ratedV * BEARS };
    case "constantCurrent":
      return null;
  }
}

/** Whether lamps of a run would each bear their share of a source in series. */
function bearsInSeries(
  { job, circuit }: RuleContext,
  made: RunCircuit,
  point: OperatingPoint,
): boolean {
  const loads = elementsOf(circuit, powerPath(made), "load");
  const usual = rootV(made.root, point) / loads.length;
  const most = rangeOfRoot(job, made.root).highV / loads.length;
  return (
    loads.length > 1 &&
    loads.every(({ part: { load } }) => {
      const limits = limitsOf(load);
      return load.kind !== "drivenLed" && limits && usual >= limits.lowV && most <= limits.highV;
    })
  );
}

function remediesFor(run: Run, low: boolean, bears: boolean): Remedy[] {
  if (low && run.wire !== null) {
    return [{ label: "Let the drop choose the wire", edits: [pinWire(run.id, null)] }];
  }
  return !low && bears && run.arrangement === "parallel"
    ? [
        {
          label: "Put its lamps in series",
          edits: [setRun(run.id, "arrangement", "series")],
        },
      ]
    : [];
}

interface Place {
  readonly run: Run;
  readonly made: RunCircuit;
  readonly load: LoadElement;
}

function judge(
  context: RuleContext,
  { run, made, load }: Place,
  point: OperatingPoint,
  when: string,
): Found | null {
  const at = point.at.get(load.id);
  const limits = limitsOf(load.part.load);
  if (!at || !limits || rootV(made.root, point) <= 0) return null;
  const volts = at.fromV - at.toV;
  // One that gets nothing at all is not on: whether it should be is for the proof to say.
  const dark = Math.abs(at.currentA) < 1e-4 && volts < limits.lowV / 3;
  if (dark || (volts >= limits.lowV && volts <= limits.highV)) return null;
  const low = volts < limits.lowV;
  const driven = load.part.load.kind === "drivenLed";
  return {
    rule: "lamp-volts",
    severity: low && when !== "" ? "note" : "stop",
    place: placeOfRun(run, load.id, load.label),
    title: `Too ${low ? "few" : "many"} volts for this lamp${when}`,
    figures: [
      {
        label: "at the lamp",
        value: `${decimal(volts)} V`,
        limit: `${decimal(limits.lowV)}–${decimal(limits.highV)} V`,
      },
    ],
    why: low
      ? driven
        ? "Its driver stays off."
        : "It glows more than it lights."
      : driven
        ? "Its driver is beyond its rating."
        : "It burns out early: each lamp of a string must bear its share of the full-charge voltage.",
    remedies: remediesFor(run, low, bearsInSeries(context, made, point)),
  };
}

/** At rest, straight off the charger, and with an empty pack: the first of them that is amiss. */
function checkLoad(context: RuleContext, place: Place): Found[] {
  const points: readonly (readonly [OperatingPoint | null, string])[] = [
    [context.engineOff, ""],
    [context.top, " straight off the charger"],
    [context.empty, " when the pack is empty"],
  ];
  for (const [point, when] of points) {
    const found = point && judge(context, place, point, when);
    if (found) return [found];
  }
  return [];
}

export const lampVolts: Rule = {
  id: "lamp-volts",
  source:
    "common practice: a driver works between its limits; a lamp without one bears a quarter over",
  check: (context) =>
    builtRuns(context).flatMap(({ run, made }) => {
      const found = elementsOf(context.circuit, powerPath(made), "load").flatMap((load) =>
        checkLoad(context, { run, made, load }),
      );
      // Lamps of one run fare alike: the first of each kind of trouble stands for the others.
      return found
        .filter((f, i) => found.findIndex((other) => other.title === f.title) === i)
        .map((f) => {
          const others = found.filter((other) => other.title === f.title).length - 1;
          const words = others > 0 ? `${f.place.words} and ${others} more` : f.place.words;
          return { ...f, place: { ...f.place, words } };
        });
    }),
};
