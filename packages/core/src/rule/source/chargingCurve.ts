import { itemAt } from "../../present/index.ts";
import { decimal } from "../../quantity/index.ts";
import type { Rule } from "../finding.ts";

/** A regulator holds a curve flat; a fall of more than this share is a reading gone wrong. */
const FALL = 0.1;

/** A charging curve that falls with engine speed is none: told with both points. */
export const chargingCurve: Rule = {
  id: "charging-curve",
  source: "common practice",
  check: ({ job }) => {
    const { system } = job.vehicle;
    if (system.kind !== "engine") return [];
    const { points } = system.charging;
    return points.slice(1).flatMap((point, i) => {
      const before = itemAt(points, i);
      if (point.outputA.value >= before.outputA.value * (1 - FALL)) return [];
      return [
        {
          rule: "charging-curve",
          severity: "fix" as const,
          place: { runId: null, elementId: null, words: "Intake: charging" },
          title: "The charging curve falls with engine speed",
          figures: [
            {
              label: `at ${decimal(point.rpm, 0)} rpm`,
              value: `${decimal(point.outputA.value)} A`,
              limit: `no less than ${decimal(before.outputA.value)} A, as at ${decimal(before.rpm, 0)} rpm`,
            },
          ],
          why: "Output rises with speed until the regulator holds it. Read it again, with the same things on.",
          remedies: [],
        },
      ];
    });
  },
};
