import { elementOf, type Element, type Root, type LaidCircuit } from "../../circuit/index.ts";
import { boxOf, type ElementId } from "../../job/index.ts";
import { ratedVOf, type Part } from "../../part/index.ts";
import { decimal } from "../../quantity/index.ts";
import { rangeOfRoot } from "../../synthesis/index.ts";
import type { Found, Rule, RuleContext, Severity } from "../finding.ts";

const WHY =
  "A direct current that is not broken at once keeps burning between the contacts as an arc. Take one that is marked for this voltage, direct; an alternating rating says nothing of it.";

/** Something that breaks a current, and the most volts that it does so at. */
interface Breaks {
  readonly element: Element & { readonly part: Part };
  readonly volts: number;
  readonly severity: Severity;
}

const isContact = (element: Element): element is Element & { readonly part: Part } =>
  element.kind === "switch" || element.kind === "contact" || element.kind === "connector";

function breaksIn(
  context: RuleContext,
  ids: readonly ElementId[],
  volts: number,
  severity: Severity,
): Breaks[] {
  return (
    ids
      .map((id) => elementOf(context.circuit, id))
      .filter(isContact)
      // A plug is parted with the power off: it is marked, and no fire.
      .map((element) => ({
        ...{ element, volts },
        severity: element.kind === "connector" ? ("fix" as const) : severity,
      }))
  );
}

/** Most volts of a lane to a coil: those of the wire it is tapped from, or of the run's own feed. */
function laneVolts({ job, circuit }: RuleContext, run: LaidCircuit, ids: readonly ElementId[]) {
  const tap = ids.map((id) => elementOf(circuit, id)).find((e) => e.kind === "tap");
  const root: Root =
    tap?.kind !== "tap"
      ? run.root
      : tap.pin.supply === "pack"
        ? { kind: "pack", share: 1 }
        : { kind: "battery" };
  return rangeOfRoot(job, root).highV;
}

function breaksOf(context: RuleContext): Breaks[] {
  const { job, circuit } = context;
  const runs = circuit.runs.flatMap((run) => {
    const own = [...run.out, ...run.branches.flatMap((b) => [...b.out, ...b.back])];
    const lanes = [...(run.coil?.lanes ?? []), ...run.ways];
    return [
      ...breaksIn(context, own, rangeOfRoot(job, run.root).highV, "stop"),
      // A coil's few tenths of an ampere arc less; the mark is still another's.
      ...lanes.flatMap(({ ids }) =>
        breaksIn(context, [...ids], laneVolts(context, run, [...ids]), "fix"),
      ),
    ];
  });
  const feeders = circuit.feeders.flatMap((feeder) => {
    const at = feeder.path.findIndex((id) => elementOf(circuit, id).kind === "converter");
    const before = at < 0 ? feeder.path : feeder.path.slice(0, at);
    return breaksIn(context, before, rangeOfRoot(job, feeder.feedRoot).highV, "stop");
  });
  return [...runs, ...feeders];
}

/** Contacts, plugs and boxes held against the direct voltage that they have to break. */
export const voltsOverRating: Rule = {
  id: "volts-over-rating",
  source: "ISO 8820-3 for blade fuses; common practice for contacts of vehicle parts",
  check: (context) => {
    const { job, circuit } = context;
    const seen = new Set<string>();
    const contacts = breaksOf(context).flatMap(({ element, volts, severity }): Found[] => {
      const limit = ratedVOf(element.part);
      if (volts <= limit || seen.has(element.unit)) return [];
      seen.add(element.unit);
      return [
        {
          rule: "volts-over-rating",
          severity,
          place: { runId: element.runId, elementId: element.id, words: element.part.name },
          title: "Breaks fewer volts than it is fed with",
          figures: [
            {
              label: "most volts",
              value: `${decimal(volts)} V direct`,
              limit: `at most ${decimal(limit)} V${element.part.ratedV > 0 ? "" : ", as such parts usually are"}`,
            },
          ],
          why: WHY,
          remedies: [],
        },
      ];
    });
    const boxes = circuit.feeders.flatMap((feeder): Found[] => {
      const part = boxOf(job, feeder.ownerId);
      const volts = rangeOfRoot(job, feeder.feedRoot).highV;
      if (!part || volts <= ratedVOf(part)) return [];
      return [
        {
          rule: "volts-over-rating",
          severity: "stop",
          place: { runId: feeder.ownerId, elementId: null, words: feeder.name },
          title: "Breaks fewer volts than it is fed with",
          figures: [
            {
              label: "most volts",
              value: `${decimal(volts)} V direct`,
              limit: `at most ${decimal(ratedVOf(part))} V`,
            },
          ],
          why: `${WHY} Or feed it from a converter.`,
          remedies: [],
        },
      ];
    });
    return [...contacts, ...boxes];
  },
};
