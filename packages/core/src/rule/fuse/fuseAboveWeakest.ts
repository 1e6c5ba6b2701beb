import { decimal } from "../../quantity/index.ts";
import { carriesA, elementOf, powerPath, unitAt, type Element } from "../../circuit/index.ts";
import {
  pinFuse,
  pinWire,
  type Edit,
  type ElementId,
  type LightingCircuit,
} from "../../job/index.ts";
import { LIMIT_SHARE } from "../../part/index.ts";
import { insideOf } from "../../unit/index.ts";
import {
  builtCircuits,
  placeOfCircuit,
  type Found,
  type Remedy,
  type Rule,
  type RuleContext,
} from "../finding.ts";

interface Weak {
  readonly element: Element;
  readonly limitA: number;
}

/** What an element may carry for long, in A; null when it sets no limit. */
function limitOf(element: Element, { job }: RuleContext): number | null {
  if (element.kind !== "wire") return insideOf(element).ratedA(element);
  return element.role === "factory" ? null : carriesA(element, job.practices);
}

function wordsOf({ element, limitA }: Weak): string {
  const words =
    element.kind === "wire"
      ? `${element.gaugeId} ${element.harness === "" ? "wire" : "pigtail"}`
      : insideOf(element).words(element);
  return `${words} carries ${decimal(limitA)} A`;
}

function remedies(run: LightingCircuit): Remedy[] {
  const edits: Edit[] = [];
  if (run.fuse.kind === "rating" || run.fuse.kind === "breaker")
    edits.push(pinFuse(run.id, { kind: "auto" }));
  const made: Remedy[] =
    edits.length > 0 ? [{ label: "Let the practice choose the fuse", edits }] : [];
  if (run.wire !== null) {
    made.push({ label: "Let the fuse choose the wire", edits: [pinWire(run.id, null)] });
  }
  return made;
}

function checkPath(
  context: RuleContext,
  run: LightingCircuit,
  path: readonly ElementId[],
): Found[] {
  // What lies behind several fuses is protected by the smallest of them.
  let fuseA = Infinity;
  let weak: Weak | null = null;
  let ratingA = 0;
  for (const id of path) {
    const element = elementOf(context.circuit, id);
    // Behind a converter flows what that gives, whatever the fuse before it says.
    if (element.kind === "converter") fuseA = element.part.outA * LIMIT_SHARE;
    if (element.kind === "fuse") fuseA = Math.min(fuseA, element.ratingA);
    if (fuseA === Infinity) continue;
    const limitA = limitOf(element, context);
    // A tenth of an amp under a rating is not a difference that anyone can measure.
    if (limitA === null || limitA >= fuseA - 0.1 || (weak && limitA >= weak.limitA)) continue;
    // The tail between a source and its fuse is short and bare of any: another rule has it.
    if (element.kind === "wire" && unitAt(context.circuit, element.to)?.kind === "fuse") continue;
    weak = { element, limitA };
    ratingA = fuseA;
  }
  if (!weak) return [];
  return [
    {
      rule: fuseAboveWeakest.id,
      severity: "stop",
      place: placeOfCircuit(run, weak.element.id, wordsOf(weak)),
      title: `${decimal(ratingA)} A fuse is above what it protects`,
      figures: [
        {
          label: "fuse",
          value: `${decimal(ratingA)} A`,
          limit: `at most ${decimal(weak.limitA)} A`,
        },
      ],
      why: "A fuse protects what lies behind it. Whatever carries less than the fuse burns before the fuse opens.",
      remedies: remedies(run),
    },
  ];
}

export const fuseAboveWeakest: Rule = {
  id: "fuse-above-weakest",
  source: "common practice; ampacity after IEC 60204-1 table 6 (from memory)",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => [
      ...checkPath(context, run, powerPath(made)),
      ...(made.coil?.lanes ?? []).flatMap((lane) => checkPath(context, run, lane.ids)),
    ]),
};
