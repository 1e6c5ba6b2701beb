import { decimal } from "../../quantity/index.ts";
import {
  elementsOf,
  powerPath,
  rootV,
  type LoadElement,
  type LaidCircuit,
} from "../../circuit/index.ts";
import { pinWire, setCircuit, type LightingCircuit } from "../../job/index.ts";
import { borneVolts, type LoadPart } from "../../part/index.ts";
import type { OperatingPoint } from "../../solve/index.ts";
import { rangeOfRoot } from "../../synthesis/index.ts";
import {
  builtCircuits,
  placeOfCircuit,
  type Found,
  type Remedy,
  type Rule,
  type RuleContext,
} from "../finding.ts";

/** Whether lamps of a run would each bear their share of a source in series. */
function bearsInSeries(
  { job, circuit }: RuleContext,
  made: LaidCircuit,
  point: OperatingPoint,
): boolean {
  const loads = elementsOf(circuit, powerPath(made), "load");
  const usual = rootV(made.root, point) / loads.length;
  const most = rangeOfRoot(job, made.root).highV / loads.length;
  return (
    loads.length > 1 &&
    loads.every(({ part }) => {
      const { lowV, highV } = borneVolts(part);
      return part.load.kind !== "drivenLed" && usual >= lowV && most <= highV;
    })
  );
}

function remediesFor(run: LightingCircuit, low: boolean, bears: boolean): Remedy[] {
  if (low && run.wire !== null) {
    return [{ label: "Let the drop choose the wire", edits: [pinWire(run.id, null)] }];
  }
  return !low && bears && run.arrangement === "parallel"
    ? [
        {
          label: "Put its lamps in series",
          edits: [setCircuit(run.id, "arrangement", "series")],
        },
      ]
    : [];
}

interface Place {
  readonly run: LightingCircuit;
  readonly made: LaidCircuit;
  readonly load: LoadElement;
}

function judge(
  context: RuleContext,
  { run, made, load }: Place,
  point: OperatingPoint,
  when: string,
): Found | null {
  const at = point.at.get(load.id);
  const limits = borneVolts(load.part);
  const isFactorys = context.job.lamps.some((l) => l.id === load.lampId && l.factory);
  if (!at || isFactorys || rootV(made.root, point) <= 0) return null;
  const volts = at.fromV - at.toV;
  // One that gets nothing at all is not on: whether it should be is for the proof to say.
  const dark = Math.abs(at.currentA) < 1e-4 && volts < limits.lowV / 3;
  if (dark || (volts >= limits.lowV && volts <= limits.highV)) return null;
  const low = volts < limits.lowV;
  const { family } = load.part;
  return {
    rule: "lamp-volts",
    severity: low && when !== "" ? "note" : "stop",
    place: placeOfCircuit(run, load.id, load.label),
    title: `Too ${low ? "few" : "many"} volts for this ${family}${when}`,
    figures: [
      {
        label: `at the ${family}`,
        value: `${decimal(volts)} V`,
        limit: `${decimal(limits.lowV)}–${decimal(limits.highV)} V`,
      },
    ],
    why: whyOf(load.part, low, run),
    remedies: remediesFor(run, low, bearsInSeries(context, made, point)),
  };
}

/** What becomes of a load that has too few volts, or too many. */
function whyOf({ family, load }: LoadPart, low: boolean, run: LightingCircuit): string {
  if (load.kind === "drivenLed") {
    return low ? "Its driver stays off." : "Its driver is beyond its rating.";
  }
  if (low) return family === "lamp" ? "It glows more than it lights." : "It hardly works.";
  return run.arrangement === "series"
    ? "It burns out early: each lamp of a string must bear its share of the full-charge voltage."
    : "It is made for fewer volts and burns out: a converter, a supply of its volts or, for lamps without a driver, a string in series.";
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
    "common practice: a driver works between its limits; a load without one bears a quarter over, a horn what a charging system shows",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
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
