import { itemAt } from "../../present/index.ts";
import {
  elementOf,
  elementsOf,
  wholePath,
  type Circuit,
  type LaidCircuit,
} from "../../circuit/index.ts";
import { evaluate, type Input, type LightingCircuit } from "../../job/index.ts";
import { everythingOn, solveCircuit } from "../../network/index.ts";
import { LIT_LEVEL, workLevel } from "../../part/index.ts";
import { restVolts } from "../../source/index.ts";
import {
  builtCircuits,
  placeOfCircuit,
  type Found,
  type Rule,
  type RuleContext,
} from "../finding.ts";

const TURNS: readonly Input[] = ["left", "right", "hazard"];
const RIDING: readonly Input[] = ["key", "engine", "switch"];

/**
 * Whether a run is lit by turning alone, and by the kit's flasher: one that shines for another
 * reason may be steady, and what a factory turn wire works flashes as the vehicle does.
 */
function turns(circuit: Circuit, run: LightingCircuit, made: LaidCircuit): boolean {
  const asked = (...inputs: Input[]): boolean =>
    evaluate(run.condition, new Set([...RIDING, ...inputs]));
  if (asked() || !TURNS.some((input) => asked(input))) return false;
  const taps = elementsOf(circuit, wholePath(made), "tap");
  return taps.every(({ pin }) => !TURNS.some((input) => input === pin.liveWhen));
}

/** Lamps of a run that shine on while every flasher of the kit is in its dark phase. */
function litInTheDark(context: RuleContext): (made: LaidCircuit) => boolean {
  const { job, circuit } = context;
  const position = {
    ...everythingOn(job, restVolts(job.vehicle)),
    ...{ inputs: new Set<Input>(["key", "engine", ...TURNS]), phase: "off" as const },
  };
  const solved = solveCircuit(circuit, position, job.practices.ambientC);
  if (solved.kind !== "solved") return () => false;
  return (made) =>
    made.branches.some((branch) => {
      const load = elementOf(circuit, branch.load);
      const at = solved.point.at.get(branch.load);
      if (load.kind !== "load" || !at) return false;
      return workLevel(load.part.load, at.fromV - at.toV, at.currentA) > LIT_LEVEL;
    });
}

/** A turn lamp that is fed past the kit's flasher lights and does not flash. */
export const flasherBypassed: Rule = {
  id: "flasher-bypassed",
  source: "common practice",
  check: (context) => {
    const flashers = [...context.circuit.elements.values()].filter((e) => e.kind === "flasher");
    const turning = builtCircuits(context).filter(({ run, made }) =>
      turns(context.circuit, run, made),
    );
    if (flashers.length === 0 || turning.length === 0) return [];
    const steady = litInTheDark(context);
    return turning
      .filter(({ made }) => steady(made))
      .map(({ run, made }): Found => ({
        rule: "flasher-bypassed",
        severity: "stop",
        place: placeOfCircuit(run, made.out[0] ?? null, `past ${itemAt(flashers, 0).part.name}`),
        title: "Lights past the flasher, and does not flash",
        figures: [{ label: "while the flasher is dark", value: "lit", limit: "dark" }],
        why: "What works it is fed before the flasher, or tied to something that is. A turn lamp that is steady is none. Feed its switch from the flasher's 49a.",
        remedies: [],
      }));
  },
};
