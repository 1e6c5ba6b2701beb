import { setIn } from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { builtCircuits, placeOfCircuit, type Found, type Rule } from "../finding.ts";

/** Fed from one end only, a strip fades beyond this, in m: common practice for 12 V strips. */
const FEED_BOTH_M = 5;
/** A cut nearer to a mark than this, in m, is on it. */
const ON_MARK_M = 0.002;

/** Strips are cut between groups only, and long ones are fed in the middle. */
export const ledStrips: Rule = {
  id: "led-strips",
  source: "common practice",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) =>
      elementsOf(
        context.circuit,
        made.branches.map((b) => b.load),
        "load",
      ).flatMap((load): Found[] => {
        const spec = load.part.load;
        if (spec.kind !== "ledStrip") return [];
        const groups = spec.lengthM / spec.groupM;
        const under = Math.max(1, Math.floor(groups + ON_MARK_M / spec.groupM)) * spec.groupM;
        const found: Found[] = [];
        if (Math.abs(spec.lengthM - Math.round(groups) * spec.groupM) > ON_MARK_M) {
          const edit = setIn("lamp", load.lampId, "lengthM", Number(under.toFixed(4)));
          found.push({
            rule: "led-strips",
            severity: "fix",
            place: placeOfCircuit(run, load.id, load.label),
            title: "Cut between two marks",
            figures: [
              {
                label: "length",
                value: `${decimal(spec.lengthM, 3)} m`,
                limit: `a multiple of ${decimal(spec.groupM * 1000, 0)} mm`,
              },
            ],
            why: "Dies hang in groups on one resistor: a group that is cut through stays dark.",
            remedies: [{ label: `Cut at ${decimal(under, 3)} m`, edits: [edit] }],
          });
        }
        if (spec.lengthM > FEED_BOTH_M) {
          const ampsPerM = spec.powerWPerM.value / spec.ratedV;
          found.push({
            rule: "led-strips",
            severity: "note",
            place: placeOfCircuit(run, load.id, load.label),
            title: "Feed this tape in the middle",
            figures: [
              {
                label: "length",
                value: `${decimal(spec.lengthM, 1)} m at ${decimal(ampsPerM, 2)} A a metre`,
                limit: `${FEED_BOTH_M} m from one end`,
              },
            ],
            why: "Its own copper is thin: fed from one end the far end fades. From the middle, or from both ends, each half carries half.",
            remedies: [],
          });
        }
        return found;
      }),
    ),
};
